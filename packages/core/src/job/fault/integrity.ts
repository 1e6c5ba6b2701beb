import { itemAt } from "../../present/index.ts";
import { photometryFault } from "../../photometry/index.ts";
import type { Part } from "../../part/index.ts";
import { findGauge, parseWireColour } from "../../wire/index.ts";
import { isBoundedValue, type BoundedValue } from "../../quantity/index.ts";
import { ID_PATTERN } from "../ids.ts";
import type { Fault } from "./fault.ts";
import { fitFaults } from "./fitFaults.ts";
import { RUN_DEVIATIONS, type WiringDeviation, type Job, type WIRE_DEVIATIONS } from "../job.ts";
import { OWN_LISTS, OWN_LIST_NAMES } from "../lists.ts";
import { kitFaults } from "./kitFaults.ts";
import { leadFaults, wireFaults } from "./wireFaults.ts";
import { LAMP_LIGHTS, type Lamp, type LightingCircuit } from "../record/wiring.ts";
import { feedFaults, fusePinFaults, supplyFaults, wirePinFaults } from "./supplyFaults.ts";

function factFaults(path: string, fact: BoundedValue): Fault[] {
  const { low, value, high } = fact;
  if (!(low <= value && value <= high)) {
    return [
      {
        path,
        message: `invalid bounds: ${low} … ${value} … ${high} (needs low ≤ value ≤ high)`,
      },
    ];
  }
  return low < 0 ? [{ path, message: `invalid lower bound: ${low} (needs 0 or more)` }] : [];
}

/** Parts of documents that were found right: nothing of a document changes, so they stay it. */
const factsRight = new WeakSet<object>();

/** Whether any fact in the document is out of bounds: a look without words, at what an edit made new. */
function hasFactFault(node: unknown): boolean {
  if (typeof node !== "object" || node === null || factsRight.has(node)) return false;
  if (isBoundedValue(node))
    return !(0 <= node.low && node.low <= node.value && node.value <= node.high);
  for (const key in node) if (hasFactFault((node as Record<string, unknown>)[key])) return true;
  factsRight.add(node);
  return false;
}

/** Every fact in the document, found by shape, so that none can be forgotten. */
function allFactFaults(path: string, node: unknown): Fault[] {
  if (isBoundedValue(node)) return factFaults(path, node);
  if (Array.isArray(node)) return node.flatMap((v, i) => allFactFaults(`${path}[${i}]`, v));
  if (typeof node !== "object" || node === null) return [];
  return Object.entries(node).flatMap(([key, v]) =>
    allFactFaults(path === "" ? key : `${path}.${key}`, v),
  );
}

function idFaults(path: string, entries: readonly { readonly id: string }[]): Fault[] {
  const seen = new Set<string>();
  return entries.flatMap((entry, i): Fault[] => {
    const at = `${path}[${i}].id`;
    if (!ID_PATTERN.test(entry.id)) {
      return [{ path: at, message: `invalid id: "${entry.id}" (letters, digits, - and _)` }];
    }
    if (seen.has(entry.id)) {
      return [{ path: at, message: `"${entry.id}" is there twice (ids must differ)` }];
    }
    seen.add(entry.id);
    return [];
  });
}

const lacks = (path: string, what: string, id: string): Fault => ({
  path,
  message: `no ${what} with id "${id}" in this job`,
});

/** What the shape of a part cannot say. */
export const partFaults = (part: Part, path: string): Fault[] => [
  ...(part.name.trim() === ""
    ? [{ path: `${path}.name`, message: `invalid name: "${part.name}" (needs a word or more)` }]
    : []),
  ...electricalFaults(part, path),
];

function electricalFaults(part: Part, path: string): Fault[] {
  if (part.kind === "kit") return kitFaults(part, path);
  if (part.kind === "connector") return leadFaults(part, path);
  if (part.kind === "load") {
    const { load, photometry } = part;
    const beam = photometry ? photometryFault(photometry) : null;
    return [
      ...(beam ? [{ path: `${path}.photometry.${beam.path}`, message: beam.message }] : []),
      ...(part.pigtail !== "" && !findGauge(part.pigtail)
        ? [{ path: `${path}.pigtail`, message: `invalid wire size: "${part.pigtail}"` }]
        : []),
      ...(load.kind === "drivenLed" && load.minV >= load.maxV
        ? [
            {
              path: `${path}.load.minV`,
              message: `invalid lower limit: ${load.minV} V (needs to be below ${load.maxV} V)`,
            },
          ]
        : []),
    ];
  }
  // A coil without resistance is a short, and its lower bound divides the coil's current.
  return part.kind === "relay" && part.coilOhm.low < 1
    ? [
        {
          path: `${path}.coilOhm`,
          message: `invalid coil: ${part.coilOhm.low} Ω at its lower bound (needs 1 Ω or more)`,
        },
      ]
    : [];
}

/** A lamp's light must be one that its part has. */
function lightFaults(lamp: Lamp, part: Part | undefined, path: string): Fault[] {
  if (part?.kind !== "load" || LAMP_LIGHTS.some((light) => light === lamp.light)) return [];
  const names = part.lights.map((light) => light.name);
  if (names.includes(lamp.light)) return [];
  const valid = [...LAMP_LIGHTS, ...names].join(", ");
  return [{ path, message: `invalid light: "${lamp.light}" (${part.name} has ${valid})` }];
}

/** The module that a circuit goes through must be one that is plugged in. */
function throughFaults(job: Job, run: LightingCircuit, path: string): Fault[] {
  if (run.throughId === "") return [];
  const supply = job.supplies.find((s) => s.id === run.throughId);
  const part = job.parts.find((p) => p.id === supply?.partId);
  return part?.kind === "box" && part.form === "plugIn"
    ? []
    : [lacks(`${path}.throughId`, "plug-in module", run.throughId)];
}

function runFaults(job: Job, run: LightingCircuit, path: string): Fault[] {
  const pins = new Set<string>(job.vehicle.pins.map((p) => p.id));
  const part = (id: string) => job.parts.find((p) => p.id === id);
  const faults: Fault[] = [];
  faults.push(...feedFaults(job, run.feed, `${path}.feed`), ...throughFaults(job, run, path));
  if (run.tapPinId !== null && !pins.has(run.tapPinId)) {
    faults.push(lacks(`${path}.tapPinId`, "wire", run.tapPinId));
  }
  if (run.switchPartId !== null && part(run.switchPartId)?.kind !== "switch") {
    faults.push(lacks(`${path}.switchPartId`, "switch", run.switchPartId));
  }
  if (run.relayPartId !== null && part(run.relayPartId)?.kind !== "relay") {
    faults.push(lacks(`${path}.relayPartId`, "relay", run.relayPartId));
  }
  if (run.connectorPartId !== null && part(run.connectorPartId)?.kind !== "connector") {
    faults.push(lacks(`${path}.connectorPartId`, "plug", run.connectorPartId));
  }
  faults.push(
    ...wirePinFaults(run.wire, `${path}.wire`),
    ...fusePinFaults(run.fuse, `${path}.fuse`),
  );
  return faults;
}

function chargingFaults(job: Job): Fault[] {
  const { system } = job.vehicle;
  if (system.kind !== "engine") return [];
  const path = "vehicle.system.charging.points";
  const { points } = system.charging;
  if (points.length < 2) {
    return [{ path, message: `${points.length} points (the curve needs two or more)` }];
  }
  return points.slice(1).flatMap((point, i): Fault[] => {
    const before = itemAt(points, i);
    return point.rpm > before.rpm
      ? []
      : [
          {
            path: `${path}[${i + 1}].rpm`,
            message: `invalid engine speed: ${point.rpm} (needs to be above ${before.rpm})`,
          },
        ];
  });
}

/** Cells that cannot be parted evenly among the blocks are not those of this pack. */
function packFaults(job: Job): Fault[] {
  const { system } = job.vehicle;
  if (system.kind === "engine") return [];
  const { cells, blocks } = system.pack;
  return cells % blocks === 0
    ? []
    : [
        {
          path: "vehicle.system.pack.blocks",
          message: `invalid blocks: ${blocks} of ${cells} cells (cells must part evenly among the blocks)`,
        },
      ];
}

/** What the shape alone cannot say: references, order, bounds. Empty when all is well. */
export function integrityFaults(job: Job): Fault[] {
  const { vehicle } = job;
  const connectors = new Set<string>(vehicle.connectors.map((c) => c.id));
  const runs = new Set<string>(job.runs.map((r) => r.id));
  const partById = new Map(job.parts.map((p) => [p.id as string, p]));
  return [
    ...(hasFactFault(job) ? allFactFaults("", job) : []),
    ...OWN_LIST_NAMES.flatMap((name) => {
      const { field } = OWN_LISTS[name];
      return idFaults(field, job[field]);
    }),
    ...idFaults("vehicle.baseLoads", vehicle.baseLoads),
    ...vehicle.baseLoads.flatMap(({ at }, i) =>
      at === "" || vehicle.places.some((p) => p.id === at)
        ? []
        : [lacks(`vehicle.baseLoads[${i}].at`, "place", at)],
    ),
    ...idFaults("vehicle.connectors", vehicle.connectors),
    ...idFaults("vehicle.pins", vehicle.pins),
    ...idFaults("vehicle.places", vehicle.places),
    ...idFaults("vehicle.segments", vehicle.segments),
    ...idFaults("vehicle.beams", vehicle.beams),
    ...fitFaults(job),
    ...chargingFaults(job),
    ...packFaults(job),
    ...supplyFaults(job),
    ...vehicle.beams.flatMap(({ photometry }, i): Fault[] => {
      const fault = photometryFault(photometry);
      const path = `vehicle.beams[${i}].photometry`;
      return fault ? [{ path: `${path}.${fault.path}`, message: fault.message }] : [];
    }),
    ...vehicle.pins.flatMap((pin, i): Fault[] => [
      ...(connectors.has(pin.connectorId)
        ? []
        : [lacks(`vehicle.pins[${i}].connectorId`, "connector", pin.connectorId)]),
      ...(pin.colour === "" || parseWireColour(pin.colour)
        ? []
        : [
            {
              path: `vehicle.pins[${i}].colour`,
              message: `invalid colour: "${pin.colour}" (such as brown or brown/white)`,
            },
          ]),
    ]),
    ...job.lamps.flatMap((lamp, i): Fault[] => [
      ...(runs.has(lamp.runId) ? [] : [lacks(`lamps[${i}].runId`, "run", lamp.runId)]),
      ...(partById.get(lamp.partId)?.kind === "load"
        ? []
        : [lacks(`lamps[${i}].partId`, "lamp part", lamp.partId)]),
      ...lightFaults(lamp, partById.get(lamp.partId), `lamps[${i}].light`),
      ...(lamp.replaces === "" || job.vehicle.baseLoads.some((load) => load.id === lamp.replaces)
        ? []
        : [lacks(`lamps[${i}].replaces`, "load of the vehicle", lamp.replaces)]),
    ]),
    ...job.parts.flatMap((part, i) => partFaults(part, `parts[${i}]`)),
    ...idFaults("deviations", job.deviations),
    ...idFaults("harnesses", job.harnesses),
    ...idFaults("wireChoices", job.wireChoices),
    ...job.lots.flatMap(({ partId }, i) =>
      partById.has(partId) ? [] : [lacks(`lots[${i}].partId`, "part", partId)],
    ),
    ...idFaults("vehicle.variants", vehicle.variants),
    ...wireFaults(job),
    ...job.deviations.flatMap((d, i) => deviationFaults(d, `deviations[${i}]`, runs)),
    ...job.runs.flatMap((run, i) => runFaults(job, run, `runs[${i}]`)),
  ];
}

const isBetweenRuns = (d: WiringDeviation): boolean =>
  RUN_DEVIATIONS.some((kind) => kind === d.kind);

function deviationFaults(d: WiringDeviation, path: string, runs: ReadonlySet<string>): Fault[] {
  const faults: Fault[] = [];
  if (!runs.has(d.runId)) faults.push(lacks(`${path}.runId`, "run", d.runId));
  if (isBetweenRuns(d)) {
    if (!runs.has(d.otherRunId)) faults.push(lacks(`${path}.otherRunId`, "run", d.otherRunId));
    if (d.runId === d.otherRunId) {
      const message = `"${d.runId}" is the same circuit (needs another)`;
      faults.push({ path: `${path}.otherRunId`, message });
    }
    return faults;
  }
  const needed: Readonly<
    Record<(typeof WIRE_DEVIATIONS)[number], readonly (keyof WiringDeviation)[]>
  > = {
    endMoved: ["wire", "at"],
    endsSwapped: ["wire", "otherWire"],
    wireMissing: ["wire"],
    thinWire: ["wire", "gaugeId"],
    reversed: ["at", "otherAt"],
    tied: ["at", "otherAt"],
  };
  for (const field of needed[d.kind as (typeof WIRE_DEVIATIONS)[number]]) {
    if (d[field] === "")
      faults.push({ path: `${path}.${field}`, message: `"${d.kind}" has to say it` });
  }
  if (d.gaugeId !== "" && !findGauge(d.gaugeId)) {
    const message = `invalid wire size: "${d.gaugeId}" (such as 18 AWG or 0.75 mm²)`;
    faults.push({ path: `${path}.gaugeId`, message });
  }
  return faults;
}
