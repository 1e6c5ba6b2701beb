import { itemOf } from "../present/index.ts";
import {
  BATTERY,
  PACK,
  splitNode,
  terminalNode,
  type Circuit,
  type Element,
  type LaidCircuit,
  type Unit,
  type WireElement,
} from "../circuit/index.ts";
import {
  asId,
  type WiringDeviation,
  type ElementId,
  type Job,
  type NodeId,
  type CircuitId,
  type UnitId,
} from "../job/index.ts";
import { measured } from "../quantity/index.ts";
import { SPLICE_TERMINALS } from "../unit/splice/unit.ts";

/** Where a run's lamps part: the end of the last wire on its way out. */
function spliceOf(elements: ReadonlyMap<ElementId, Element>, run: LaidCircuit): NodeId | null {
  const last = run.out[run.out.length - 1];
  return (last && elements.get(last)?.to) ?? null;
}

/** A wire that the plan does not have; not cut from a spool of this job. */
function strayWire(
  id: string,
  runId: CircuitId,
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
    ...{ bridgesM: null, harnessId: "", bundle: 1, riseC: 0 },
  };
}

/** Length of the thin wire that two runs share as their return, in m: over the vehicle and back. */
const SHARED_RETURN_M = 8;
const SHARED_RETURN_GAUGE = "22 AWG";

interface Wiring {
  readonly elements: Map<ElementId, Element>;
  readonly units: Map<UnitId, Unit>;
  readonly runs: ReadonlyMap<CircuitId, LaidCircuit>;
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

/** A joint that nobody planned; where its wires meet. */
function straySplice(w: Wiring, d: WiringDeviation, prefix: string, name: string): NodeId {
  const id = asId<UnitId>(`${prefix}_${d.id.replace(/\W/g, "_")}`);
  const terminals = SPLICE_TERMINALS.map(([terminal, form, spare = ""]) => ({
    ...{ name: terminal, form, spare },
  }));
  const site = { kind: "atHand" } as const;
  w.units.set(id, { id, kind: "splice", name, ownerId: d.runId, site, terminals, fitted: false });
  return terminalNode(id, "j");
}

function shareReturn(
  w: Wiring,
  job: Job,
  d: WiringDeviation,
  otherRunId: CircuitId,
  note: (id: ElementId, runId?: CircuitId) => void,
): void {
  const shared = straySplice(w, d, "stray", "shared splice");
  for (const runId of [d.runId, otherRunId]) {
    const run = itemOf(w.runs, runId);
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

/** A wire of the circuit by the id that a deviation names; undefined where there is none. */
function wireOf({ elements }: Wiring, id: string): WireElement | undefined {
  const element = elements.get(asId<ElementId>(id));
  return element?.kind === "wire" ? element : undefined;
}

const hasTerminal = ({ units }: Wiring, node: string): boolean => {
  const { unit, terminal } = splitNode(asId<NodeId>(node));
  return units.get(unit)?.terminals.some((t) => t.name === terminal) ?? false;
};

type End = WiringDeviation["end"];

function putEnd(w: Wiring, wire: WireElement, end: End, node: NodeId): void {
  w.elements.set(wire.id, end === "from" ? { ...wire, from: node } : { ...wire, to: node });
}

/** An end that hangs in the air: a terminal of nothing. */
const looseEnd = (w: Wiring, d: WiringDeviation): NodeId => straySplice(w, d, "loose", "loose end");

/** Exchanges two terminals with every wire that ends at them: a unit the wrong way round. */
function reverse(w: Wiring, a: NodeId, b: NodeId): void {
  const turned = (node: NodeId): NodeId => (node === a ? b : node === b ? a : node);
  for (const [id, element] of w.elements) {
    if (element.kind !== "wire") continue;
    const [from, to] = [turned(element.from), turned(element.to)];
    if (from !== element.from || to !== element.to) w.elements.set(id, { ...element, from, to });
  }
}

/**
 * What a deviation names that this circuit does not have, in words; "" where it has it all. A
 * circuit that was planned anew may have lost the wire that somebody found wrong.
 */
export function deviationLacks(
  circuit: Pick<Circuit, "units" | "elements">,
  d: WiringDeviation,
): string {
  const wiring: Wiring = {
    elements: new Map(circuit.elements),
    units: new Map(circuit.units),
    runs: new Map(),
  };
  const wire = [d.wire, d.otherWire].find((id) => id !== "" && !wireOf(wiring, id));
  if (wire !== undefined) return `no wire "${wire}"`;
  const at = [d.at, d.otherAt].find((node) => node !== "" && !hasTerminal(wiring, node));
  return at === undefined ? "" : `no terminal "${at}"`;
}

/** Makes a deviation that names wires and terminals; answers the wires that the plan does not have. */
function deviateWires(w: Wiring, d: WiringDeviation): ElementId[] {
  const wire = wireOf(w, d.wire);
  const [at, otherAt] = [asId<NodeId>(d.at), asId<NodeId>(d.otherAt)];
  switch (d.kind) {
    case "endMoved":
      if (wire) putEnd(w, wire, d.end, at);
      return [];
    case "endsSwapped": {
      const other = wireOf(w, d.otherWire);
      if (!wire || !other) return [];
      const [mine, theirs] = [wire[d.end], other[d.otherEnd]];
      putEnd(w, wire, d.end, theirs);
      // Both ends of one wire: the second is looked up as the first has left it.
      putEnd(w, wireOf(w, d.otherWire) ?? other, d.otherEnd, mine);
      return [];
    }
    case "wireMissing":
      if (wire) putEnd(w, wire, "to", looseEnd(w, d));
      return [];
    case "thinWire":
      if (wire) w.elements.set(wire.id, { ...wire, gaugeId: d.gaugeId });
      return [];
    case "reversed":
      reverse(w, at, otherAt);
      return [];
    case "tied": {
      const tie = strayWire(`${d.id}.tie`, d.runId, at, otherAt, "18 AWG", 0.3);
      w.elements.set(tie.id, tie);
      return [tie.id];
    }
    default:
      return [];
  }
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
  const extra = new Map<CircuitId, ElementId[]>();
  for (const d of job.deviations) {
    const note = (id: ElementId, runId = d.runId): void =>
      void extra.set(runId, [...(extra.get(runId) ?? []), id]);
    if (d.otherRunId === "") {
      if (deviationLacks(wiring, d) === "") for (const id of deviateWires(wiring, d)) note(id);
      continue;
    }
    const [run, other] = [wiring.runs.get(d.runId), wiring.runs.get(d.otherRunId)];
    const a = run && spliceOf(elements, run);
    const b = other && spliceOf(elements, other);
    if (!a || !b) continue;
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
        shareReturn(wiring, job, d, d.otherRunId, note);
        break;
      default:
        break;
    }
  }
  const runs = circuit.runs.map((run) => {
    const there = (ids: readonly ElementId[]) => ids.filter((id) => elements.has(id));
    return { ...run, back: there(run.back), extra: extra.get(run.runId) ?? [] };
  });
  return { ...circuit, elements, units, runs };
}
