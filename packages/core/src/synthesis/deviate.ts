import type { Circuit, Element, RunCircuit, WireElement } from "../circuit/index.ts";
import {
  asId,
  type Deviation,
  type ElementId,
  type Job,
  type NodeId,
  type RunId,
} from "../job/index.ts";
import { measured } from "../quantity/index.ts";
import { GROUND } from "./runBuilder.ts";

const splice = (run: RunId): NodeId => asId<NodeId>(`${run}.splice`);

/** A wire that the plan does not have. */
function strayWire(
  id: string,
  runId: RunId,
  from: NodeId,
  to: NodeId,
  gaugeId: string,
  lengthM: number,
): WireElement {
  return {
    kind: "wire",
    id: asId<ElementId>(id),
    runId,
    from,
    to,
    role: "load",
    gaugeId,
    lengthM: measured(lengthM),
    colour: "",
    label: "stray",
    ends: ["other run", "this run"],
    // Not cut from a spool of this job.
    pigtail: true,
  };
}

/** Length of the thin wire that two runs share as their return, in m: over the vehicle and back. */
const SHARED_RETURN_M = 8;
const SHARED_RETURN_GAUGE = "22 AWG";

function swapLamps(elements: Map<ElementId, Element>, d: Deviation): void {
  const swapped = new Map([
    [splice(d.runId), splice(d.otherRunId)],
    [splice(d.otherRunId), splice(d.runId)],
  ]);
  for (const [id, element] of elements) {
    const to = element.kind === "wire" && element.role === "branch" && swapped.get(element.from);
    if (to) elements.set(id, { ...element, from: to });
  }
}

function shareReturn(
  elements: Map<ElementId, Element>,
  runs: readonly RunCircuit[],
  d: Deviation,
): ElementId {
  const shared = asId<NodeId>(`${d.runId}.shared`);
  for (const run of runs) {
    if (run.runId !== d.runId && run.runId !== d.otherRunId) continue;
    const last = elements.get(run.back[run.back.length - 1]!);
    if (last) elements.set(last.id, { ...last, to: shared });
  }
  const wire = strayWire(
    `${d.runId}.sharedReturn`,
    d.runId,
    shared,
    GROUND,
    SHARED_RETURN_GAUGE,
    SHARED_RETURN_M,
  );
  elements.set(wire.id, wire);
  return wire.id;
}

/** The circuit as it is wired where that differs from the plan: what proof and bench then solve. */
export function deviate(job: Job, circuit: Circuit): Circuit {
  if (job.deviations.length === 0) return circuit;
  const elements = new Map(circuit.elements);
  const extra = new Map<RunId, ElementId[]>();
  for (const d of job.deviations) {
    const both = [d.runId, d.otherRunId].every((id) => circuit.runs.some((r) => r.runId === id));
    if (!both) continue;
    const note = (id: ElementId): void =>
      void extra.set(d.runId, [...(extra.get(d.runId) ?? []), id]);
    switch (d.kind) {
      case "lampsSwapped":
        swapLamps(elements, d);
        break;
      case "joined": {
        const wire = strayWire(
          `${d.id}.joined`,
          d.runId,
          splice(d.runId),
          splice(d.otherRunId),
          "18 AWG",
          0.3,
        );
        elements.set(wire.id, wire);
        note(wire.id);
        break;
      }
      case "thinSharedReturn":
        note(shareReturn(elements, circuit.runs, d));
        break;
    }
  }
  const runs = circuit.runs.map((run) => ({ ...run, extra: extra.get(run.runId) ?? [] }));
  return { ...circuit, elements, runs };
}
