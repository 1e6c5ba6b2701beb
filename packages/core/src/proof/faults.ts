import {
  GROUND,
  elementOf,
  wholePath,
  type Circuit,
  type Element,
  type FuseElement,
  type RunCircuit,
  type TrunkCircuit,
} from "../circuit/index.ts";
import { asId, ownerName, type ElementId, type Job, type RunId } from "../job/index.ts";
import { restVolts } from "../source/index.ts";
import {
  everythingOn,
  solveCircuitWith,
  type Network,
  type NetworkBranch,
  type Position,
} from "../network/index.ts";
import { LIT_LEVEL, workLevel } from "../part/index.ts";
import { SHORT_OHM, insideOf, type FaultKind, type FaultSpec } from "../unit/index.ts";
import { openingTime, overheatS, type OpeningTime } from "../protection/index.ts";
import { ampacityA, gaugeOf } from "../wire/index.ts";
import { chafePlaces, routeOf, type RoutePlan } from "../fit/index.ts";
import { decimal } from "../quantity/index.ts";
import { partOf } from "./groups.ts";

/** Whether the vehicle still rides: `yes`; `withoutLights`; `no` when its ignition is gone. */
export type RidesHome = "yes" | "withoutLights" | "no";

export interface FaultResult {
  readonly kind: FaultKind;
  readonly runId: RunId;
  readonly elementId: ElementId;
  readonly words: string;
  /** Labels of loads that do not work any more, or of those that cannot be turned off. */
  readonly dark: readonly string[];
  readonly staysOn: readonly string[];
  /** Which fuse opens and within what time; null when none does. */
  readonly opens: {
    readonly words: string;
    readonly currentA: number;
    readonly time: OpeningTime;
  } | null;
  /** A wire that reaches its limit before the fuse opens for sure; "" when none does. */
  readonly overheats: string;
  readonly ridesHome: RidesHome;
  /** Places on its way where a wire may chafe and nobody has signed for its protection. */
  readonly chafes: readonly string[];
}

/** Resistance of a battery with its leads, in Ω: assumed. */
const BATTERY_OHM = 0.012;
/** A resetting breaker conducts about a sixteenth of the time into a short: a quarter in effect. */
const CYCLING_SHARE = 0.25;

const CHAFE = asId<ElementId>("chafe");

interface Trial extends FaultSpec {
  readonly element: Element;
}

/** The network with a fault in it. */
function withFault(network: Network, { ohms, touches }: FaultSpec): Network {
  const changed = new Map(ohms);
  const branches = network.branches.map((b): NetworkBranch => {
    const ohm = changed.get(b.id);
    return ohm === undefined ? b : { ...b, model: { kind: "resistor", ohm } };
  });
  if (touches !== null) {
    branches.push({
      ...{ id: CHAFE, from: touches, to: GROUND, words: "chafe" },
      model: { kind: "resistor", ohm: SHORT_OHM },
    });
  }
  return { ...network, branches };
}

const trialsOf = (circuit: Circuit, element: Element, name: string): Trial[] =>
  insideOf(element)
    .faults(element, circuit)
    .map((fault) => ({ ...fault, words: `${name}: ${fault.words}`, element }));

/** Sources with some resistance inside, so that a short has an end. */
function realSources(circuit: Circuit, network: Network): Network {
  const held = new Map(network.held);
  const inside: NetworkBranch[] = [];
  for (const { node: post } of circuit.posts) {
    const emf = held.get(post) ?? 0;
    if (emf <= 0) continue;
    held.delete(post);
    inside.push({
      id: asId<ElementId>(`${post}.inside`),
      from: post,
      to: GROUND,
      model: { kind: "source", volts: emf, ohm: BATTERY_OHM },
      words: "battery",
    });
  }
  return { branches: [...network.branches, ...inside], held };
}

/** Relays and converters as they stand with a fault in place; null where nothing settles. */
function solveWithFault(circuit: Circuit, position: Position, celsius: number, trial: Trial) {
  const change = (network: Network): Network => realSources(circuit, withFault(network, trial));
  const solved = solveCircuitWith(circuit, { position, celsius, change });
  return solved.kind === "solved" ? solved.result : null;
}

/** Fuse that a fault current opens first, by the least of the latest times. */
function firstFuse(
  circuit: Circuit,
  amps: ReadonlyMap<ElementId, number>,
): { fuse: FuseElement; currentA: number; time: OpeningTime } | null {
  const opening = [...circuit.elements.values()].flatMap((e) => {
    if (e.kind !== "fuse") return [];
    const currentA = Math.abs(amps.get(e.id) ?? 0);
    const time = openingTime(e.ratingA, currentA);
    return time ? [{ fuse: e, currentA, time }] : [];
  });
  return opening.sort((a, b) => a.time.mostS - b.time.mostS)[0] ?? null;
}

/** The first wire that may reach its limit before its fuse has opened for sure. */
function overheated(
  circuit: Circuit,
  job: Job,
  amps: ReadonlyMap<ElementId, number>,
  afterS: number,
  /** Effective current of one that is let through now and then, as a share of it. */
  share: number,
): string {
  for (const element of circuit.elements.values()) {
    // What the maker laid is not known well enough to say what burns.
    if (element.kind !== "wire" || element.role === "factory") continue;
    const gauge = gaugeOf(element.gaugeId);
    const limit = overheatS(
      gauge.areaM2,
      ampacityA(gauge, job.practices),
      share * Math.abs(amps.get(element.id) ?? 0),
    );
    if (limit < afterS)
      return `${element.gaugeId} ${element.harness === "" ? `wire ${element.label}` : element.harness}`;
  }
  return "";
}

/** A factory fuse that a fault behind a tap opens, and what goes with it. */
function factoryFuse(circuit: Circuit, amps: ReadonlyMap<ElementId, number>) {
  for (const element of circuit.elements.values()) {
    if (element.kind !== "tap" || element.pin.fuseA <= 0) continue;
    const currentA = Math.abs(amps.get(element.id) ?? 0);
    const time = openingTime(element.pin.fuseA, currentA);
    if (time) return { pin: element.pin, currentA, time };
  }
  return null;
}

/** What a fault is tried on: a run by itself, or a trunk with all runs behind it. */
interface Scope {
  readonly name: string;
  readonly circuit: Circuit;
  readonly runs: readonly RunCircuit[];
  /** Ids of the elements that belong to it. */
  readonly own: ReadonlySet<ElementId>;
  readonly route: RoutePlan;
}

const NOWHERE: readonly string[] = [];

function judge(job: Job, scope: Scope, owner: RunId, trial: Trial): FaultResult {
  const { circuit } = scope;
  const volts = restVolts(job.vehicle);
  const all = everythingOn(job, volts);
  const position: Position =
    trial.asked === "on" ? all : { ...all, inputs: new Set(["key"]), switches: new Set() };
  const result = solveWithFault(circuit, position, job.practices.ambientC, trial);
  const base = {
    kind: trial.kind,
    runId: owner,
    elementId: trial.element.id,
    words: trial.words,
    chafes: trial.kind === "chafed" ? chafePlaces(job, scope.route, trial.element.id) : NOWHERE,
  };
  const loads = scope.runs.flatMap((run) =>
    run.branches.flatMap((branch) => {
      const load = elementOf(circuit, branch.load);
      return load.kind === "load" ? [{ load, run }] : [];
    }),
  );
  if (!result) {
    const dark = loads.map(({ load }) => load.label);
    return { ...base, dark, staysOn: [], opens: null, overheats: "", ridesHome: "yes" };
  }
  const { amps, volts: nodes } = result;
  const own = firstFuse(circuit, amps);
  const factory = factoryFuse(circuit, amps);
  const ownFirst = own !== null && (!factory || own.time.mostS <= factory.time.mostS);
  const opens = ownFirst
    ? {
        words: `own ${decimal(own.fuse.ratingA)} A ${own.fuse.resets ? "breaker, again and again," : "fuse"}`,
        currentA: own.currentA,
        time: own.time,
      }
    : factory
      ? {
          words: `factory ${decimal(factory.pin.fuseA)} A fuse of ${factory.pin.carries}`,
          currentA: factory.currentA,
          time: factory.time,
        }
      : null;
  const works = ({ load, run }: (typeof loads)[number]): boolean => {
    const level = workLevel(
      load.part.load,
      nodes.get(load.from)! - nodes.get(load.to)!,
      amps.get(load.id) ?? 0,
    );
    if (level < LIT_LEVEL) return false;
    // A fuse that may hold for ever cannot be counted on to open.
    if (!opens || opens.time.mostS === Infinity) return true;
    // A fuse that opens takes what lies behind it: the loads it feeds, and the coils.
    const gone = ownFirst ? own.fuse.id : null;
    return gone !== null && !wholePath(run).includes(gone);
  };
  const working = loads.filter(works);
  // A breaker that resets lets the wire heat for part of the time for as long as the fault lasts.
  const cycles = ownFirst && own.fuse.resets;
  const after = !opens || cycles ? Infinity : opens.time.mostS;
  const family = !ownFirst && factory ? factory.pin.family : null;
  const labels = (list: typeof loads): string[] => list.map(({ load }) => load.label);
  return {
    ...base,
    dark: trial.asked === "on" ? labels(loads.filter((l) => !working.includes(l))) : [],
    staysOn: trial.asked === "off" ? labels(working) : [],
    opens,
    overheats: overheated(circuit, job, amps, after, cycles ? CYCLING_SHARE : 1),
    ridesHome: family === "ignition" ? "no" : family === "lighting" ? "withoutLights" : "yes",
  };
}

const trialsIn = (job: Job, scope: Scope, owner: RunId): FaultResult[] =>
  [...scope.circuit.elements.values()]
    .filter((element) => scope.own.has(element.id))
    .flatMap((element) =>
      trialsOf(scope.circuit, element, scope.name).map((trial) => judge(job, scope, owner, trial)),
    );

/** Branches of a run that are tried one by one; lamps beyond are alike and fare alike. */
const MOST_BRANCHES = 12;

/** Every single fault of one run, tried one after the other. */
export function faultsOfRun(job: Job, circuit: Circuit, run: RunCircuit): FaultResult[] {
  const part = partOf(circuit, [run]);
  const own = new Set<ElementId>();
  for (const [id, element] of part.elements) if (element.runId === run.runId) own.add(id);
  for (const branch of run.branches.slice(MOST_BRANCHES)) {
    for (const id of [...branch.out, branch.load, ...branch.back]) own.delete(id);
  }
  const route = routeOf(job, circuit);
  const scope = { name: ownerName(job, run.runId), circuit: part, runs: [run], own, route };
  return trialsIn(job, scope, run.runId);
}

/** The faults of one element of a run only. */
export function faultsOfElement(
  job: Job,
  circuit: Circuit,
  run: RunCircuit,
  elementId: ElementId,
): FaultResult[] {
  const part = partOf(circuit, [run]);
  const own = new Set([elementId]);
  const route = routeOf(job, circuit);
  const scope = { name: ownerName(job, run.runId), circuit: part, runs: [run], own, route };
  return trialsIn(job, scope, run.runId);
}

/** Every single fault of what several runs share. */
export function faultsOfTrunk(job: Job, circuit: Circuit, trunk: TrunkCircuit): FaultResult[] {
  const behind = circuit.runs.filter((run) => wholePath(run).some((id) => trunk.path.includes(id)));
  const part = partOf(circuit, behind);
  const own = new Set<ElementId>([...trunk.path, ...trunk.gate]);
  const route = routeOf(job, circuit);
  const scope = { name: trunk.name, circuit: part, runs: behind, own, route };
  return trialsIn(job, scope, trunk.ownerId);
}

/**
 * Tries every single fault of a circuit, each in the run or trunk it belongs to. `onProgress`
 * hears the share done and may answer false to stop; then null is returned.
 */
export function faults(
  job: Job,
  circuit: Circuit,
  onProgress: (share: number) => boolean = () => true,
): FaultResult[] | null {
  const results: FaultResult[] = [];
  const slices = [
    ...circuit.trunks.map((trunk) => () => faultsOfTrunk(job, circuit, trunk)),
    ...circuit.runs.map((run) => () => faultsOfRun(job, circuit, run)),
  ];
  for (const [i, slice] of slices.entries()) {
    if (!onProgress(i / slices.length)) return null;
    results.push(...slice());
  }
  return results;
}

/** The faults to act on first: a fire, a dead machine, lights lost, then most loads dark. */
export function weakestPoints(results: readonly FaultResult[]): FaultResult[] {
  const weight = (f: FaultResult): number =>
    (f.overheats === "" ? 0 : 1000) +
    // With nothing to open it burns for as long as the battery lasts.
    (f.overheats !== "" && f.opens === null ? 600 : 0) +
    (f.ridesHome === "no" ? 500 : f.ridesHome === "withoutLights" ? 200 : 0) +
    f.dark.length +
    // Where a wire is known to lie in harm's way it will happen there first.
    (f.chafes.length > 0 ? 20 : 0) +
    f.staysOn.length;
  return results
    .filter((f) => weight(f) > 0)
    .sort((a, b) => weight(b) - weight(a))
    .slice(0, 5);
}
