import { elementOf, type Circuit, type Element } from "../circuit/index.ts";
import type { Job, RunId } from "../job/index.ts";
import { decimal } from "../quantity/index.ts";

/** One line of what a circuit takes: counted pieces, or metres of wire. */
export interface Material {
  readonly name: string;
  readonly count: number;
  readonly unit: "" | "m";
  readonly detail: string;
}

/** Voltage that common blade fuses are made to break, in V: ISO 8820-3. */
const BLADE_FUSE_V = 32;

/** "7.5 A" before "10 A". One collator for all: making one is dear. */
const byName = new Intl.Collator("en", { numeric: true }).compare;

function materialOf(element: Element): Material[] {
  switch (element.kind) {
    case "wire":
      return element.pigtail
        ? []
        : [
            {
              name: `wire ${element.gaugeId}`,
              count: element.lengthM.high,
              unit: "m",
              detail: element.colour,
            },
          ];
    case "fuse":
      return [
        {
          name: `${element.resets ? "breaker" : "blade fuse"} ${decimal(element.ratingA)} A`,
          count: 1,
          unit: "",
          detail:
            element.systemV > BLADE_FUSE_V
              ? `for ${decimal(element.systemV, 0)} V, with holder`
              : "with holder",
        },
      ];
    case "contact":
      // A way of a hub or board comes with it.
      return element.inBox !== ""
        ? []
        : [{ name: element.part.name, count: 1, unit: "", detail: "with socket" }];
    case "switch":
      return [{ name: element.part.name, count: 1, unit: "", detail: "" }];
    case "load":
      return [{ name: element.part.name, count: 1, unit: "", detail: "" }];
    case "connector":
    case "converter":
    case "battery":
    case "flasher":
      return [{ name: element.part.name, count: 1, unit: "", detail: "" }];
    case "diode":
      return [{ name: "diode 1 A", count: 1, unit: "", detail: "between ways to a coil" }];
    case "coil":
    case "chassis":
    case "tap":
      return [];
  }
}

/** What to lay out before starting: counted parts, and wire at its upper length bound. */
export function materialsOf(job: Job, circuit: Circuit): Material[] {
  const lines = new Map<string, Material>();
  for (const id of circuit.elements.keys()) {
    for (const item of materialOf(elementOf(circuit, id))) {
      const key = `${item.name}|${item.detail}`;
      const before = lines.get(key);
      lines.set(key, before ? { ...before, count: before.count + item.count } : item);
    }
  }
  for (const supply of job.supplies) {
    const part = job.parts.find((p) => p.id === supply.partId);
    if (part?.kind !== "box") continue;
    const before = lines.get(part.name);
    const count = (before?.count ?? 0) + 1;
    lines.set(part.name, { name: part.name, count, unit: "", detail: `${part.ways} ways` });
  }
  for (const { name, needed } of job.kit) {
    const part = job.parts.find((p) => p.kind === "flasher" && p.name === name);
    if (!part || job.supplies.some((s) => s.partId === part.id)) continue;
    lines.set(name, { name, count: needed, unit: "", detail: "in the place of the vehicle’s own" });
  }
  return [...lines.values()].sort((a, b) => a.unit.localeCompare(b.unit) || byName(a.name, b.name));
}

/** One wire of the wire list: what is on its flag, where it goes. */
export interface WireLine {
  readonly runId: RunId;
  readonly label: string;
  readonly gaugeId: string;
  readonly colour: string;
  readonly lengthM: number;
  readonly from: string;
  readonly to: string;
}

/** Every wire that is cut, in the order of its label. */
export function wireListOf(circuit: Circuit): WireLine[] {
  return [...circuit.elements.values()]
    .flatMap((e): WireLine[] =>
      e.kind === "wire" && !e.pigtail
        ? [
            {
              runId: e.runId,
              label: e.label,
              gaugeId: e.gaugeId,
              colour: e.colour,
              lengthM: e.lengthM.value,
              from: e.ends[0],
              to: e.ends[1],
            },
          ]
        : [],
    )
    .sort((a, b) => byName(a.label, b.label));
}
