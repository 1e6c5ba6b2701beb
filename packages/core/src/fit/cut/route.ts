import { unitAt, wireEnds, type Circuit, type WireElement } from "../../circuit/index.ts";
import {
  onceOfPair,
  setIn,
  setCircuit,
  type Edit,
  type ElementId,
  type Job,
  type PlaceId,
  type CircuitId,
  type SegmentId,
} from "../../job/index.ts";
import type { BoundedValue } from "../../quantity/index.ts";
import type { Hazard, MapSegment } from "../../vehicle/index.ts";
import {
  unitSitesOf,
  type UnitSites,
  type Ways,
  controlSite,
  lampSite,
  lengthOf,
  relaySite,
  switchSite,
  wireWay,
  type MapWay,
} from "../../way/index.ts";
import { bundleDiameterM, nextSizeMm } from "./bundle.ts";

/** One wire on its way over the map. */
export interface RoutedWire {
  readonly elementId: ElementId;
  readonly ownerId: CircuitId;
  readonly label: string;
  readonly gaugeId: string;
  readonly way: MapWay;
  /** Along the map, with what turning and moving parts ask for. */
  readonly lengthM: BoundedValue;
}

/** What a stretch asks for before wires lie in it. */
export interface Protection {
  /** Id of the check that signs for it. */
  readonly checkId: string;
  readonly hazard: Hazard;
  readonly words: string;
}

/** One stretch with what lies in it. */
export interface RoutedSegment {
  readonly segment: MapSegment;
  readonly labels: readonly string[];
  readonly diameterM: number;
  readonly sleeveMm: number | null;
  readonly protections: readonly Protection[];
}

/** A wire that finds no way, or an end that nobody has placed. */
export interface RouteGap {
  /** What nobody has placed; nothing where both ends are placed and the map has no way between them. */
  readonly unplaced: readonly string[];
  readonly ownerId: CircuitId;
  readonly label: string;
  readonly words: string;
}

/** A length of the plan beside what the map gives. */
export interface RoutedLength {
  readonly runId: CircuitId;
  readonly field: "feedM" | "loadM" | "branchM" | "controlM" | "tapM";
  readonly planned: BoundedValue;
  readonly routed: BoundedValue;
}

/** Where every wire lies, and what is not placed yet. */
export interface RoutePlan {
  readonly wires: readonly RoutedWire[];
  readonly segments: readonly RoutedSegment[];
  readonly gaps: readonly RouteGap[];
  readonly lengths: readonly RoutedLength[];
}

const PROTECTION: Readonly<Record<Hazard, string>> = {
  fork: "slack lock to lock, tied on both sides of the bend, none pulled tight",
  suspension: "slack at full droop, tied clear of the spring",
  seat: "slack for the seat up, tied at the hinge",
  moving: "tied clear of what moves, looked at through its whole travel",
  sharp: "edge covered or sleeve over the wires",
  panel: "grommet in the hole",
  hot: "heat sleeve, a hand's width away",
  water: "sealed splices, drip loop, grease in plugs",
};

function byRun<T extends { readonly runId: CircuitId }>(
  elements: Iterable<T>,
): Map<CircuitId, T[]> {
  const groups = new Map<CircuitId, T[]>();
  for (const element of elements) {
    const group = groups.get(element.runId);
    if (group) group.push(element);
    else groups.set(element.runId, [element]);
  }
  return groups;
}

/** Where a run's trigger is taken from: its pin's connector, or the control of the kit. */
function tapSite(job: Job, circuit: Circuit, sites: UnitSites, runId: CircuitId): PlaceId | null {
  const built = circuit.runs.find((r) => r.runId === runId);
  for (const lane of built ? [...(built.coil?.lanes ?? []), ...built.ways] : []) {
    for (const id of lane.ids) {
      const element = circuit.elements.get(id);
      if (element?.kind !== "tap") continue;
      const at = element.unit === "" ? null : sites.ofUnit(element.unit);
      return at === "other" ? null : at;
    }
  }
  const asks = job.runs.find((r) => r.id === runId)?.condition.anyOf.flat() ?? [];
  const control = job.controls.find((c) => asks.some((term) => c.inputs.includes(term.input)));
  return control ? controlSite(job, control.at) : null;
}

function lengthsOf(job: Job, circuit: Circuit, ways: Ways, sites: UnitSites): RoutedLength[] {
  const elements = byRun(circuit.elements.values());
  return job.runs.flatMap((run): RoutedLength[] => {
    const built = circuit.runs.find((r) => r.runId === run.id);
    if (!built) return [];
    const source = sites.feedSite(run.feed);
    const owned = elements.get(run.id) ?? [];
    // In the factory's plugs nothing of this circuit is laid.
    if (!owned.some((e) => e.kind === "wire" && e.harness === "")) return [];
    const relayed = owned.some((e) => e.kind === "contact" || e.kind === "coil");
    const ownSwitch = owned.some((e) => e.kind === "switch");
    const splice = sites.spliceOf(run);
    const [relay, knob] = [relaySite(job, run), switchSite(job, run)];
    const tap = tapSite(job, circuit, sites, run.id);
    const lamps = job.lamps.filter((l) => l.runId === run.id);
    const branch = lamps
      .flatMap((l) => ways.between(splice, lampSite(job, l)) ?? [])
      .sort((a, b) => lengthOf(b).value - lengthOf(a).value)[0];
    const found: [RoutedLength["field"], MapWay | null | undefined, boolean][] = [
      ["feedM", ways.between(source, relayed || ownSwitch ? relay : splice), true],
      ["loadM", ways.between(relay, splice), relayed || ownSwitch],
      ["branchM", branch, lamps.length > 0],
      ["controlM", ways.between(relay, knob), ownSwitch],
      ["tapM", ways.between(tap, ownSwitch ? knob : relay), relayed && tap !== null],
    ];
    return found.flatMap(([field, way, asked]) =>
      asked && way ? [{ runId: run.id, field, planned: run[field], routed: lengthOf(way) }] : [],
    );
  });
}

function segmentsOf(job: Job, wires: readonly RoutedWire[]): RoutedSegment[] {
  const inside = new Map<SegmentId, RoutedWire[]>();
  for (const wire of wires) {
    for (const { id } of wire.way.segments) {
      const others = inside.get(id);
      if (others) others.push(wire);
      else inside.set(id, [wire]);
    }
  }
  return job.vehicle.segments.flatMap((segment): RoutedSegment[] => {
    const here = inside.get(segment.id);
    if (!here) return [];
    const diameterM = bundleDiameterM(here.map((w) => w.gaugeId));
    const sleeveMm = nextSizeMm(diameterM);
    const grommet =
      sleeveMm === null
        ? "the bundle parted, a grommet in each of two holes"
        : `grommet for ${sleeveMm} mm`;
    return [
      {
        segment,
        labels: here.map((w) => w.label),
        diameterM,
        sleeveMm,
        protections: segment.hazards.map((hazard) => ({
          checkId: `route-${segment.id}-${hazard}`,
          hazard,
          words: hazard === "panel" ? grommet : PROTECTION[hazard],
        })),
      },
    ];
  });
}

const routes = onceOfPair((circuit: Circuit, job: Job): RoutePlan => makeRoute(job, circuit));

/**
 * Every wire that is cut, on its way over the vehicle's route map, the factory loom
 * preferred; what lies in each stretch and what it asks for; and what finds no way. Empty
 * where the vehicle has no map. Lengths are in m.
 */
export const routeOf = (job: Job, circuit: Circuit): RoutePlan => routes(circuit, job);

/** What would have to be placed for an end of a wire to be: of a splice, the lamps it is for. */
function unplacedAt(job: Job, circuit: Circuit, wire: WireElement, end: 0 | 1): readonly string[] {
  const site = unitAt(circuit, end === 0 ? wire.from : wire.to)?.site;
  const own = wireEnds(circuit, wire)[end];
  if (site?.kind !== "splice") return [own];
  const lamps = job.lamps.filter((l) => l.runId === site.runId && lampSite(job, l) === null);
  return lamps.length === 0 ? [own] : lamps.map((l) => l.label);
}

function makeRoute(job: Job, circuit: Circuit): RoutePlan {
  if (job.vehicle.places.length === 0) return { wires: [], segments: [], gaps: [], lengths: [] };
  const sites = unitSitesOf(circuit.units, job);
  const { ways } = sites;
  const names = new Map<PlaceId, string>(job.vehicle.places.map((p) => [p.id, p.name]));
  const wires: RoutedWire[] = [];
  const gaps: RouteGap[] = [];
  for (const wire of circuit.elements.values()) {
    if (wire.kind !== "wire" || wire.harness !== "") continue;
    const { id: elementId, gaugeId, runId: ownerId, label } = wire;
    const put = (way: MapWay, lengthM: BoundedValue): void => {
      wires.push({ elementId, ownerId, label, gaugeId, way, lengthM });
    };
    const found = wireWay(wire, sites);
    switch (found.kind) {
      case "atHand": {
        const way = ways.between(found.at, found.at);
        if (way) put(way, wire.lengthM);
        break;
      }
      case "unplaced": {
        const what = unplacedAt(job, circuit, wire, found.end);
        const words = `nobody has said where “${what.join(", ")}” sits`;
        gaps.push({ ownerId, label, unplaced: what, words });
        break;
      }
      case "noWay": {
        const [from, to] = [names.get(found.from) ?? found.from, names.get(found.to) ?? found.to];
        const words = `no route from ${from} to ${to}: measure a stretch between them`;
        gaps.push({ ownerId, label, unplaced: [], words });
        break;
      }
      case "way":
        // At one place it is as long as the circuit has it.
        put(found.way, found.way.segments.length > 0 ? lengthOf(found.way) : wire.lengthM);
    }
  }
  return {
    wires,
    segments: segmentsOf(job, wires),
    gaps,
    lengths: lengthsOf(job, circuit, ways, sites),
  };
}

/** A planned length is told when the map differs by more than this share, and by a hand's width. */
const OFF_SHARE = 0.1;
const OFF_M = 0.1;

/** Lengths that somebody has told and that the map gives otherwise; measured ones stand. */
export const lengthsOff = (plan: RoutePlan): RoutedLength[] =>
  plan.lengths.filter(
    ({ planned, routed: found }) =>
      planned.provenance === "stated" &&
      Math.abs(planned.value - found.value) > Math.max(OFF_M, OFF_SHARE * found.value),
  );

/** Edits that take lengths from the map. */
export const takeLengths = (lengths: readonly RoutedLength[]): Edit[] =>
  lengths.map(({ runId, field, routed: fact }) => setCircuit(runId, field, fact));

/** Places along a wire where it may chafe: words for the fault table, those signed for left out. */
export function chafePlaces(job: Job, plan: RoutePlan, elementId: ElementId): string[] {
  const wire = plan.wires.find((w) => w.elementId === elementId);
  const signed = new Set(job.checks.map((c) => c.id));
  const names = new Map<PlaceId, string>(job.vehicle.places.map((p) => [p.id, p.name]));
  return (wire?.way.segments ?? []).flatMap((segment) =>
    segment.hazards
      .filter((h) => h !== "water" && !signed.has(`route-${segment.id}-${h}`))
      .map((h) => `${names.get(segment.fromId)}–${names.get(segment.toId)} (${HAZARD_WORDS[h]})`),
  );
}

/** What endangers a wire on a stretch, in words. */
export const HAZARD_WORDS: Readonly<Record<Hazard, string>> = {
  fork: "turns with the fork",
  suspension: "moves with the suspension",
  seat: "under the seat's hinge",
  moving: "near a moving part",
  sharp: "sharp edge",
  panel: "through a panel",
  hot: "hot",
  water: "spray and standing water",
};

/** Signs for something, or takes the signature back. */
export const signEdits = (job: Job, checkId: string, by: string, done: boolean): Edit[] => {
  const there = job.checks.some((c) => c.id === checkId);
  if (done === there) return there ? [setIn("check", checkId, "by", by)] : [];
  return done
    ? [{ kind: "add", entity: "check", value: { id: checkId, by }, at: job.checks.length }]
    : [{ kind: "remove", entity: "check", id: checkId }];
};
