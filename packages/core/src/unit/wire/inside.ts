import { endWords, unitAt, wireEnds, type WireElement } from "../../circuit/index.ts";
import { lengthText } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { gaugeOf, wireResistanceOhm } from "../../wire/index.ts";
import {
  BAD_JOINT_OHM,
  branchOf,
  estimateOf,
  faultOf,
  resistor,
  type FaultSpec,
  type InsideSpec,
} from "../inside.ts";
import { look } from "../symbol.ts";

const wordsOf = (e: WireElement): string =>
  e.harness === "" ? `${e.colour} ${e.gaugeId} wire ${e.label}` : `${e.gaugeId}, ${e.harness}`;

/** Resistance of a wire in Ω: of its copper, as warm as its surroundings and its own current make it. */
export const wireOhm = (
  e: WireElement,
  estimate: "low" | "value" | "high",
  celsius: number,
): number => wireResistanceOhm(gaugeOf(e.gaugeId), e.lengthM[estimate], celsius + e.riseC);

/** A wire between two terminals: cut here, or of a ready-made harness. */
export const wire: InsideSpec<WireElement> = {
  branches: (e, o) => [branchOf(e, resistor(wireOhm(e, estimateOf(o), o.celsius)), wordsOf(e))],
  moves: false,
  words: wordsOf,
  name: (e) => e.gaugeId,
  detail: (e, units) => {
    const length = lengthText(e.lengthM.value, units);
    if (e.harness === "") return `${e.colour}, ${length}`;
    if (e.harnessId !== "") return `${e.colour}, ${length}, made up`;
    return e.role === "factory" ? "factory" : `pigtail, ${length}`;
  },
  choice: "wire",
  faults: (e, circuit): FaultSpec[] => {
    // What the maker laid is the maker's; a bolted mount does not break.
    if (e.role === "factory") return [];
    const ends = wireEnds(circuit, e);
    // Lamps of a string hang between splices: a pigtail is that of what it comes with.
    const at = [e.from, e.to].find((node) => unitAt(circuit, node)?.kind !== "splice");
    const own = at === undefined ? "lamp" : endWords(circuit, at);
    const laid = e.harness === "" || e.harnessId !== "";
    const live = e.role !== "return" && e.role !== "coilReturn";
    const said = laid
      ? `wire ${e.label}, ${ends.join(" to ")}`
      : `${live ? "" : "ground "}pigtail of ${own}`;
    return [
      faultOf("open", `${said} broken`, e.id, OPEN_OHM),
      faultOf("badJoint", `${said} with a joint of ${BAD_JOINT_OHM} Ω`, e.id, BAD_JOINT_OHM),
      ...(live
        ? [
            {
              ...faultOf("chafed", `${said} chafed to the frame`, e.id, 0),
              ohms: [],
              touches: e.to,
            },
          ]
        : []),
    ];
  },
  look: look(3, 104, 0, []),
  ratedA: () => null,
};
