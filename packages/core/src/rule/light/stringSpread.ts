import { decimal } from "../../quantity/index.ts";
import { elementsOf, type LoadElement } from "../../circuit/index.ts";
import { setCircuit } from "../../job/index.ts";
import { ratingOf } from "../../part/index.ts";
import { packRangeV } from "../../source/index.ts";
import { builtCircuits, placeOfCircuit, type Found, type Rule } from "../finding.ts";

/** A lamp without a driver bears so much over its rating for long: common practice. */
const BEARS = 1.25;

/**
 * Volts on the weakest lamp of a string when it is at the low end of its tolerance and the
 * others at the high end: its resistance is then the largest share.
 */
export function worstShareV(loads: readonly LoadElement[], steps: number, acrossV: number): number {
  const [first] = loads;
  if (!first || steps < 2) return acrossV;
  const { low, high } = ratingOf(first.part.load);
  if (low <= 0) return acrossV;
  return (acrossV * (1 / low)) / (1 / low + (steps - 1) / high);
}

/** Lamps of a string must be alike: what their tolerance does straight off the charger. */
export const stringSpread: Rule = {
  id: "string-spread",
  source: "common practice; Ohm's law over the lamps' own bounds",
  check: (context) => {
    const { system } = context.job.vehicle;
    if (system.kind === "engine") return [];
    const { highV } = packRangeV(system.pack);
    return builtCircuits(context).flatMap(({ run, made }): Found[] => {
      if (made.steps < 2 || made.root.kind !== "pack") return [];
      const loads = elementsOf(
        context.circuit,
        made.branches.map((b) => b.load),
        "load",
      );
      const alike = new Set(loads.map((l) => l.part.id)).size <= 1;
      const [first] = loads;
      const spec = first?.part.load;
      if (!first || !spec || spec.kind === "drivenLed" || spec.kind === "constantCurrent")
        return [];
      const worstV = worstShareV(loads, made.steps, highV * made.root.share);
      const bearsV = spec.ratedV * BEARS;
      if (!alike) {
        return [
          {
            rule: "string-spread",
            severity: "stop",
            place: placeOfCircuit(run, first.id, "string"),
            title: "Lamps of a string are not alike",
            figures: [],
            why: "The same current flows through all of them, so volts part by their resistance: the small one takes the most and burns out.",
            remedies: [
              {
                label: "Put them in parallel",
                edits: [setCircuit(run.id, "arrangement", "parallel")],
              },
            ],
          },
        ];
      }
      if (worstV <= bearsV) return [];
      return [
        {
          rule: "string-spread",
          severity: "fix",
          place: placeOfCircuit(run, first.id, first.label),
          title: "Tolerance may overdrive one lamp of the string",
          figures: [
            {
              label: "on the weakest, pack full",
              value: `up to ${decimal(worstV)} V`,
              limit: `${decimal(bearsV)} V`,
            },
          ],
          why: "A lamp at the low end of its tolerance among others at the high end takes more than its share. Match them with a meter, or measure them to narrow the bounds.",
          remedies: [],
        },
      ];
    });
  },
};
