import { channelOf, channelSupply, programOf } from "../../job/index.ts";
import { wayRatingA } from "../../part/index.ts";
import { decimal } from "../../quantity/index.ts";
import { ownerOf } from "../../synthesis/index.ts";
import type { Found, Rule } from "../finding.ts";

/** A box has so many ways, each for so many amps, and a stud for so many in all. */
export const boxFits: Rule = {
  id: "box-fits",
  source: "common practice",
  check: ({ job, circuit }) =>
    job.supplies.flatMap((supply): Found[] => {
      const part = job.parts.find((p) => p.id === supply.partId);
      if (part?.kind !== "box") return [];
      const on = circuit.runs.flatMap((run) => {
        const said = job.runs.find((r) => r.id === run.runId);
        return said && channelSupply(said) === supply.id
          ? [{ run, said, channel: channelOf(job, said) }]
          : [];
      });
      const totalA = circuit.feeders.find((t) => t.ownerId === ownerOf(supply.id))?.drawA.mid ?? 0;
      const place = { runId: ownerOf(supply.id), elementId: null, words: supply.name };
      const made: Found[] = [];
      const stop = (title: string, label: string, value: string, limit: string, why: string) =>
        made.push({
          rule: "box-fits",
          severity: "stop",
          place,
          title,
          figures: [{ label, value, limit }],
          why,
          remedies: [],
        });
      if (on.length > part.ways) {
        stop(
          "More circuits than channels",
          "circuits",
          String(on.length),
          `at most ${part.ways}`,
          "Two circuits on one channel cannot be told apart, and share its fuse.",
        );
      }
      for (const { run, said, channel } of on) {
        const mostA = wayRatingA(part, channel);
        if (run.drawA.mid > mostA) {
          stop(
            `${said.name} is more than channel ${channel} carries`,
            "draw",
            `${decimal(run.drawA.mid)} A`,
            `at most ${decimal(mostA)} A`,
            "The channel's contact or transistor heats, and opens for good. A channel with a higher rating may be free.",
          );
        }
        const tripA = programOf(job, said)?.tripA ?? 0;
        if (tripA > 0 && run.drawA.mid > tripA) {
          stop(
            `The module trips on ${said.name}`,
            "draw",
            `${decimal(run.drawA.mid)} A`,
            `trips at ${decimal(tripA)} A`,
            "It tries again as often as it is set to and then stays dark. Set it higher, or put less on this channel.",
          );
        }
        if (said.channel > 0 && said.channel !== channel) {
          stop(
            `${said.name} asks for a channel that another has`,
            "channel",
            String(said.channel),
            `planned on ${channel}`,
            "One of the two has to go elsewhere: say which.",
          );
        }
      }
      if (part.mainBreakerA > 0 && totalA > part.mainBreakerA) {
        stop(
          "More than the main breaker holds",
          "draw",
          `${decimal(totalA)} A`,
          `at most ${decimal(part.mainBreakerA)} A`,
          "With everything on it opens, and every lamp behind it goes dark until it has cooled.",
        );
      }
      if (totalA > part.totalA) {
        stop(
          "More than the box carries in all",
          "draw",
          `${decimal(totalA)} A`,
          `at most ${decimal(part.totalA)} A`,
          "Its stud and bar are made for so much together, whatever each channel may carry.",
        );
      }
      return made;
    }),
};
