import type { Interval, UnitSystem } from "../quantity/index.ts";
import {
  elementOf,
  everythingOf,
  rootV,
  unitAt,
  type Circuit,
  type Element,
  type LaidCircuit,
  type LaidFeeder,
  type WireElement,
} from "../circuit/index.ts";
import type { ChoiceKind } from "../circuit/index.ts";
import {
  conditionText,
  onceOf,
  ownerName,
  type ElementId,
  type Job,
  type Lamp,
  type LampId,
  type CircuitId,
} from "../job/index.ts";
import { workLevel, type LightColour } from "../part/index.ts";
import { dropOf, toLampsA, type OperatingPoint } from "../solve/index.ts";
import { insideOf } from "../unit/index.ts";

/** One thing on a strip, with what the operating point says of it. */
export interface DiagramPart {
  readonly elementId: ElementId;
  readonly kind: Element["kind"];
  /** "10 A fuse", "16 AWG red". */
  readonly name: string;
  /** Length, label, ends, whatever the hand needs. */
  readonly detail: string;
  /** Insulation colour of a wire by name; "" for anything else. */
  readonly colour: string;
  /** The piece between a source and its fuse. */
  readonly beforeFuse: boolean;
  readonly fromV: number;
  readonly toV: number;
  readonly currentA: number;
  /** Which decision made it, so that a part opens its reason; null for what is given. */
  readonly choice: ChoiceKind | null;
}

/** One lamp as a line diagram shows it. */
export interface DiagramLamp {
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
  readonly leads: readonly DiagramPart[];
}

/** One run laid left to right as the electricity goes. */
export interface LineDiagram {
  readonly runId: CircuitId;
  readonly name: string;
  readonly when: string;
  readonly drawA: Interval;
  /** What goes out to its lamps just now, in A. */
  readonly totalA: number;
  /** At its source under what is drawn, in V. */
  readonly sourceV: number;
  /** Steps of a series string; 1 where lamps are side by side. */
  readonly steps: number;
  readonly out: readonly DiagramPart[];
  readonly lamps: readonly DiagramLamp[];
  readonly back: readonly DiagramPart[];
  readonly control: readonly { readonly label: string; readonly parts: readonly DiagramPart[] }[];
  readonly coilSwitching: "positive" | "negative" | null;
  readonly lowestV: number;
  /** Lost in copper out and back by the worst lamp, as a share of the source. */
  readonly dropShare: number;
  /** Lost in fuses, contacts and the frame beside that, in V. */
  readonly fixedV: number;
}

/** What several runs share before they part, as a strip of its own. */
export interface FeederDiagram {
  readonly ownerId: CircuitId;
  readonly kind: LaidFeeder["kind"];
  readonly name: string;
  /** What it gives, in V and A. */
  readonly givesV: number;
  readonly currentA: number;
  readonly drawA: Interval;
  readonly parts: readonly DiagramPart[];
  readonly gate: readonly DiagramPart[];
  readonly runs: readonly string[];
}

/** Links inside a unit and what the maker laid are there, but no one has to be shown them. */
const isShown = (element: Element): boolean =>
  element.kind !== "strap" && !(element.kind === "wire" && element.role === "factory");

/** What a part is, whatever flows in it. */
type Still = Omit<DiagramPart, "fromV" | "toV" | "currentA">;
type Path = "power" | "control";

/** An element as it is shown on a path; null where nobody is shown it. */
function stillOf(circuit: Circuit, id: ElementId, units: UnitSystem, path: Path): Still | null {
  const element = elementOf(circuit, id);
  const beforeFuse = element.kind === "wire" && isBeforeFuse(circuit, element);
  // The fuse on the coil's feed is shown; the bit of wire before it says nothing.
  if (path === "control" && (element.kind === "chassis" || beforeFuse)) return null;
  if (!isShown(element)) return null;
  const spec = insideOf(element);
  const given =
    element.kind === "wire" ? element.group === "" : element.kind === "fuse" && path === "control";
  const choice = element.kind === "tap" && path === "power" ? "feed" : spec.choice;
  const isLaid = element.kind === "wire" && (element.harness === "" || element.harnessId !== "");
  return {
    elementId: id,
    kind: element.kind,
    name: spec.name(element),
    detail: spec.detail(element, units),
    colour: isLaid ? element.colour : "",
    beforeFuse,
    choice: given ? null : choice,
  };
}

/** The same in words once a circuit: it is shown at several operating points. */
const stillsOf = onceOf((_: Circuit) => ({
  metric: {
    power: new Map<ElementId, Still | null>(),
    control: new Map<ElementId, Still | null>(),
  },
  us: { power: new Map<ElementId, Still | null>(), control: new Map<ElementId, Still | null>() },
}));

/** Parts of a path in order; on a control's path sizes are given, and a tap is a tap. */
function partsOf(
  circuit: Circuit,
  ids: readonly ElementId[],
  point: OperatingPoint,
  units: UnitSystem,
  path: Path,
): DiagramPart[] {
  const known = stillsOf(circuit)[units][path];
  const parts: DiagramPart[] = [];
  for (const id of ids) {
    let still = known.get(id);
    if (still === undefined) {
      still = stillOf(circuit, id, units, path);
      known.set(id, still);
    }
    if (!still) continue;
    const at = point.at.get(id);
    // Written out: hundreds are made after every edit, and spreading takes longer than all the rest.
    parts.push({
      elementId: still.elementId,
      kind: still.kind,
      name: still.name,
      detail: still.detail,
      colour: still.colour,
      beforeFuse: still.beforeFuse,
      fromV: at?.fromV ?? 0,
      toV: at?.toV ?? 0,
      currentA: at?.currentA ?? 0,
      choice: still.choice,
    });
  }
  return parts;
}

/** Volts where a run begins: battery and pack sag under what is drawn. */
function sourceOf(run: LaidCircuit, point: OperatingPoint): number {
  const [first] = [...run.feedShared, ...run.out];
  const at = first === undefined ? undefined : point.at.get(first);
  return run.root.kind === "fixed" || !at ? rootV(run.root, point) : at.fromV;
}

/** A run's own way back: what it shares on the way to its source stands with that. */
function ownOf(circuit: Circuit, run: LaidCircuit): readonly ElementId[] {
  const own = run.back.filter((id) => elementOf(circuit, id).runId === run.runId);
  return own.length > 0 ? own : run.back;
}

/** The piece of wire between a source and its fuse, which nothing protects. */
const isBeforeFuse = (circuit: Circuit, wire: WireElement): boolean =>
  unitAt(circuit, wire.to)?.kind === "fuse" && (wire.role === "feed" || wire.role === "tap");

function stripOf(
  job: Job,
  circuit: Circuit,
  made: LaidCircuit,
  point: OperatingPoint,
  units: UnitSystem,
): LineDiagram {
  const run = job.runs.find((r) => r.id === made.runId);
  const drop = dropOf(circuit, made, point);
  const lamps = made.branches.map((branch): DiagramLamp => {
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
      leads: partsOf(circuit, [...branch.out, ...branch.back], point, units, "power"),
    };
  });
  return {
    runId: made.runId,
    name: run?.name ?? made.runId,
    when: run ? conditionText(run.condition) : "",
    drawA: made.drawA,
    totalA: toLampsA(made, point),
    sourceV: sourceOf(made, point),
    steps: made.steps,
    out: partsOf(circuit, made.out, point, units, "power"),
    lamps,
    back: partsOf(circuit, ownOf(circuit, made), point, units, "power"),
    control: [
      ...(made.coil?.lanes ?? []).map((lane) => ({ lane, path: "control" as const })),
      ...made.ways.map((lane) => ({ lane, path: "power" as const })),
    ].map(({ lane, path }) => ({
      label: lane.label,
      parts: partsOf(circuit, lane.ids, point, units, path),
    })),
    coilSwitching: made.coil?.switching ?? null,
    lowestV: lamps.length > 0 ? Math.min(...lamps.map((l) => l.volts)) : 0,
    dropShare: drop.copper,
    fixedV: drop.fixedV,
  };
}

/** The trunks of a circuit at an operating point, those nearest the source first. */
export function feederDiagramsOf(
  job: Job,
  circuit: Circuit,
  point: OperatingPoint,
  units: UnitSystem,
): FeederDiagram[] {
  return circuit.feeders.map((feeder): FeederDiagram => {
    const parts = partsOf(circuit, feeder.path, point, units, "power");
    const last = feeder.path[feeder.path.length - 1];
    const end = last && point.at.get(last);
    const behind = circuit.runs.filter((run) =>
      everythingOf(circuit, run).some((id) => feeder.path.includes(id)),
    );
    return {
      ownerId: feeder.ownerId,
      kind: feeder.kind,
      name: feeder.name,
      givesV: end?.toV ?? 0,
      currentA: end?.currentA ?? 0,
      drawA: feeder.drawA,
      parts,
      gate: partsOf(circuit, feeder.gate, point, units, "control"),
      runs: behind.map((run) => ownerName(job, run.runId)),
    };
  });
}

/** What the lowest of a circuit's volts are told as being at: the one load it has, or the worst of several. */
export function lowestAt({ lamps }: Pick<LineDiagram, "lamps">): string {
  const [only, ...others] = lamps;
  if (only && others.length === 0) return only.label;
  return lamps.every(({ family }) => family === "lamp") ? "lowest lamp" : "lowest load";
}

/** The strips of a circuit at an operating point, in the order of the runs. */
export function lineDiagramsOf(
  job: Job,
  circuit: Circuit,
  point: OperatingPoint,
  units: UnitSystem,
): LineDiagram[] {
  return circuit.runs.map((made) => stripOf(job, circuit, made, point, units));
}
