import { decimal } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { pinFuse, pinRelay } from "../../job/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";

export const switchOverRating: Rule = {
  id: "switch-over-rating",
  source: "common practice",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      const [gate] = elementsOf(context.circuit, made.out, "switch");
      const draw = made.drawA.mid;
      if (!gate || draw <= gate.part.contactA) return [];
      return [
        {
          rule: "switch-over-rating",
          severity: "stop" as const,
          place: placeOfCircuit(run, gate.id, gate.part.name),
          title: `${decimal(draw)} A through a ${decimal(gate.part.contactA)} A switch`,
          figures: [
            {
              label: "draw",
              value: `${decimal(draw)} A`,
              limit: `at most ${decimal(gate.part.contactA)} A`,
            },
          ],
          why: "A switch over its rating heats, welds or melts. Let it work a relay's coil, well under an amp.",
          remedies: [
            {
              label: "Let the switch work a relay",
              edits: [pinRelay(run.id, "yes"), pinFuse(run.id, { kind: "auto" })],
            },
          ],
        },
      ];
    }),
};
