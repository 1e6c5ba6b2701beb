import { decimal, readsAbove, span } from "../../quantity/index.ts";
import {
  setCircuit,
  type Condition,
  type Edit,
  type Job,
  type CircuitId,
} from "../../job/index.ts";
import { tapsFor } from "../../synthesis/index.ts";
import type { Found, Remedy, Rule } from "../finding.ts";

/** Days a machine should stand and still start: two weeks without use, common practice. */
const WANTED_DAYS = 14;

function keyed(condition: Condition): Condition {
  return {
    anyOf: condition.anyOf.map((group) =>
      group.some((t) => t.input === "key") ? group : [...group, { input: "key", negated: false }],
    ),
  };
}

function keyRemedy(job: Job, runIds: readonly CircuitId[]): Remedy[] {
  if (runIds.length === 0 || tapsFor(job, "key").length === 0) return [];
  const edits = job.runs
    .filter((run) => runIds.includes(run.id))
    .flatMap((run): Edit[] => [
      setCircuit(run.id, "condition", keyed(run.condition)),
      setCircuit(run.id, "relay", "auto"),
    ]);
  return [{ label: "Make it live only with the key on", edits }];
}

export const parkedDraw: Rule = {
  id: "parked-draw",
  source: "common practice; Peukert's law, rate exponent 1 below the rated current",
  check: ({ job, budget }) => {
    const parked = budget.parked;
    if (!parked?.days || parked.days.low >= WANTED_DAYS) return [];
    const added = parked.items.flatMap((item) => item.runId ?? []);
    const biggest = [...parked.items].sort((a, b) => b.currentA.mid - a.currentA.mid)[0];
    // Surely too short, or perhaps: then it is the most that may draw, from the least that may be left.
    const short = parked.days.mid < WANTED_DAYS;
    const [amps, days] = short
      ? [parked.currentA.mid, parked.days.mid]
      : [parked.currentA.high, parked.days.low];
    // Days go as one over the current at these small ones.
    const [drawnMa, allowedMa] = [amps * 1000, (amps * days * 1000) / WANTED_DAYS];
    if (!readsAbove(drawnMa, allowedMa, 0)) return [];
    const finding: Found = {
      rule: "parked-draw",
      severity: short ? "fix" : "note",
      place: {
        runId: added[0] ?? null,
        elementId: null,
        words: `Parked: ${biggest?.what ?? "standby"}`,
      },
      title: `Parked draw: ${short ? "will" : "may"} not start after ${span(parked.days, parked.days.mid < 10 ? 1 : 0)} days`,
      figures: [
        {
          label: "parked draw",
          value: `${decimal(drawnMa, 0)} mA`,
          limit: `at most ${decimal(allowedMa, 0)} mA, to stand ${WANTED_DAYS} days`,
        },
      ],
      why: "A tell-tale or a unit left live takes its current day and night. A small battery is flat in days.",
      remedies: keyRemedy(job, added),
    };
    return [finding];
  },
};
