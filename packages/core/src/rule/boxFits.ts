import { decimal } from "../quantity/index.ts";
import { ownerOf } from "../synthesis/index.ts";
import type { Found, Rule } from "./finding.ts";

/** A box has so many ways, each for so many amps, and a stud for so many in all. */
export const boxFits: Rule = {
  id: "box-fits",
  source: "common practice",
  check: ({ job, circuit }) =>
    job.supplies.flatMap((supply): Found[] => {
      const part = job.parts.find((p) => p.id === supply.partId);
      if (part?.kind !== "box") return [];
      const on = circuit.runs.filter(
        (run) => run.source.kind === "supply" && run.source.supplyId === supply.id,
      );
      const totalA = circuit.trunks.find((t) => t.ownerId === ownerOf(supply.id))?.drawA.mid ?? 0;
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
          "More runs than ways",
          "runs",
          String(on.length),
          `at most ${part.ways}`,
          "Two runs on one way cannot be told apart, and share its fuse.",
        );
      }
      for (const run of on.filter((r) => r.drawA.mid > part.wayA)) {
        const name = job.runs.find((r) => r.id === run.runId)?.name ?? run.runId;
        stop(
          `${name} is more than one way carries`,
          "draw",
          `${decimal(run.drawA.mid)} A`,
          `at most ${decimal(part.wayA)} A`,
          "The way's contact or transistor heats, and opens for good.",
        );
      }
      for (const [way, run] of on.entries()) {
        const tripA = part.behaviours[way]?.tripA ?? 0;
        if (tripA <= 0 || run.drawA.mid <= tripA) continue;
        const name = job.runs.find((r) => r.id === run.runId)?.name ?? run.runId;
        stop(
          `The module lets go of ${name}`,
          "draw",
          `${decimal(run.drawA.mid)} A`,
          `lets go above ${decimal(tripA)} A`,
          "It tries again as often as it is set to and then stays dark. Set it higher, or put less on this way.",
        );
      }
      if (totalA > part.totalA) {
        stop(
          "More than the box carries in all",
          "draw",
          `${decimal(totalA)} A`,
          `at most ${decimal(part.totalA)} A`,
          "Its stud and bar are made for so much together, whatever each way may carry.",
        );
      }
      return made;
    }),
};
