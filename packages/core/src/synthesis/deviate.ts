import {
  BATTERY,
  PACK,
  terminalNode,
  type Circuit,
  type Element,
  type RunCircuit,
  type Unit,
  type WireElement,
} from "../circuit/index.ts";
import {
  asId,
  type Deviation,
  type ElementId,
  type Job,
  type NodeId,
  type RunId,
  type UnitId,
} from "../job/index.ts";
import { measured } from "../quantity/index.ts";

/** Where a run's lamps part: the end of the last wire on its way out. */
function spliceOf(elements: ReadonlyMap<ElementId, Element>, run: RunCircuit): NodeId | null {
  const last = run.out[run.out.length - 1];
  return (last && elements.get(last)?.to) ?? null;
}

/** A wire that the plan does not have; not cut from a spool of this job. */
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
    unit: "",
    runId,
    from,
    to,
    role: "load",
    gaugeId,
    lengthM: measured(lengthM),
    colour: "",
    label: "stray",
    harness: "stray, as found",
    group: "",
  };
}

/** Length of the thin wire that two runs share as their return, in m: over the vehicle and back. */
const SHARED_RETURN_M = 8;
const SHARED_RETURN_GAUGE = "22 AWG";

interface Wiring {
  readonly elements: Map<ElementId, Element>;
  readonly units: Map<UnitId, Unit>;
  readonly runs: ReadonlyMap<RunId, RunCircuit>;
}

function swapLamps({ elements }: Wiring, a: NodeId, b: NodeId): void {
  const swapped = new Map([
    [a, b],
    [b, a],
  ]);
  for (const [id, element] of elements) {
    const to = element.kind === "wire" && element.role === "branch" && swapped.get(element.from);
    if (to) elements.set(id, { ...element, from: to });
  }
}

function shareReturn(
  w: Wiring,
  job: Job,
  d: Deviation,
  note: (id: ElementId, runId?: RunId) => void,
): void {
  const unit = asId<UnitId>(`stray_${d.id.replace(/\W/g, "_")}`);
  w.units.set(unit, {
    ...{ id: unit, kind: "splice", name: "shared splice", ownerId: d.runId },
    site: { kind: "atHand" },
    terminals: [{ name: "j", form: "splice", spare: "" }],
    fitted: false,
  });
  const shared = terminalNode(unit, "j");
  for (const runId of [d.runId, d.otherRunId]) {
    const run = w.runs.get(runId)!;
    const first = run.back[0] && w.elements.get(run.back[0]);
    if (!first) continue;
    if (first.kind === "wire") {
      w.elements.set(first.id, { ...first, to: shared });
      continue;
    }
    // Off its bolt on the frame, and tied to the other's instead.
    w.elements.delete(first.id);
    const tie = strayWire(`${d.id}.${runId}`, runId, first.from, shared, "18 AWG", 0.1);
    w.elements.set(tie.id, tie);
    note(tie.id, runId);
  }
  const own = job.vehicle.system.kind === "pack" ? PACK : BATTERY;
  const wire = strayWire(
    `${d.runId}.sharedReturn`,
    d.runId,
    shared,
    terminalNode(own, "neg"),
    SHARED_RETURN_GAUGE,
    SHARED_RETURN_M,
  );
  w.elements.set(wire.id, wire);
  note(wire.id);
}

/** The circuit as it is wired where that differs from the plan: what proof and bench then solve. */
export function deviate(job: Job, circuit: Circuit): Circuit {
  if (job.deviations.length === 0) return circuit;
  const wiring: Wiring = {
    elements: new Map(circuit.elements),
    units: new Map(circuit.units),
    runs: new Map(circuit.runs.map((run) => [run.runId, run])),
  };
  const { elements, units } = wiring;
  const extra = new Map<RunId, ElementId[]>();
  for (const d of job.deviations) {
    const [run, other] = [wiring.runs.get(d.runId), wiring.runs.get(d.otherRunId)];
    const a = run && spliceOf(elements, run);
    const b = other && spliceOf(elements, other);
    if (!a || !b) continue;
    const note = (id: ElementId, runId = d.runId): void =>
      void extra.set(runId, [...(extra.get(runId) ?? []), id]);
    switch (d.kind) {
      case "lampsSwapped":
        swapLamps(wiring, a, b);
        break;
      case "joined": {
        const wire = strayWire(`${d.id}.joined`, d.runId, a, b, "18 AWG", 0.3);
        elements.set(wire.id, wire);
        note(wire.id);
        break;
      }
      case "thinSharedReturn":
        shareReturn(wiring, job, d, note);
        break;
    }
  }
  const runs = circuit.runs.map((run) => {
    const there = (ids: readonly ElementId[]) => ids.filter((id) => elements.has(id));
    return { ...run, back: there(run.back), extra: extra.get(run.runId) ?? [] };
  });
  return { ...circuit, elements, units, runs };
}
