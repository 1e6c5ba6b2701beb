import type { SwitchElement } from "../../circuit/index.ts";
import { asId, inputWord, isOn, type ElementId } from "../../job/index.ts";
import type { NetworkBranch } from "../../network/network.ts";
import type { Position } from "../../network/position.ts";
import { CONTACT_RESISTANCE } from "../../part/index.ts";
import { decimal } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { OPEN, WELDED_OHM, branchOf, faultOf, resistor, type InsideSpec } from "../inside.ts";
import { bladeLook } from "../symbol.ts";

/** The voltage for which a tell-tale's current is stated. */
const TELL_TALE_V = 12;

/** Whether a switch is closed in a position. */
export const isPressed = (e: SwitchElement, position: Position): boolean =>
  e.input === "switch" ? position.switches.has(e.runId) : isOn(e.input, position.inputs);

function tellTale(e: SwitchElement): NetworkBranch[] {
  const { tellTale: kind, tellTaleA } = e.part;
  if (kind === "none" || tellTaleA.value <= 0 || e.tellTaleTo === null) return [];
  return [
    {
      id: asId<ElementId>(`${e.id}.tellTale`),
      from: kind === "always" ? e.from : e.to,
      to: e.tellTaleTo,
      model: resistor(TELL_TALE_V / tellTaleA.value),
      words: `tell-tale of ${e.part.name}`,
    },
  ];
}

/** A contact that a hand works, with its tell-tale. */
export const switchSpec: InsideSpec<SwitchElement> = {
  branches: (e, o) => [
    branchOf(e, isPressed(e, o.position) ? resistor(CONTACT_RESISTANCE.mid) : OPEN, e.part.name),
    ...tellTale(e),
  ],
  moves: true,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) =>
    `${e.input === "switch" ? "" : `${inputWord(e.input)}, `}rated ${decimal(e.part.contactA)} A`,
  choice: "switch",
  faults: (e, { units }) => {
    const name = (e.unit === "" ? undefined : units.get(e.unit))?.name ?? "switch";
    const contact = e.input === "switch" ? name : `${name}, ${inputWord(e.input)} contact,`;
    return [
      faultOf("switchOpen", `${contact} dead`, e.id, OPEN_OHM),
      faultOf("switchStuck", `${contact} stuck on`, e.id, WELDED_OHM, "off"),
    ];
  },
  look: bladeLook(3, 96),
  ratedA: (e) => e.part.contactA,
};
