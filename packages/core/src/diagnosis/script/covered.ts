import type { Circuit } from "../../circuit/index.ts";
import { estimatedMin, stripOrder } from "../../fit/index.ts";
import type { Job, NodeId, PlaceId, StepId, TeardownStep } from "../../job/index.ts";
import { unitSitesOf } from "../../way/index.ts";

/** What it waits for of a place: panels that are on, and the minutes of taking them off. */
export interface InTheWay {
  readonly minutes: number;
  readonly panels: readonly string[];
}

const NOTHING: InTheWay = { minutes: 0, panels: [] };

/** All that has to come off for some steps, each once, in order; what is off already is left out. */
function toTakeOff(job: Job, steps: readonly TeardownStep[]): TeardownStep[] {
  const wanted = new Set<StepId>();
  const want = (step: TeardownStep): void => {
    if (wanted.has(step.id)) return;
    wanted.add(step.id);
    for (const id of step.after) {
      const before = job.strip.find((s) => s.id === id);
      if (before) want(before);
    }
  };
  steps.forEach(want);
  return stripOrder(job.strip).filter((step) => wanted.has(step.id) && step.state !== "off");
}

/**
 * What has to come off before a tip reaches a terminal: by the place of its unit, and what the
 * ledger says covers it. The minutes are those it took, else its estimate, halved: off alone.
 */
export function inTheWay(job: Job, circuit: Circuit): (node: NodeId) => InTheWay {
  if (!job.strip.some((step) => step.covers.length > 0)) return () => NOTHING;
  const sites = unitSitesOf(circuit.units, job);
  const known = new Map<PlaceId, InTheWay>();
  const at = (place: PlaceId): InTheWay => {
    const before = known.get(place);
    if (before) return before;
    const steps = toTakeOff(
      job,
      job.strip.filter((step) => step.covers.includes(place)),
    );
    const minutes = steps.reduce((sum, s) => sum + (s.tookMin || estimatedMin(s)) / 2, 0);
    const made = { minutes, panels: steps.map(({ name }) => name) };
    known.set(place, made);
    return made;
  };
  return (node) => {
    const place = sites.of(node);
    return place === null || place === "other" ? NOTHING : at(place);
  };
}
