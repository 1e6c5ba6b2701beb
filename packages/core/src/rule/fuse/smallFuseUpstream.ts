import { decimal } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { pinFuse } from "../../job/index.ts";
import { fuseForDraw } from "../../protection/index.ts";
import { builtCircuits, placeOfCircuit, type Remedy, type Rule } from "../finding.ts";
import { ownFeed } from "../source/ownFeed.ts";

export const smallFuseUpstream: Rule = {
  id: "small-fuse-upstream",
  source: "common practice",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      if (made.source.kind !== "pin") return [];
      const { pin } = made.source;
      const [fuse] = elementsOf(context.circuit, made.out, "fuse");
      if (!fuse || pin.fuseA <= 0 || pin.fuseA >= fuse.ratingA) return [];
      const draw = made.drawA.mid;
      const over = draw > pin.fuseA;
      const smaller = fuseForDraw(made.drawA.high, context.job.practices.fuseSchool);
      const shrink: Remedy[] =
        !over && smaller !== null && smaller <= pin.fuseA
          ? [
              {
                label: `Fit a ${decimal(smaller)} A fuse`,
                edits: [pinFuse(run.id, { kind: "rating", ratingA: smaller })],
              },
            ]
          : [];
      return [
        {
          rule: "small-fuse-upstream",
          severity: over ? ("stop" as const) : ("fix" as const),
          place: placeOfCircuit(run, fuse.id, `${decimal(fuse.ratingA)} A fuse`),
          title: `${decimal(fuse.ratingA)} A fuse behind a ${decimal(pin.fuseA)} A factory fuse`,
          figures: [
            {
              label: over ? "draw" : "fuse",
              value: `${decimal(over ? draw : fuse.ratingA)} A`,
              limit: `at most ${decimal(pin.fuseA)} A`,
            },
          ],
          why: over
            ? "The factory fuse carries this load too and opens first, with everything else on it."
            : "On a fault the smaller factory fuse opens first and takes its own circuit with it.",
          remedies: [...shrink, ...ownFeed(context.job, run, "yes")],
        },
      ];
    }),
};
