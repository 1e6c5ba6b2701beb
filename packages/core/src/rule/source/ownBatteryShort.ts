import { asId } from "../../job/index.ts";
import { decimal, lastsFor } from "../../quantity/index.ts";
import type { Found, Rule } from "../finding.ts";

/** A battery of its own held against the evening that the job says it has to last. */
export const ownBatteryShort: Rule = {
  id: "own-battery-short",
  source: "Peukert's law; common practice: a fifth is left in it",
  check: ({ job, budget }) =>
    budget.own.flatMap(({ supplyId, name, usedH, usedA }): Found[] => {
      const wanted = job.use.eveningH;
      if (!usedH || usedH.low >= wanted) return [];
      const lasts = lastsFor(usedH);
      return [
        {
          rule: "own-battery-short",
          severity: usedH.mid < wanted ? "fix" : "note",
          place: { runId: asId(supplyId), elementId: null, words: name },
          title: `Lasts ${lasts.value} ${lasts.unit} of an evening of ${decimal(wanted)} hours`,
          figures: [
            {
              label: "mean draw",
              value: `${decimal(usedA.mid, 2)} A`,
              limit: `at most ${decimal((usedA.mid * usedH.mid) / wanted, 2)} A for that long`,
            },
          ],
          why: "Then the lamps go out, all of them at once. A larger battery, a second one, or lamps that are off while standing.",
          remedies: [],
        },
      ];
    }),
};
