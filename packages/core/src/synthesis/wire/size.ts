import { itemAt } from "../../present/index.ts";
import {
  TERMINAL_FORMS,
  carriesA,
  riseC,
  type Choice,
  type Element,
  type LaidCircuit,
  type LaidFeeder,
  type Unit,
  type WireElement,
} from "../../circuit/index.ts";
import { splitNode } from "../../circuit/index.ts";
import type { ElementId, Job, Practices, CircuitId, SegmentId, UnitId } from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";
import { ampacityA, gaugeOf, gaugesOf, wireResistanceOhm, type Gauge } from "../../wire/index.ts";
import { FLOOR_WIRE } from "../defaults.ts";

/** Wires that get one size, and what that has to bear. */
export interface WireGroup {
  readonly key: string;
  readonly ownerId: CircuitId;
  readonly pinned: string | null;
  /** What may flow before something opens, in A, and what that something is. */
  readonly throughA: number;
  /** What the piece before its own fuse may get, in A: the factory's fuse; none without one. */
  readonly stubA?: number;
  readonly behind: string;
  /** Told as a choice of its owner; the leads beside it are not. */
  readonly told: boolean;
}

/** Current through wires on the way to something and back, in the order electricity takes them. */
interface Journey {
  readonly ownerId: CircuitId;
  /** Current times length of each group's wires on the way, in A·m: volts lost are that over copper. */
  readonly loads: ReadonlyMap<string, number>;
  /** Volts lost in wires whose size is given. */
  readonly givenV: number;
  readonly volts: number;
}

interface Sizing {
  readonly job: Job;
  readonly elements: ReadonlyMap<ElementId, Element>;
  readonly units: ReadonlyMap<UnitId, Unit>;
  /** Stretches of the vehicle's map that each wire lies in, where they are known. */
  readonly stretches: ReadonlyMap<ElementId, readonly SegmentId[]>;
  readonly runs: readonly LaidCircuit[];
  readonly feeders: readonly LaidFeeder[];
  readonly groups: readonly WireGroup[];
  /** Input current of a converter in A, by its trunk. */
  readonly inputA: ReadonlyMap<CircuitId, number>;
  /** Volts that a run or trunk starts from. */
  readonly voltsOf: (source: LaidCircuit | LaidFeeder) => number;
}

const isWire = (e: Element | undefined): e is WireElement => e?.kind === "wire";

/** From the last thing on a path that holds a voltage of its own: what lies before it costs no lamp a volt. */
function behindSource(s: Sizing, path: readonly ElementId[]): readonly ElementId[] {
  const at = path.findLastIndex((id) => {
    const kind = s.elements.get(id)?.kind;
    return kind === "converter" || kind === "battery";
  });
  return path.slice(at + 1);
}

/** Current through every wire with everything on, in A: what each carries is the sum of what is behind it. */
function currentsOf(s: Sizing): ReadonlyMap<ElementId, number> {
  const amps = new Map<ElementId, number>();
  const put = (ids: readonly ElementId[], currentA: number): void => {
    for (const id of new Set(ids)) amps.set(id, (amps.get(id) ?? 0) + currentA);
  };
  for (const run of s.runs) {
    const branchIds = new Set(run.branches.flatMap((b) => [...b.out, ...b.back]));
    const common = [...behindSource(s, run.feedShared), ...run.out, ...run.back];
    put(
      common.filter((id) => !branchIds.has(id)),
      run.drawA.mid,
    );
    const perBranch =
      run.steps > 1 ? run.drawA.mid : run.drawA.mid / Math.max(1, run.branches.length);
    for (const branch of run.branches) put([...branch.out, ...branch.back], perBranch);
  }
  for (const feeder of s.feeders) {
    const inputA = s.inputA.get(feeder.ownerId);
    if (inputA === undefined) continue;
    const at = feeder.path.findIndex((id) => s.elements.get(id)?.kind === "converter");
    put([...behindSource(s, feeder.shared), ...feeder.path.slice(0, Math.max(0, at))], inputA);
  }
  return amps;
}

/** Ohms of so much wire with a current of its own in it. */
const wireOhmOf = (
  gauge: Gauge,
  lengthM: number,
  { job: { practices } }: Sizing,
  currentA: number,
  bundle: number,
): number =>
  wireResistanceOhm(
    gauge,
    lengthM,
    practices.ambientC + riseC({ gaugeId: gauge.id, bundle }, practices, currentA),
  );

/** The way to every lamp that loses most, and to every converter. */
function journeysOf(s: Sizing, amps: ReadonlyMap<ElementId, number>): Journey[] {
  const journey = (
    owner: LaidCircuit | LaidFeeder,
    ownerId: CircuitId,
    ids: readonly ElementId[],
  ): Journey => {
    const loads = new Map<string, number>();
    let givenV = 0;
    for (const id of ids) {
      const wire = s.elements.get(id);
      if (!isWire(wire)) continue;
      const currentA = amps.get(id) ?? 0;
      const { group, lengthM } = wire;
      if (group !== "") loads.set(group, (loads.get(group) ?? 0) + currentA * lengthM.value);
      else givenV += currentA * wireOhmOf(gaugeOf(wire.gaugeId), lengthM.value, s, currentA, 1);
    }
    return { ownerId, loads, givenV, volts: s.voltsOf(owner) };
  };
  const weight = (ids: readonly ElementId[]): number =>
    ids.reduce((sum, id) => {
      const e = s.elements.get(id);
      return isWire(e) ? sum + e.lengthM.value * (amps.get(id) ?? 0) : sum;
    }, 0);
  const runs = s.runs.flatMap((run): Journey[] => {
    const common = [...behindSource(s, run.feedShared), ...run.out];
    if (run.steps > 1) {
      // One current through everything: the whole string is one way.
      const all = run.branches.flatMap((b) => [...b.out, ...b.back]);
      return [journey(run, run.runId, [...common, ...all, ...run.back])];
    }
    const branches = run.branches.map((b) => [...b.out, ...b.back]);
    const worst = branches.reduce<readonly ElementId[]>(
      (most, ids) => (weight(ids) > weight(most) ? ids : most),
      branches[0] ?? [],
    );
    return [journey(run, run.runId, [...common, ...worst, ...run.back])];
  });
  const feeders = s.feeders.flatMap((feeder): Journey[] => {
    if (!s.inputA.has(feeder.ownerId)) return [];
    const at = feeder.path.findIndex((id) => s.elements.get(id)?.kind === "converter");
    const before = [...behindSource(s, feeder.shared), ...feeder.path.slice(0, Math.max(0, at))];
    return [journey(feeder, feeder.ownerId, before)];
  });
  return [...runs, ...feeders];
}

/** Thickest copper that every end of a group's wires takes, in mm². */
function mostMm2(s: Sizing, wires: readonly WireElement[]): number {
  let most = Infinity;
  for (const wire of wires) {
    for (const end of [wire.from, wire.to]) {
      const { unit, terminal } = splitNode(end);
      const form = s.units.get(unit)?.terminals.find((t) => t.name === terminal)?.form;
      if (form) most = Math.min(most, TERMINAL_FORMS[form].mostMm2);
    }
  }
  return most;
}

/**
 * Below this share of what a wire carries it warms no other: IEC 60364-5-52, 523.5 (from memory),
 * which leaves such wires out of the count of a bundle.
 */
const LOADED_SHARE = 0.3;

/** Loaded wires that lie in each stretch with everything on. */
function loadedIn(s: Sizing, amps: ReadonlyMap<ElementId, number>): ReadonlyMap<SegmentId, number> {
  const floor = gaugeOf(FLOOR_WIRE[s.job.practices.wireSystem]);
  const coldA = LOADED_SHARE * ampacityA(floor, s.job.practices);
  const count = new Map<SegmentId, number>();
  for (const [id, stretches] of s.stretches) {
    if ((amps.get(id) ?? 0) <= coldA) continue;
    for (const stretch of stretches) count.set(stretch, (count.get(stretch) ?? 0) + 1);
  }
  return count;
}

/** One group while its size is looked for: sizes it may have, thinnest first. */
interface Candidate {
  readonly group: WireGroup;
  readonly wires: readonly WireElement[];
  /** Of all its wires together, in m. */
  readonly lengthM: number;
  readonly sizes: readonly Gauge[];
  /** Loaded wires beside its wires where most are, one of them included. */
  readonly bundle: number;
  /** The most that any of its wires carries with everything on, in A: what warms them. */
  readonly mostA: number;
  at: number;
  /** No size of the ladder that its terminals take carries what its fuse lets through. */
  readonly tooSmall: boolean;
}

function candidateOf(
  s: Sizing,
  group: WireGroup,
  wires: readonly WireElement[],
  loaded: ReadonlyMap<SegmentId, number>,
  amps: ReadonlyMap<ElementId, number>,
): Candidate {
  const { practices } = s.job;
  const lengthM = wires.reduce((sum, wire) => sum + wire.lengthM.value, 0);
  const beside = wires.flatMap((w) => s.stretches.get(w.id) ?? []).map((id) => loaded.get(id) ?? 0);
  const bundle = beside.reduce((most, n) => Math.max(most, n), 1);
  const mostA = wires.reduce((most, wire) => Math.max(most, amps.get(wire.id) ?? 0), 0);
  const base = { group, wires, lengthM, bundle, mostA, at: 0 };
  if (group.pinned !== null) {
    return { ...base, sizes: [gaugeOf(group.pinned)], tooSmall: false };
  }
  const floor = gaugeOf(FLOOR_WIRE[practices.wireSystem]).areaM2;
  const ladder = gaugesOf(practices.wireSystem).filter((g) => g.areaM2 >= floor * 0.999);
  const carrying = ladder.filter(
    (g) =>
      carriesA({ gaugeId: g.id, bundle }, practices) >= group.throughA &&
      carriesA({ gaugeId: g.id, bundle: 1 }, practices) >= (group.stubA ?? 0),
  );
  const thickest = mostMm2(s, wires) * 1e-6 * 1.02;
  const fitting = carrying.filter((g) => g.areaM2 <= thickest);
  // What carries its fuse comes before what fits a crimp: a thicker lug can be had, a fire not be undone.
  const sizes = fitting.length > 0 ? fitting : carrying.slice(0, 1);
  return sizes.length > 0
    ? { ...base, sizes, tooSmall: false }
    : { ...base, sizes: ladder.slice(-1), tooSmall: true };
}

export interface Sized {
  readonly elements: ReadonlyMap<ElementId, Element>;
  readonly choices: readonly Choice[];
}

/**
 * Sizes every wire: first the thinnest that carries what its fuse lets through and stands
 * handling, then as little more copper as keeps every lamp's loss in copper, out and back,
 * within the target. Where several sizes would help, the one that saves most volts a gram is
 * taken first. What fuses, contacts and converters lose is not bought back with copper.
 */
export function sizeWires(s: Sizing): Sized {
  const { practices } = s.job;
  const byGroup = new Map<string, WireElement[]>();
  for (const element of s.elements.values()) {
    if (!isWire(element) || element.group === "") continue;
    const others = byGroup.get(element.group);
    if (others) others.push(element);
    else byGroup.set(element.group, [element]);
  }
  const amps = currentsOf(s);
  const loaded = loadedIn(s, amps);
  const candidates = new Map<string, Candidate>();
  for (const group of s.groups) {
    const wires = byGroup.get(group.key);
    if (wires) candidates.set(group.key, candidateOf(s, group, wires, loaded, amps));
  }
  const journeys = journeysOf(s, amps);
  const perM = (c: Candidate, at: number): number =>
    wireOhmOf(itemAt(c.sizes, at), 1, s, c.mostA, c.bundle);
  const dropOf = (journey: Journey): number => {
    let volts = journey.givenV;
    for (const [key, load] of journey.loads) {
      const c = candidates.get(key);
      if (c) volts += load * perM(c, c.at);
    }
    return journey.volts > 0 ? volts / journey.volts : 0;
  };
  const target = practices.dropTarget;
  for (const journey of journeys) {
    for (let drop = dropOf(journey); drop > target;) {
      let best: Candidate | null = null;
      let most = 0;
      for (const [key, load] of journey.loads) {
        const c = candidates.get(key);
        if (!c || c.at + 1 >= c.sizes.length) continue;
        const saved = load * (perM(c, c.at) - perM(c, c.at + 1));
        const more = itemAt(c.sizes, c.at + 1).areaM2 - itemAt(c.sizes, c.at).areaM2;
        const worth = c.lengthM > 0 ? saved / (c.lengthM * more) : 0;
        if (worth > most) [best, most] = [c, worth];
      }
      if (!best) break;
      best.at += 1;
      drop = dropOf(journey);
    }
  }
  const elements = new Map(s.elements);
  for (const wire of s.elements.values()) {
    if (!isWire(wire) || wire.group !== "") continue;
    const warm = riseC(wire, practices, amps.get(wire.id) ?? 0);
    if (warm > 0) elements.set(wire.id, { ...wire, riseC: warm });
  }
  const choices: Choice[] = [];
  for (const c of candidates.values()) {
    const gauge = itemAt(c.sizes, c.at);
    const { bundle } = c;
    const warm = riseC({ gaugeId: gauge.id, bundle }, practices, c.mostA);
    for (const wire of c.wires) {
      elements.set(wire.id, { ...wire, gaugeId: gauge.id, bundle, riseC: warm });
    }
    if (!c.group.told) continue;
    const worst = Math.max(
      0,
      ...journeys
        .filter((j) => j.ownerId === c.group.ownerId || j.loads.has(c.group.key))
        .map(dropOf),
    );
    choices.push(choiceOf(c, gauge, worst, practices));
  }
  return { elements, choices };
}

function choiceOf(c: Candidate, gauge: Gauge, worst: number, practices: Practices): Choice {
  const { group } = c;
  const target = practices.dropTarget;
  const carries = decimal(carriesA({ gaugeId: gauge.id, bundle: c.bundle }, practices));
  const among = c.bundle > 1 ? ` among ${c.bundle} loaded wires` : "";
  const facts = `carries ${carries} A${among} (${group.behind} ${decimal(group.throughA)} A), copper drops ${decimal(100 * worst)} % out and back (target ${decimal(100 * target)} %)`;
  const base = { runId: group.ownerId, kind: "wire", picked: gauge.id } as const;
  if (group.pinned !== null) return { ...base, reason: `Pinned; ${facts}.`, pinned: true };
  if (c.tooSmall) return { ...base, reason: `No size here is enough: ${facts}.`, pinned: false };
  const over = worst > target * 1.0001;
  const why = over
    ? "the thickest that its terminals take; a shorter route, a relay near the lamp or a second circuit would mend the rest"
    : c.at === 0
      ? "the fuse and handling decide"
      : "the drop decides";
  const lead = over ? "As good as fits" : "Thinnest that will do";
  return { ...base, reason: `${lead} (${why}): ${facts}.`, pinned: false };
}
