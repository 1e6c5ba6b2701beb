import { decimal } from "../../quantity/index.ts";
import { inputWord } from "../../job/index.ts";
import { tapCarries } from "../../synthesis/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";
import { ownFeed } from "../source/ownFeed.ts";

export const relayMissing: Rule = {
  id: "relay-missing",
  source: "common practice",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      const [signal] = made.signals;
      if (made.coil || !signal || run.feed.kind !== "battery") return [];
      // A kit's own control is rated for what it carries; only a factory wire is not.
      if (made.source.kind !== "pin" || made.factoryFused) return [];
      const { pin } = made.source;
      if (tapCarries(context.job, pin, made.drawA.high)) return [];
      const { carries } = pin;
      return [
        {
          rule: "relay-missing",
          severity: "stop" as const,
          place: placeOfCircuit(run, made.out[0] ?? null, carries),
          title: `${decimal(made.drawA.mid)} A taken from the ${inputWord(signal)} wire without a relay`,
          figures: [
            {
              label: "draw",
              value: `${decimal(made.drawA.mid)} A`,
              limit: "a coil only, about 0.2 A",
            },
          ],
          why: "The trigger wire then carries the whole load on a factory fuse. A relay takes the load from the battery and only its coil from that wire.",
          remedies: ownFeed(
            context.job,
            run,
            "auto",
            `Fit a relay: load from the battery, coil from ${inputWord(signal)}`,
          ),
        },
      ];
    }),
};
