import { controlPath, elementsOf } from "../../circuit/index.ts";
import { setCircuit } from "../../job/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";

export const coilDiodeReversed: Rule = {
  id: "coil-diode-reversed",
  source: "DIN 72552 terminals; common practice: with a diode, 86 is the positive side",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) =>
      elementsOf(context.circuit, controlPath(made), "coil")
        .filter((coil) => coil.part.diode && coil.plusTerminal === "85")
        .map((coil) => ({
          rule: "coil-diode-reversed",
          severity: "stop" as const,
          place: placeOfCircuit(run, coil.id, `coil of ${coil.part.name}`),
          title: "Coil diode the wrong way round",
          figures: [{ label: "positive on", value: "85", limit: "86" }],
          why: "The diode conducts instead of the coil: the trigger wire is shorted to ground, its fuse opens and the relay never pulls in.",
          remedies: [
            { label: "Put the positive on 86", edits: [setCircuit(run.id, "coilPlus", "auto")] },
          ],
        })),
    ),
};
