import { lengthsOff, routeOf, takeLengths } from "../fit/index.ts";
import { ownerName, type RunId } from "../job/index.ts";
import { decimal } from "../quantity/index.ts";
import type { Found, Rule } from "./finding.ts";

const FIELD_WORDS = {
  feedM: "feed",
  loadM: "to the splice",
  branchM: "to the lamp",
  controlM: "to the switch",
  tapM: "to the tap",
} as const;

/** Lengths that the route map gives otherwise than planned, and wires that find no way. */
export const routeFits: Rule = {
  id: "route-fits",
  source: "common practice",
  check: ({ job, circuit }) => {
    const plan = routeOf(job, circuit);
    const off = lengthsOff(plan);
    const runs = [...new Set(off.map((l) => l.runId))];
    const noWay = new Map<RunId, string[]>();
    for (const gap of plan.gaps) {
      noWay.set(gap.ownerId, [...(noWay.get(gap.ownerId) ?? []), `${gap.label}: ${gap.words}`]);
    }
    return [
      ...[...noWay].map(([ownerId, words]): Found => ({
        rule: "route-fits",
        severity: "note",
        place: { runId: ownerId, elementId: null, words: ownerName(job, ownerId) },
        title: `${words.length === 1 ? "A wire finds" : `${words.length} wires find`} no way over the route map`,
        figures: [],
        why: [...new Set(words)].slice(0, 3).join(". "),
        remedies: [],
      })),
      ...runs.map((runId): Found => {
        const own = off.filter((l) => l.runId === runId);
        return {
          rule: "route-fits",
          severity: "note",
          place: { runId, elementId: null, words: ownerName(job, runId) },
          title: "Lengths guessed, the route map has others",
          figures: own.map((l) => ({
            label: FIELD_WORDS[l.field],
            value: `${decimal(l.planned.value, 2)} m planned`,
            limit: `${decimal(l.routed.value, 2)} m on the map`,
          })),
          why: "Drop, wire sizes and the cut list go by these lengths.",
          remedies: [{ label: "Take the lengths of the map", edits: takeLengths(own) }],
        };
      }),
    ];
  },
};
