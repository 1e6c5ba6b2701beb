import { decimal } from "../../quantity/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";
import { ownFeed } from "../source/ownFeed.ts";

export const loadOnIgnition: Rule = {
  id: "load-on-ignition",
  source: "common practice",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      if (made.source.kind !== "pin" || made.source.pin.family !== "ignition") return [];
      const { pin } = made.source;
      return [
        {
          rule: "load-on-ignition",
          severity: "stop" as const,
          place: placeOfCircuit(run, made.out[0] ?? null, pin.carries),
          title: "Load on the ignition circuit",
          figures: [
            {
              label: "draw",
              value: `${decimal(made.drawA.mid)} A`,
              limit: "a relay's coil only, about 0.2 A",
            },
          ],
          why: "When its fuse blows the machine is dead, perhaps a long way from home. Take the coil from it and the load from the battery.",
          remedies: ownFeed(
            context.job,
            run,
            "yes",
            "Feed it from the battery through a relay with a keyed coil",
          ),
        },
      ];
    }),
};
