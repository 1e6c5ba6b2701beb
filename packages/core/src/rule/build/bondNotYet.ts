import { outsideWindow } from "../../fit/index.ts";
import type { Found, Rule } from "../finding.ts";

/** Adhesive that would be pressed on too cold or too hot. */
export const bondNotYet: Rule = {
  id: "bond-not-yet",
  source: "data sheets of the usual kinds, from memory",
  check: ({ job }) =>
    job.bonds.flatMap((bond): Found[] => {
      const outside = outsideWindow(bond);
      if (bond.pressedAt !== "" || outside === null) return [];
      return [
        {
          rule: "bond-not-yet",
          severity: "fix",
          place: { runId: null, elementId: null, words: bond.what },
          title: `${bond.what}: ${outside}`,
          figures: [],
          why: "Adhesive that is pressed on outside its window lets go later, on the road.",
          remedies: [],
        },
      ];
    }),
};
