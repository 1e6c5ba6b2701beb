import equal from "fast-deep-equal";
import {
  wireEnds,
  wiresOf,
  type Circuit,
  type Element,
  type Unit,
  type WireElement,
} from "../circuit/index.ts";
import type { ElementId, Job, NodeId, RunId } from "../job/index.ts";
import { BLADE_V } from "../part/index.ts";
import { fuseFormFor } from "../protection/index.ts";
import { decimal } from "../quantity/index.ts";

/** One line of what a circuit takes: counted pieces, or metres of wire. */
export interface Material {
  readonly name: string;
  readonly count: number;
  readonly unit: "" | "m";
  readonly detail: string;
}

/** "7.5 A" before "10 A". One collator for all: making one is dear. */
const byName = new Intl.Collator("en", { numeric: true }).compare;

/** What lies in hand for one unit: its part, with what it is fitted in. */
function materialOf(unit: Unit, insides: readonly Element[]): Omit<Material, "count"> | null {
  const first = insides[0];
  const named = (name: string, detail = "") => ({ name, unit: "" as const, detail });
  switch (unit.kind) {
    case "fuse": {
      if (first?.kind !== "fuse") return null;
      const form = fuseFormFor(first.systemV);
      const what = first.resets ? "breaker" : form.name;
      const high = form.breaksV > BLADE_V;
      return named(
        `${what} ${decimal(first.ratingA)} A`,
        high ? `breaks ${form.breaksV} V direct, with its holder` : "with holder",
      );
    }
    case "relay": {
      const contact = insides.find((e) => e.kind === "contact");
      return contact?.kind === "contact" ? named(contact.part.name, "with socket") : null;
    }
    case "switch":
    case "control": {
      const made = insides.find((e) => e.kind === "switch");
      return named(made?.kind === "switch" ? made.part.name : unit.name);
    }
    case "lamp": {
      const host = insides.find((e) => e.kind === "load");
      return host?.kind === "load" ? named(host.part.name) : null;
    }
    case "plug":
      return first?.kind === "connector" ? named(first.part.name) : null;
    case "converter":
    case "battery":
    case "flasher": {
      const made = insides.find(
        (e) => e.kind === "converter" || e.kind === "battery" || e.kind === "flasher",
      );
      return made && "part" in made ? named(made.part.name) : null;
    }
    case "diode":
      return named("diode 1 A", "between ways to a coil");
    // A box is told with the fuses in it; the rest is the vehicle's, or a joint of wires.
    case "box":
    case "groundBlock":
    case "pack":
    case "chassis":
    case "factory":
    case "splice":
      return null;
  }
}

/** Fuses that sit in a box and not in a holder of their own. */
function boxFuses(insides: readonly Element[]): Omit<Material, "count">[] {
  return insides.flatMap((e) =>
    e.kind === "fuse" && !e.builtIn
      ? [
          {
            name: `${fuseFormFor(e.systemV).name} ${decimal(e.ratingA)} A`,
            ...{ unit: "" as const, detail: "in its box" },
          },
        ]
      : [],
  );
}

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
  const lines = new Map<string, Material>();
  const put = (item: Omit<Material, "count">, count = 1): void => {
    const key = `${item.name}|${item.detail}`;
    const before = lines.get(key);
    lines.set(key, { ...item, count: (before?.count ?? 0) + count });
  };
  const insides = insidesOf(circuit);
  for (const unit of circuit.units.values()) {
    const within = insides.get(unit.id) ?? [];
    if (unit.kind === "box") {
      const supply = job.supplies.find((s) => (s.id as string) === unit.ownerId);
      const part = job.parts.find((p) => p.id === supply?.partId);
      const ways = part?.kind === "box" ? `${part.ways} channels` : "";
      put({ name: part?.name ?? unit.name, unit: "", detail: ways });
      for (const fuse of boxFuses(within)) put(fuse);
      continue;
    }
    const item = unit.fitted ? materialOf(unit, within) : null;
    if (item) put(item);
  }
  for (const wire of wiresOf(circuit)) {
    if (wire.harness !== "") continue;
    put({ name: `wire ${wire.gaugeId}`, unit: "m", detail: wire.colour }, wire.lengthM.high);
  }
  for (const harness of job.harnesses) {
    const made = wiresOf(circuit).filter((wire) => wire.harnessId === harness.id).length;
    if (made > 0) put({ name: harness.name, unit: "", detail: `${made} wires, made up` });
  }
  // A flasher of the job that feeds nothing of it, and that the vehicle now flashes by.
  const { turn } = job.vehicle;
  for (const part of job.parts) {
    if (part.kind !== "flasher" || part.principle !== turn?.principle) continue;
    if (!equal(part.ratePerMin, turn.ratePerMin)) continue;
    if (job.supplies.some((s) => s.partId === part.id)) continue;
    put({ name: part.name, unit: "", detail: "in the place of the vehicle’s own" });
  }
  return [...lines.values()].sort((a, b) => a.unit.localeCompare(b.unit) || byName(a.name, b.name));
}

/** One wire of the wire list: what is on its flag, where it goes. */
export interface WireLine {
  readonly elementId: ElementId;
  readonly runId: RunId;
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
