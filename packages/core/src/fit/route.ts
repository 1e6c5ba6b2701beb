import { unitAt, wireEnds, type Circuit } from "../circuit/index.ts";
import {
  setIn,
  setRun,
  type Edit,
  type ElementId,
  type Feed,
  type Job,
  type NodeId,
  type PinId,
  type PlaceId,
  type RunId,
  type SegmentId,
} from "../job/index.ts";
import { measured, type Fact } from "../quantity/index.ts";
import type { Hazard, MapSegment } from "../vehicle/index.ts";
import { bundleDiameterM, nextSizeMm } from "./bundle.ts";
import {
  controlSite,
  lampSite,
  placeWithRole,
  relaySite,
  spliceSite,
  supplySite,
  switchSite,
} from "./sites.ts";
import { waysFrom, type MapWay } from "./way.ts";

/** Wire that a hazard needs beyond the stretch itself, in m: common practice, figures assumed. */
export const SLACK_M: Readonly<Record<Hazard, number>> = {
  fork: 0.08,
  suspension: 0.05,
  seat: 0.1,
  moving: 0,
  sharp: 0,
  panel: 0,
  hot: 0,
  water: 0,
};

/** One wire on its way over the map. */
export interface RoutedWire {
  readonly elementId: ElementId;
  readonly ownerId: RunId;
  readonly label: string;
  readonly gaugeId: string;
  readonly way: MapWay;
  /** Along the map, with what turning and moving parts ask for. */
  readonly lengthM: Fact;
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
  readonly ownerId: RunId;
  readonly label: string;
  readonly words: string;
}

/** A length of the plan beside what the map gives. */
export interface RoutedLength {
  readonly runId: RunId;
  readonly field: "feedM" | "loadM" | "branchM" | "controlM" | "tapM";
  readonly planned: Fact;
  readonly routed: Fact;
}

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

const ZERO: Fact = { value: 0, low: 0, high: 0, provenance: "measured" };
/** Where both ends sit at one place: a hand's width, within bounds. */
const AT_HAND: Fact = { value: 0.15, low: 0.1, high: 0.25, provenance: "assumed" };

const RANK: readonly Fact["provenance"][] = ["measured", "stated", "assumed"];
const worse = (a: Fact["provenance"], b: Fact["provenance"]): Fact["provenance"] =>
  RANK.indexOf(a) > RANK.indexOf(b) ? a : b;

const plus = (a: Fact, b: Fact): Fact => ({
  value: a.value + b.value,
  low: a.low + b.low,
  high: a.high + b.high,
  provenance: worse(a.provenance, b.provenance),
});

const tidy = (m: number): number => Math.round(m * 1000) / 1000;

/** Length of a way with its slack; bounds and provenance come from its stretches. */
export function lengthOf(way: MapWay): Fact {
  if (way.segments.length === 0) return AT_HAND;
  const sum = way.segments.reduce((total, segment) => {
    const slack = segment.hazards.reduce((m, hazard) => m + SLACK_M[hazard], 0);
    return plus(total, plus(segment.lengthM, measured(slack, slack, slack)));
  }, ZERO);
  return { ...sum, value: tidy(sum.value), low: tidy(sum.low), high: tidy(sum.high) };
}

type FromPlace = Map<PlaceId, ReadonlyMap<PlaceId, MapWay>>;

/** Ways found already, by the stretches they lead over: most edits leave the map alone. */
const found = new WeakMap<Job["vehicle"]["segments"], { places: unknown; from: FromPlace }>();

/** The map with every way over it found once. */
class Ways {
  private readonly from: FromPlace;
  constructor(private readonly job: Job) {
    const { places, segments } = job.vehicle;
    const before = found.get(segments);
    this.from = before?.places === places ? before.from : new Map();
    found.set(segments, { places, from: this.from });
  }

  readonly of = (place: PlaceId): ReadonlyMap<PlaceId, MapWay> => {
    const known = this.from.get(place);
    if (known) return known;
    const { places, segments } = this.job.vehicle;
    const found = waysFrom(places, segments, place);
    this.from.set(place, found);
    return found;
  };

  between(a: PlaceId | null, b: PlaceId | null): MapWay | null {
    return a === null || b === null ? null : (this.of(a).get(b) ?? null);
  }
}

function byRun<T extends { readonly runId: RunId }>(elements: Iterable<T>): Map<RunId, T[]> {
  const groups = new Map<RunId, T[]>();
  for (const element of elements) {
    const group = groups.get(element.runId);
    if (group) group.push(element);
    else groups.set(element.runId, [element]);
  }
  return groups;
}

/** Finds the place of a unit, by where it says it sits. */
class UnitSites {
  private readonly taps: ReadonlyMap<RunId, readonly PinId[]>;
  constructor(
    private readonly job: Job,
    private readonly circuit: Circuit,
    private readonly ways: Ways,
  ) {
    const taps = new Map<RunId, PinId[]>();
    for (const run of circuit.runs) {
      const pins = [...(run.coil?.lanes ?? []), ...run.ways]
        .flatMap((lane) => [...lane.ids])
        .flatMap((id) => {
          const element = circuit.elements.get(id);
          return element?.kind === "tap" ? [element.pin.id] : [];
        });
      taps.set(run.runId, pins);
    }
    this.taps = taps;
  }

  feedSite(feed: Feed | undefined): PlaceId | null {
    const { job } = this;
    if (feed?.kind === "pin") return this.pinSite(feed.pinId);
    if (feed?.kind === "supply") {
      return supplySite(job, job.supplies.find((s) => s.id === feed.supplyId)?.at ?? "");
    }
    return placeWithRole(job, "battery");
  }

  pinSite(pinId: string): PlaceId | null {
    const { vehicle } = this.job;
    const pin = vehicle.pins.find((p) => p.id === pinId);
    const at = vehicle.connectors.find((c) => c.id === pin?.connectorId)?.at ?? "";
    return at === "" ? null : at;
  }

  /** Where a run's trigger is taken from: its pin's connector, or the control of the kit. */
  tapSite(runId: RunId): PlaceId | null {
    const { job } = this;
    const [pin] = this.taps.get(runId) ?? [];
    if (pin) return this.pinSite(pin);
    const asks = job.runs.find((r) => r.id === runId)?.condition.anyOf.flat() ?? [];
    const control = job.controls.find((c) => asks.some((term) => c.inputs.includes(term.input)));
    return control ? controlSite(job, control.at) : null;
  }

  /** null for a unit that nobody has placed; "other" for one at hand of the wire's other end. */
  of(node: NodeId): PlaceId | "other" | null {
    const { job } = this;
    const site = unitAt(this.circuit, node)?.site;
    const run = (id: RunId) => job.runs.find((r) => r.id === id);
    switch (site?.kind) {
      case undefined:
      case "atHand":
        return "other";
      case "battery":
        return placeWithRole(job, "battery");
      case "electrics":
        return placeWithRole(job, "electrics", "battery");
      case "source":
        return this.feedSite(site.feed);
      case "pin":
        return this.pinSite(site.pinId);
      case "supply":
        return supplySite(job, job.supplies.find((s) => s.id === site.supplyId)?.at ?? "");
      case "control":
        return controlSite(job, job.controls.find((c) => c.id === site.controlId)?.at ?? "");
      case "lamp": {
        const lamp = job.lamps.find((l) => l.id === site.lampId);
        return lamp ? lampSite(job, lamp) : null;
      }
      case "relay": {
        const found = run(site.runId);
        return found ? relaySite(job, found) : placeWithRole(job, "electrics", "battery");
      }
      case "switch": {
        const found = run(site.runId);
        return found ? switchSite(job, found) : placeWithRole(job, "controls");
      }
      case "splice": {
        const found = run(site.runId);
        if (!found) return "other";
        if (site.end !== "") return placeWithRole(job, site.end);
        return spliceSite(job, found, this.ways.of);
      }
    }
  }
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
    const splice = spliceSite(job, run, ways.of);
    const [relay, knob] = [relaySite(job, run), switchSite(job, run)];
    const tap = sites.tapSite(run.id);
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

const routed = new WeakMap<Circuit, { job: Job; plan: RoutePlan }>();

/**
 * Every wire that is cut, on its way over the vehicle's route map, the factory loom
 * preferred; what lies in each stretch and what it asks for; and what finds no way. Empty
 * where the vehicle has no map. Lengths are in m.
 */
export function routeOf(job: Job, circuit: Circuit): RoutePlan {
  const known = routed.get(circuit);
  if (known?.job === job) return known.plan;
  const plan = makeRoute(job, circuit);
  routed.set(circuit, { job, plan });
  return plan;
}

function makeRoute(job: Job, circuit: Circuit): RoutePlan {
  if (job.vehicle.places.length === 0) return { wires: [], segments: [], gaps: [], lengths: [] };
  const ways = new Ways(job);
  const sites = new UnitSites(job, circuit, ways);
  const names = new Map<PlaceId, string>(job.vehicle.places.map((p) => [p.id, p.name]));
  const wires: RoutedWire[] = [];
  const gaps: RouteGap[] = [];
  for (const wire of circuit.elements.values()) {
    if (wire.kind !== "wire" || wire.harness !== "") continue;
    const ends = [wire.from, wire.to].map((end) => sites.of(end));
    const unplaced = ends.indexOf(null);
    const base = { ownerId: wire.runId, label: wire.label };
    if (unplaced >= 0) {
      gaps.push({
        ...base,
        words: `nobody has said where “${wireEnds(circuit, wire)[unplaced]}” sits`,
      });
      continue;
    }
    const [a, b] = ends as [PlaceId | "other", PlaceId | "other"];
    if (a === "other" && b === "other") continue;
    const from = (a === "other" ? b : a) as PlaceId;
    const to = (b === "other" ? a : b) as PlaceId;
    const way = ways.between(from, to);
    if (!way) {
      const words = `no way from ${names.get(from) ?? from} to ${names.get(to) ?? to}: measure a stretch between them`;
      gaps.push({ ...base, words });
      continue;
    }
    wires.push({
      ...base,
      elementId: wire.id,
      gaugeId: wire.gaugeId,
      way,
      lengthM: lengthOf(way),
    });
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

/** Lengths that the map gives otherwise than planned; measured ones stand. */
export const lengthsOff = (plan: RoutePlan): RoutedLength[] =>
  plan.lengths.filter(
    ({ planned, routed: found }) =>
      planned.provenance !== "measured" &&
      Math.abs(planned.value - found.value) > Math.max(OFF_M, OFF_SHARE * found.value),
  );

/** Edits that take lengths from the map. */
export const takeLengths = (lengths: readonly RoutedLength[]): Edit[] =>
  lengths.map(({ runId, field, routed: fact }) => setRun(runId, field, fact));

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
