import type { Practices, LightingCircuit } from "../../job/index.ts";
import type { RelayPart } from "../../part/index.ts";
import type { Decision } from "../decide/decision.ts";

export interface CoilWiring {
  readonly switching: "positive" | "negative";
  readonly plusTerminal: "85" | "86";
}

/** Which side of the coil is switched, and which terminal takes the positive. */
export function decideCoil(
  run: LightingCircuit,
  relay: RelayPart,
  practices: Practices,
): Decision<CoilWiring> {
  const switching = run.coil === "practice" ? practices.coilSwitching : run.coil;
  const plusTerminal = run.coilPlus === "auto" ? "86" : run.coilPlus;
  const side =
    switching === "positive"
      ? "The control switches the coil's positive; the other side is grounded."
      : "The coil's positive is fed; the control grounds the other side.";
  const diode = relay.diode
    ? ` The relay has a diode across its coil: 86 must be the positive side.`
    : " No diode across the coil: either way round works.";
  return {
    value: { switching, plusTerminal },
    picked: `${plusTerminal} positive, ${switching} switched`,
    reason: side + diode,
    pinned: run.coil !== "practice" || run.coilPlus !== "auto",
  };
}
