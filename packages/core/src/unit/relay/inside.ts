import type { CoilElement, ContactElement } from "../../circuit/index.ts";
import { asId, type ElementId } from "../../job/index.ts";
import type { NetworkBranch } from "../../network/network.ts";
import { CONTACT_RESISTANCE } from "../../part/index.ts";
import { decimal } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import {
  OPEN,
  WELDED_OHM,
  branchOf,
  estimateOf,
  faultOf,
  resistor,
  type InsideSpec,
} from "../inside.ts";
import { RECTIFIER } from "../rectifier.ts";
import { bladeLook, boxLook } from "../symbol.ts";
import { hasDarkPhase } from "./darkPhase.ts";

/** What a coil moves: from 30 to 87, or to 87a where it breaks. */
export const contact: InsideSpec<ContactElement> = {
  branches: (e, o) => {
    const isDark =
      o.position.phase === "off" && e.program !== null && hasDarkPhase(e.program, o.position);
    const on = o.closed.has(e.id) !== e.normallyClosed && !isDark;
    return [branchOf(e, on ? resistor(CONTACT_RESISTANCE.mid) : OPEN, e.part.name)];
  },
  moves: true,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) =>
    e.inBox === ""
      ? `30 → ${e.normallyClosed ? "87a" : "87"}, rated ${decimal(e.part.contactA)} A`
      : `channel, rated ${decimal(e.part.contactA)} A`,
  choice: "relay",
  faults: (e) => [
    faultOf("relayDead", "relay dead", e.id, OPEN_OHM),
    faultOf("relayStuck", "relay stuck on", e.id, WELDED_OHM, "off"),
  ],
  look: bladeLook(3, 104),
  ratedA: (e) => e.part.contactA,
};

/** The diode of a relay lies against the coil's current when 86 is positive, with it when 85 is. */
function diodeAcross(e: CoilElement): NetworkBranch[] {
  if (!e.part.diode) return [];
  const right = e.plusTerminal === "86";
  return [
    {
      id: asId<ElementId>(`${e.id}.diode`),
      from: right ? e.to : e.from,
      to: right ? e.from : e.to,
      model: RECTIFIER,
      words: `diode of ${e.part.name}`,
    },
  ];
}

/** What works a contact: a coil, or the sense input of a channel. */
export const coil: InsideSpec<CoilElement> = {
  branches: (e, o) => [
    branchOf(e, resistor(e.part.coilOhm[estimateOf(o)]), `coil of ${e.part.name}`),
    ...diodeAcross(e),
  ],
  moves: false,
  words: (e) => `coil of ${e.part.name}`,
  name: (e) => (e.part.electronic ? "input" : "coil 85/86"),
  detail: (e) => (e.part.electronic ? "sense" : `${e.plusTerminal} positive`),
  choice: "coil",
  faults: (e) => [faultOf("relayDead", "coil broken", e.id, OPEN_OHM)],
  look: boxLook(2, 84, [4, 14], "M10 18l14-14"),
  ratedA: () => null,
};
