import {
  asId,
  type Edit,
  type FastenerId,
  type Job,
  type PlaceId,
  type StepId,
} from "../../job/index.ts";
import type { SaidStep } from "./readStep.ts";

/** The edits that a sentence of taking apart makes, or why it was not understood. */
export type AddStep =
  | { readonly ok: true; readonly edits: readonly Edit[] }
  | { readonly ok: false; readonly message: string };

const plain = (name: string): string => name.trim().toLowerCase();

/** Spots side by side along the panel until somebody moves them to where they were. */
const spotsFor = (count: number, row: number) =>
  Array.from({ length: count }, (_, i) => ({
    x: Number(((i + 1) / (count + 1)).toFixed(3)),
    y: Math.min(0.9, 0.2 + 0.25 * row),
  }));

/** Edits that put a dictated step into the ledger; a step that it names must be there. */
export function addStep(job: Job, said: SaidStep, mint: (prefix: string) => string): AddStep {
  const after: StepId[] = [];
  for (const name of said.after) {
    const step = job.strip.find((s) => plain(s.name) === plain(name));
    if (!step) {
      const there = job.strip.map((s) => s.name).join(", ") || "none yet";
      return { ok: false, message: `after “${name}”: no such step (there are: ${there})` };
    }
    after.push(step.id);
  }
  const covers: PlaceId[] = [];
  for (const name of said.covers) {
    const places = job.vehicle.places.filter(
      (p) => plain(p.id) === plain(name) || plain(p.name).startsWith(plain(name)),
    );
    if (places.length === 0) {
      const there = job.vehicle.places.map((p) => p.name).join("; ") || "none yet";
      return { ok: false, message: `covers “${name}”: no such place (there are: ${there})` };
    }
    covers.push(...places.map((p) => p.id));
  }
  if (job.strip.some((s) => plain(s.name) === plain(said.name))) {
    return { ok: false, message: `“${said.name}” is in the ledger already` };
  }
  const stepId = asId<StepId>(mint("step"));
  const { name, forget, hold, paint, estimateMin } = said;
  // What nobody understood is minded with what catches.
  const catches = [said.catches, ...said.notes].filter((words) => words !== "").join("; ");
  return {
    ok: true,
    edits: [
      {
        kind: "add",
        entity: "stripStep",
        at: job.strip.length,
        value: {
          id: stepId,
          ...{ name, after, covers, catches, hold, paint, forget, estimateMin },
          tookMin: 0,
          state: "on",
        },
      },
      ...said.fasteners.map((fastener, i): Edit => ({
        kind: "add",
        entity: "fastener",
        at: job.fasteners.length + i,
        value: {
          id: asId<FastenerId>(mint("fastener")),
          stepId,
          ...fastener,
          spots: spotsFor(fastener.count, i),
          back: 0,
        },
      })),
      ...said.plugs.map((plug, i): Edit => ({
        kind: "add",
        entity: "plug",
        at: job.plugs.length + i,
        value: { id: mint("plug"), stepId, ...plug, parted: false, joined: false },
      })),
    ],
  };
}
