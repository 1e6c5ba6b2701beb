import { itemAt } from "../../present/index.ts";
import {
  lengthsOff,
  routeOf,
  takeLengths,
  type RouteGap,
  type RoutePlan,
} from "../../fit/index.ts";
import { ownerName, type Job } from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";
import type { Found, Rule } from "../finding.ts";

const FIELD_WORDS = {
  feedM: "feed",
  loadM: "to the splice",
  branchM: "to the lamp",
  controlM: "to the switch",
  tapM: "to the tap",
} as const;

/** One finding for everything that nobody has placed, and one for each way that is missing. */
function gapsFound(job: Job, gaps: readonly RouteGap[]): Found[] {
  const unplaced = gaps.filter((gap) => gap.unplaced.length > 0);
  const owners = [...new Set(unplaced.map((gap) => gap.ownerId))];
  const things = [...new Set(unplaced.flatMap((gap) => gap.unplaced))];
  const words = owners.map((id) => ownerName(job, id)).join(", ");
  const guessed: Found[] = unplaced.slice(0, 1).map((gap) => ({
    rule: "route-fits",
    severity: "note",
    place: { runId: gap.ownerId, elementId: null, words },
    title: "Lengths guessed: not placed on the route map",
    figures: [],
    why: `Nobody has said where ${things.join(", ")} ${things.length === 1 ? "sits" : "sit"}: place the lamps of these circuits, or measure the wires. Until then their lengths come from the vehicle's reaches.`,
    remedies: [],
  }));
  const ways = [
    ...new Set(gaps.filter((gap) => gap.unplaced.length === 0).map((gap) => gap.words)),
  ];
  return [
    ...guessed,
    ...ways.map((way): Found => {
      const own = gaps.filter((gap) => gap.words === way);
      const names = [...new Set(own.map((gap) => ownerName(job, gap.ownerId)))].join(", ");
      return {
        rule: "route-fits",
        severity: "note",
        place: { runId: itemAt(own, 0).ownerId, elementId: null, words: names },
        title: "Not to be reached on the route map",
        figures: [],
        why: `Wire ${own.map((gap) => gap.label).join(", ")}: ${way}.`,
        remedies: [],
      };
    }),
  ];
}

/** Stretches with wires in them that nobody has measured: drop and cut list go by a guess. */
function guessedFound(job: Job, { wires, segments }: RoutePlan): Found[] {
  const guessed = segments.filter(({ segment }) => segment.lengthM.provenance === "assumed");
  const [first] = guessed;
  const wire = wires.find(({ way }) => first !== undefined && way.segments.includes(first.segment));
  if (!first || !wire) return [];
  const name = (id: string): string => job.vehicle.places.find((p) => p.id === id)?.name ?? "";
  const ways = guessed.map(({ segment }) => `${name(segment.fromId)} – ${name(segment.toId)}`);
  return [
    {
      rule: "route-fits",
      severity: "note",
      place: { runId: wire.ownerId, elementId: null, words: ownerName(job, wire.ownerId) },
      title: "Lengths guessed: nobody has measured the route map",
      figures: [],
      why: `Measure with a string before a wire is cut: ${ways.join("; ")}.`,
      remedies: [],
    },
  ];
}

/** Wires that find no way over the route map, and told lengths that it gives otherwise. */
export const routeFits: Rule = {
  id: "route-fits",
  source: "common practice",
  check: ({ job, circuit }) => {
    const plan = routeOf(job, circuit);
    const off = lengthsOff(plan);
    const runs = [...new Set(off.map((l) => l.runId))];
    return [
      ...gapsFound(job, plan.gaps),
      ...guessedFound(job, plan),
      ...runs.map((runId): Found => {
        const own = off.filter((l) => l.runId === runId);
        return {
          rule: "route-fits",
          severity: "note",
          place: { runId, elementId: null, words: ownerName(job, runId) },
          title: "Lengths told, the route map has others",
          figures: own.map((l) => ({
            label: FIELD_WORDS[l.field],
            value: `${decimal(l.planned.value, 2)} m told`,
            limit: `${decimal(l.routed.value, 2)} m on the map`,
          })),
          why: "Drop, wire sizes and the cut list go by what was told.",
          remedies: [{ label: "Take the lengths of the map", edits: takeLengths(own) }],
        };
      }),
    ];
  },
};
