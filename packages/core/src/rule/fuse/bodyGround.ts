import { elementsOf } from "../../circuit/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";
import { ownFeed } from "../source/ownFeed.ts";

/** A way that switches ground does nothing to a lamp that its mount has grounded already. */
export const bodyGround: Rule = {
  id: "body-ground",
  source: "common practice",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      const switchesGround = elementsOf(context.circuit, made.back, "contact").length > 0;
      if (!switchesGround) return [];
      const lamps = made.branches.flatMap((b) => elementsOf(context.circuit, [b.load], "load"));
      const grounded = lamps.find((load) => load.part.caseGround);
      if (!grounded) return [];
      return [
        {
          rule: "body-ground",
          severity: "stop" as const,
          place: placeOfCircuit(run, grounded.id, grounded.label),
          title: "A hub that switches ground cannot turn this lamp off",
          figures: [],
          why: "Its body is its negative and its mount is grounded: it is lit as long as it is fed. Feed it from something that switches the positive, or mount it insulated.",
          remedies: ownFeed(context.job, run, "yes"),
        },
      ];
    }),
};
