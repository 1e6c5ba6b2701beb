import { decimal, measured } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { pinFuse, setCircuit } from "../../job/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";

/** Farthest a fuse may sit from the battery, in m. */
const FARTHEST_M = 0.2;

export const fuseFarFromBattery: Rule = {
  id: "fuse-far-from-battery",
  source: "common practice: a fuse within 200 mm of the battery",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      const [fuse] = elementsOf(context.circuit, made.out, "fuse");
      const { feed } = run;
      // One fuse may be for several circuits: that of the supply they are fed from.
      const feeder =
        feed.kind === "supply"
          ? context.circuit.feeders.find((t) => t.ownerId === (feed.supplyId as string))
          : undefined;
      const before = elementsOf(
        context.circuit,
        [...made.feedShared, ...(feeder?.path ?? [])],
        "fuse",
      );
      if (!fuse && before.length > 0) return [];
      // In the factory's plug a lamp has the factory's fuse, as the one before it had.
      if (!fuse && made.factoryFused) return [];
      if (!fuse) {
        return [
          {
            rule: "fuse-far-from-battery",
            severity: "stop" as const,
            place: placeOfCircuit(run, made.out[0] ?? null, "feed"),
            title: "No fuse",
            figures: [{ label: "fuse", value: "none", limit: "one within 200 mm of the source" }],
            why: "A chafed feed without a fuse is a fire: a battery gives hundreds of amps.",
            remedies: [
              {
                label: "Fit the fuse that the practice gives",
                edits: [pinFuse(run.id, { kind: "auto" })],
              },
            ],
          },
        ];
      }
      if (made.source.kind !== "battery" || fuse.fromSourceM.value <= FARTHEST_M) return [];
      return [
        {
          rule: "fuse-far-from-battery",
          severity: "stop" as const,
          place: placeOfCircuit(run, fuse.id, "feed before the fuse"),
          title: "Fuse too far from the battery",
          figures: [
            {
              label: "unfused wire",
              value: `${decimal(fuse.fromSourceM.value * 1000, 0)} mm`,
              limit: "at most 200 mm",
            },
          ],
          why: "Nothing protects the wire between the battery and the fuse.",
          remedies: [
            {
              label: "Move the fuse to 150 mm",
              edits: [setCircuit(run.id, "fuseAtM", measured(0.15, 0.1, 0.2))],
            },
          ],
        },
      ];
    }),
};
