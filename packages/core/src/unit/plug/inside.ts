import { splitNode, type ConnectorElement } from "../../circuit/index.ts";
import { decimal } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import {
  BAD_JOINT_OHM,
  branchOf,
  estimateOf,
  faultOf,
  resistor,
  type InsideSpec,
} from "../inside.ts";
import { look, mark } from "../symbol.ts";

/** One pole of a plug in a lamp's leads. */
export const connector: InsideSpec<ConnectorElement> = {
  branches: (e, o) => [branchOf(e, resistor(e.part.contactOhm[estimateOf(o)]), e.part.name)],
  moves: false,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) => `rated ${decimal(e.part.ratingA)} A`,
  choice: "plug",
  faults: (e, { units }) => {
    const plug = (e.unit === "" ? undefined : units.get(e.unit))?.name ?? "plug";
    const contact = splitNode(e.from).terminal.replace(/^(?:in|out|on|[ab])_?/, "");
    return [
      faultOf("open", `${plug}, contact ${contact}, apart`, e.id, OPEN_OHM),
      faultOf(
        "badJoint",
        `${plug}, contact ${contact}, of ${BAD_JOINT_OHM} Ω`,
        e.id,
        BAD_JOINT_OHM,
      ),
    ];
  },
  look: look(2, 76, 26, [mark("M0 11h8M17 11h9M14 5.5H8v11h6"), mark("M11 8h7v6h-7z", 0)]),
  ratedA: (e) => e.part.ratingA,
};
