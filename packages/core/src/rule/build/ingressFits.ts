import { loadsOf } from "../../synthesis/index.ts";
import { builtCircuits, placeOfCircuit, type Found, type Rule } from "../finding.ts";

/** Second figure that stands up to splashes from every side: IEC 60529. */
const SPLASH = 4;

/** The second figure of a rating: against water; null where it does not say. */
const waterOf = (ingress: string): number | null => {
  const figure = /^IP.(\d)/.exec(ingress)?.[1];
  return figure === undefined ? null : Number(figure);
};

/** Lamps and plugs outside stand in spray; what is stated to let water in does not last there. */
export const ingressFits: Rule = {
  id: "ingress-fits",
  source: "IEC 60529 (from memory)",
  check: (context) =>
    builtCircuits(context).flatMap(({ run }): Found[] =>
      loadsOf(context.job, run)
        .filter(({ lamp, part }) => {
          const water = waterOf(part.ingress);
          return lamp.place !== "inside" && !lamp.factory && water !== null && water < SPLASH;
        })
        .slice(0, 1)
        .map(({ lamp, part }): Found => ({
          ...{
            rule: "ingress-fits",
            severity: "fix",
            place: placeOfCircuit(run, null, lamp.label),
          },
          title: "Not sealed for where it sits",
          figures: [{ label: "rating", value: part.ingress, limit: `IPX${SPLASH} or better` }],
          why: "Outside it meets spray, road salt and the pressure washer. Seal it, move it inside, or take a sealed one.",
          remedies: [],
        })),
    ),
};
