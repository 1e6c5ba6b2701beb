import equal from "fast-deep-equal";
import {
  wireEnds,
  wiresOf,
  type Circuit,
  type Element,
  type WireElement,
} from "../circuit/index.ts";
import {
  harnessOwner,
  type ElementId,
  type Job,
  type NodeId,
  type CircuitId,
} from "../job/index.ts";
import { thingOf } from "../unit/index.ts";

/** One line of what a circuit takes: counted pieces, or metres of wire. */
export interface Material {
  readonly name: string;
  readonly count: number;
  readonly unit: "" | "m";
  readonly detail: string;
}

/** "7.5 A" before "10 A". One collator for all: making one is dear. */
const byName = new Intl.Collator("en", { numeric: true }).compare;

/** Elements by the unit they are inside of. */
function insidesOf(circuit: Circuit): ReadonlyMap<string, Element[]> {
  const insides = new Map<string, Element[]>();
  for (const element of circuit.elements.values()) {
    const others = insides.get(element.unit);
    if (others) others.push(element);
    else insides.set(element.unit, [element]);
  }
  return insides;
}

/**
 * What to lay out before starting: each unit once, however many lights or contacts are in it,
 * and wire at its upper length bound.
 */
export function materialsOf(job: Job, circuit: Circuit): Material[] {
  const lines = new Map<string, { readonly item: Omit<Material, "count">; count: number }>();
  const put = (item: Omit<Material, "count">, count = 1): void => {
    const key = `${item.name}|${item.detail}`;
    const before = lines.get(key);
    if (before) before.count += count;
    else lines.set(key, { item, count });
  };
  const insides = insidesOf(circuit);
  for (const unit of circuit.units.values()) {
    const within = insides.get(unit.id) ?? [];
    if (!unit.fitted) continue;
    for (const made of thingOf(unit).pieces(unit, within, job)) put({ ...made, unit: "" });
  }
  for (const wire of wiresOf(circuit)) {
    if (wire.harness !== "") continue;
    put({ name: `wire ${wire.gaugeId}`, unit: "m", detail: wire.colour }, wire.lengthM.high);
  }
  for (const harness of job.harnesses) {
    const made = wiresOf(circuit).filter((wire) => wire.harnessId === harness.id).length;
    // One that goes between factory plugs is there as the unit it is.
    const owner = harnessOwner(harness);
    const isUnit = [...circuit.units.values()].some(({ ownerId }) => ownerId === owner);
    if (made > 0 && !isUnit)
      put({ name: harness.name, unit: "", detail: `${made} wires, made up` });
  }
  // A flasher of the job that feeds nothing of it, and that the vehicle now flashes by.
  const { turn } = job.vehicle;
  for (const part of job.parts) {
    if (part.kind !== "flasher" || part.principle !== turn?.principle) continue;
    if (!equal(part.ratePerMin, turn.ratePerMin)) continue;
    if (job.supplies.some((s) => s.partId === part.id)) continue;
    put({ name: part.name, unit: "", detail: "in the place of the vehicle’s own" });
  }
  const byUnit = (a: Material, b: Material): number =>
    a.unit === b.unit ? byName(a.name, b.name) : a.unit < b.unit ? -1 : 1;
  return [...lines.values()].map(({ item, count }) => ({ ...item, count })).sort(byUnit);
}

/** One wire of the wire list: what is on its flag, where it goes. */
export interface WireLine {
  readonly elementId: ElementId;
  readonly runId: CircuitId;
  readonly label: string;
  readonly gaugeId: string;
  readonly colour: string;
  readonly lengthM: number;
  /** Harness that it comes in; "" for one that is cut here. */
  readonly harness: string;
  readonly from: string;
  readonly to: string;
  /** The terminals themselves. */
  readonly fromNode: NodeId;
  readonly toNode: NodeId;
}

/** Every wire that is cut, in the order of its label. */
export const wireListOf = (circuit: Circuit): WireLine[] =>
  linesOf(circuit, (wire) => wire.harness === "");

/** Every wire of the harnesses that come made up, in the same order. */
export const harnessWiresOf = (circuit: Circuit): WireLine[] =>
  linesOf(circuit, (wire) => wire.harnessId !== "");

function linesOf(circuit: Circuit, wanted: (wire: WireElement) => boolean): WireLine[] {
  return wiresOf(circuit)
    .filter(wanted)
    .map((wire): WireLine => {
      const [from, to] = wireEnds(circuit, wire);
      const { id, runId, label, gaugeId, colour } = wire;
      return {
        elementId: id,
        fromNode: wire.from,
        toNode: wire.to,
        runId,
        label,
        gaugeId,
        colour,
        lengthM: wire.lengthM.value,
        harness: wire.harness,
        from,
        to,
      };
    })
    .sort((a, b) => byName(a.label, b.label));
}
