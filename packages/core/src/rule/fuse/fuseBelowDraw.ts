import { decimal } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { pinFuse } from "../../job/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";

export const fuseBelowDraw: Rule = {
  id: "fuse-below-draw",
  source: "common practice; ISO 8820-3 (a blade fuse must hold its rating, 110 % for 100 h)",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      const [fuse] = elementsOf(context.circuit, made.out, "fuse");
      const draw = made.drawA.high;
      if (!fuse || draw <= 0) return [];
      const over = draw > fuse.ratingA;
      const tight =
        context.job.practices.fuseSchool === "eightyPercent" && draw > 0.8 * fuse.ratingA + 1e-9;
      if (!over && !tight) return [];
      return [
        {
          rule: "fuse-below-draw",
          severity: over ? ("stop" as const) : ("note" as const),
          place: placeOfCircuit(run, fuse.id, `${decimal(fuse.ratingA)} A fuse`),
          title: over
            ? `${decimal(fuse.ratingA)} A fuse opens in use`
            : `Fuse loaded to ${decimal((100 * draw) / fuse.ratingA, 0)} %`,
          figures: [
            {
              label: "draw",
              value: `${decimal(draw)} A`,
              limit: over
                ? `under ${decimal(fuse.ratingA)} A`
                : `at most ${decimal(0.8 * fuse.ratingA)} A (80 %)`,
            },
          ],
          why: over
            ? "The fuse is smaller than what flows through it: it opens on the road."
            : "The shop loads fuses to 80 % at most, for warm holders and old fuses.",
          remedies:
            run.fuse.kind === "rating" || run.fuse.kind === "breaker"
              ? [
                  {
                    label: "Let the practice choose the fuse",
                    edits: [pinFuse(run.id, { kind: "auto" })],
                  },
                ]
              : [],
        },
      ];
    }),
};
