import { decimal, lengthText, type Interval, type UnitSystem } from "../quantity/index.ts";
import {
  controlPath,
  elementOf,
  powerPath,
  rootV,
  type Circuit,
  type Element,
  type RunCircuit,
  type TrunkCircuit,
} from "../circuit/index.ts";
import type { ChoiceKind } from "../circuit/index.ts";
import {
  conditionText,
  ownerName,
  type ElementId,
  type Job,
  type Lamp,
  type LampId,
  type RunId,
} from "../job/index.ts";
import { workLevel, type LightColour } from "../part/index.ts";
import { dropShare, type OperatingPoint } from "../solve/index.ts";

/** One thing on a strip, with what the operating point says of it. */
export interface StripPart {
  readonly elementId: ElementId;
  readonly kind: Element["kind"];
  /** "10 A fuse", "16 AWG red". */
  readonly name: string;
  /** Length, label, ends, whatever the hand needs. */
  readonly detail: string;
  /** Insulation colour of a wire by name; "" for anything else. */
  readonly colour: string;
  readonly fromV: number;
  readonly toV: number;
  readonly currentA: number;
  /** Which decision made it, so that a part opens its reason; null for what is given. */
  readonly choice: ChoiceKind | null;
}

export interface StripLamp {
  readonly lampId: LampId;
  readonly elementId: ElementId;
  readonly label: string;
  readonly light: LightColour;
  readonly family: string;
  readonly volts: number;
  readonly currentA: number;
  /** How fully it works, 0 to about 1. */
  readonly level: number;
  readonly place: Lamp["place"];
  readonly leads: readonly StripPart[];
}

/** One run laid left to right as the electricity goes. */
export interface Strip {
  readonly runId: RunId;
  readonly name: string;
  readonly when: string;
  readonly drawA: Interval;
  readonly totalA: number;
  readonly sourceV: number;
  /** Steps of a series string; 1 where lamps are side by side. */
  readonly steps: number;
  readonly out: readonly StripPart[];
  readonly lamps: readonly StripLamp[];
  readonly back: readonly StripPart[];
  readonly control: readonly { readonly label: string; readonly parts: readonly StripPart[] }[];
  readonly coilSwitching: "positive" | "negative" | null;
  readonly lowestV: number;
  readonly dropShare: number;
}

/** What several runs share before they part, as a strip of its own. */
export interface TrunkStrip {
  readonly ownerId: RunId;
  readonly kind: TrunkCircuit["kind"];
  readonly name: string;
  /** What it gives, in V and A. */
  readonly givesV: number;
  readonly currentA: number;
  readonly drawA: Interval;
  readonly parts: readonly StripPart[];
  readonly gate: readonly StripPart[];
  readonly runs: readonly string[];
}

const CHOICE_OF: Readonly<Record<Element["kind"], ChoiceKind | null>> = {
  wire: "wire",
  chassis: null,
  fuse: "fuse",
  switch: "switch",
  contact: "relay",
  coil: "coil",
  diode: null,
  load: null,
  connector: "plug",
  converter: null,
  battery: null,
  flasher: null,
  tap: "tap",
};

function nameOf(element: Element): string {
  switch (element.kind) {
    case "wire":
      return element.gaugeId;
    case "chassis":
      return "chassis";
    case "fuse":
      return `${decimal(element.ratingA)} A ${element.resets ? "breaker" : "fuse"}`;
    case "switch":
    case "contact":
      return element.part.name;
    case "coil":
      return "coil 85/86";
    case "connector":
    case "converter":
    case "battery":
    case "flasher":
      return element.part.name;
    case "diode":
      return "diode";
    case "load":
      return element.label;
    case "tap":
      return element.pin.carries;
  }
}

function detailOf(element: Element, units: UnitSystem): string {
  switch (element.kind) {
    case "wire": {
      const length = lengthText(element.lengthM.value, units);
      return element.pigtail ? `pigtail, ${length}` : `${element.colour}, ${length}`;
    }
    case "chassis":
      return "frame";
    case "fuse":
      return `${lengthText(element.fromSourceM.value, units)} from source`;
    case "switch":
      return `rated ${decimal(element.part.contactA)} A`;
    case "contact":
      return `30 → ${element.normallyClosed ? "87a" : "87"}, rated ${decimal(element.part.contactA)} A`;
    case "coil":
      return `${element.plusTerminal} positive`;
    case "connector":
      return `rated ${decimal(element.part.ratingA)} A`;
    case "converter":
      return `${decimal(element.part.inMinV, 0)}–${decimal(element.part.inMaxV, 0)} V to ${decimal(element.part.outV.value)} V`;
    case "battery":
      return `${decimal(element.part.capacityAh.value, 0)} Ah`;
    case "flasher":
      return `${decimal(element.part.ratePerMin.value, 0)} a minute`;
    case "diode":
      return "band to the coil";
    case "load":
      return element.part.name;
    case "tap":
      return [element.pin.colour, element.pin.certainty].filter((t) => t !== "").join(", ");
  }
}

function partsOf(
  circuit: Circuit,
  ids: readonly ElementId[],
  point: OperatingPoint,
  units: UnitSystem,
): StripPart[] {
  return ids.map((id): StripPart => {
    const element = elementOf(circuit, id);
    const at = point.at.get(id);
    const coilPart = /\.(tap|coil)/.test(id);
    const choice = element.kind === "tap" && !coilPart ? "feed" : CHOICE_OF[element.kind];
    const fixed =
      (element.kind === "wire" && (element.pigtail || coilPart)) ||
      (element.kind === "fuse" && coilPart);
    return {
      elementId: id,
      kind: element.kind,
      name: nameOf(element),
      detail: detailOf(element, units),
      colour: element.kind === "wire" && !element.pigtail ? element.colour : "",
      fromV: at?.fromV ?? 0,
      toV: at?.toV ?? 0,
      currentA: at?.currentA ?? 0,
      choice: fixed ? null : choice,
    };
  });
}

function stripOf(
  job: Job,
  circuit: Circuit,
  made: RunCircuit,
  point: OperatingPoint,
  units: UnitSystem,
): Strip {
  const run = job.runs.find((r) => r.id === made.runId);
  const lamps = made.branches.map((branch): StripLamp => {
    const load = elementOf(circuit, branch.load);
    if (load.kind !== "load") throw new Error(`branch of "${branch.lampId}" has no load`);
    const at = point.at.get(branch.load);
    return {
      lampId: branch.lampId,
      elementId: branch.load,
      label: load.label,
      light: load.part.light,
      family: load.part.family,
      volts: at ? at.fromV - at.toV : 0,
      currentA: at?.currentA ?? 0,
      level: at ? workLevel(load.part.load, at.fromV - at.toV, at.currentA) : 0,
      place: job.lamps.find((l) => l.id === branch.lampId)?.place ?? "front",
      leads: partsOf(circuit, [...branch.out, ...branch.back], point, units),
    };
  });
  return {
    runId: made.runId,
    name: run?.name ?? made.runId,
    when: run ? conditionText(run.condition) : "",
    drawA: made.drawA,
    totalA: lamps.reduce((amps, lamp) => amps + lamp.currentA, 0),
    sourceV: rootV(made.root, point),
    steps: made.steps,
    out: partsOf(circuit, made.out, point, units),
    lamps,
    back: partsOf(circuit, made.back, point, units),
    control: [...(made.coil?.lanes ?? []), ...made.ways].map((lane) => ({
      label: lane.label,
      parts: partsOf(circuit, lane.ids, point, units),
    })),
    coilSwitching: made.coil?.switching ?? null,
    lowestV: lamps.length > 0 ? Math.min(...lamps.map((l) => l.volts)) : 0,
    dropShare: dropShare(made, point),
  };
}

/** The trunks of a circuit at an operating point, those nearest the source first. */
export function trunkStripsOf(
  job: Job,
  circuit: Circuit,
  point: OperatingPoint,
  units: UnitSystem,
): TrunkStrip[] {
  return circuit.trunks.map((trunk): TrunkStrip => {
    const parts = partsOf(circuit, trunk.path, point, units);
    const last = parts[parts.length - 1];
    const behind = circuit.runs.filter((run) =>
      [...powerPath(run), ...controlPath(run)].some((id) => trunk.path.includes(id)),
    );
    return {
      ownerId: trunk.ownerId,
      kind: trunk.kind,
      name: trunk.name,
      givesV: last?.toV ?? 0,
      currentA: last?.currentA ?? 0,
      drawA: trunk.drawA,
      parts,
      gate: partsOf(circuit, trunk.gate, point, units),
      runs: behind.map((run) => ownerName(job, run.runId)),
    };
  });
}

/** The strips of a circuit at an operating point, in the order of the runs. */
export function stripsOf(
  job: Job,
  circuit: Circuit,
  point: OperatingPoint,
  units: UnitSystem,
): Strip[] {
  return circuit.runs.map((made) => stripOf(job, circuit, made, point, units));
}
