import {
  GROUND,
  carriesA,
  elementOf,
  wholePath,
  type Circuit,
  type Element,
  type FuseElement,
  type LoadElement,
  type RunCircuit,
  type TrunkCircuit,
} from "../circuit/index.ts";
import { asId, ownerName, type ElementId, type Job, type RunId } from "../job/index.ts";
import { restVolts } from "../source/index.ts";
import {
  everythingOn,
  refusedBy,
  runOn,
  solveCircuitWith,
  type Network,
  type NetworkBranch,
  type Position,
  type SolvedNetwork,
} from "../network/index.ts";
import { LIT_LEVEL, workLevel } from "../part/index.ts";
import { SHORT_OHM, insideOf, type FaultKind, type FaultSpec } from "../unit/index.ts";
import { openingTime, overheatS, type OpeningTime } from "../protection/index.ts";
import { gaugeOf } from "../wire/index.ts";
import { chafePlaces, routeOf, type RoutePlan } from "../fit/index.ts";
import { decimal } from "../quantity/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import { getsHome, type GetsHome, type RidesHome } from "./getsHome.ts";
import { partOf } from "./groups.ts";

export interface FaultResult extends GetsHome {
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
  /** Whether the circuit with the fault has a solution; where not, nothing of what follows is known. */
  readonly solved: boolean;
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
      carriesA(element, job.practices),
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

interface ScopeLoad {
  readonly load: LoadElement;
  readonly run: RunCircuit;
}

/** A position that faults are tried in, and the loads that work in it without one. */
interface Stage {
  readonly position: Position;
  readonly lit: ReadonlySet<ElementId>;
}

/** What a fault is tried on: a run by itself, or a trunk with all runs behind it. */
interface Scope {
  readonly name: string;
  readonly circuit: Circuit;
  readonly loads: readonly ScopeLoad[];
  /** Ids of the elements that belong to it. */
  readonly own: ReadonlySet<ElementId>;
  readonly route: RoutePlan;
  /** Everything on, and what is on only while something is off by itself. */
  stages(): readonly Stage[];
}

const offStage = (job: Job): Stage => ({
  position: {
    ...everythingOn(job, restVolts(job.vehicle)),
    ...{ inputs: new Set(["key"]), switches: new Set() },
  },
  lit: new Set(),
});

function stagesOf(job: Job, circuit: Circuit, loads: readonly ScopeLoad[]): Stage[] {
  const volts = restVolts(job.vehicle);
  const celsius = job.practices.ambientC;
  const litAt = (position: Position): ReadonlySet<ElementId> => {
    const change = (network: Network): Network => realSources(circuit, network);
    const solved = solveCircuitWith(circuit, { position, celsius, change });
    if (solved.kind !== "solved") return new Set();
    const lit = loads.filter(({ load }) => levelOf(load, solved.result) >= LIT_LEVEL);
    return new Set(lit.map(({ load }) => load.id));
  };
  const all = everythingOn(job, volts);
  const stages: Stage[] = [{ position: all, lit: litAt(all) }];
  const seen = new Set(stages[0]!.lit);
  for (const run of job.runs) {
    const dark = loads.some((l) => l.run.runId === run.id && !seen.has(l.load.id));
    if (!dark || refusedBy(run).length === 0) continue;
    const position = runOn(job, run, volts);
    const lit = new Set([...litAt(position)].filter((id) => !seen.has(id)));
    if (lit.size === 0) continue;
    for (const id of lit) seen.add(id);
    stages.push({ position, lit });
  }
  return stages;
}

/** Some runs by themselves, with what lies before them. */
function scopeOf(
  job: Job,
  circuit: Circuit,
  name: string,
  runs: readonly RunCircuit[],
  own: ReadonlySet<ElementId>,
): Scope {
  const part = partOf(circuit, runs);
  const loads = runs.flatMap((run) =>
    run.branches.flatMap((branch): ScopeLoad[] => {
      const load = elementOf(part, branch.load);
      return load.kind === "load" ? [{ load, run }] : [];
    }),
  );
  let stages: readonly Stage[] | null = null;
  return {
    ...{ name, circuit: part, loads, own, route: routeOf(job, circuit) },
    stages: () => (stages ??= stagesOf(job, part, loads)),
  };
}

const NOWHERE: readonly string[] = [];

/** What a fault does in one position of the controls. */
interface Outcome {
  /** Loads that do what they are for. */
  readonly working: ReadonlySet<ElementId>;
  readonly opens: FaultResult["opens"];
  /** The factory wire whose fuse that is; null where it is another's. */
  readonly factoryPin: ConnectorPin | null;
  readonly overheats: string;
}

const levelOf = (load: LoadElement, { volts, amps }: SolvedNetwork): number =>
  workLevel(load.part.load, volts.get(load.from)! - volts.get(load.to)!, amps.get(load.id) ?? 0);

/** The fuse that opens first, the job's own or the factory's behind one of its taps. */
function openingIn(circuit: Circuit, amps: ReadonlyMap<ElementId, number>) {
  const own = firstFuse(circuit, amps);
  const factory = factoryFuse(circuit, amps);
  if (own && (!factory || own.time.mostS <= factory.time.mostS)) {
    const { fuse, currentA, time } = own;
    const kind = fuse.resets ? "breaker, again and again," : "fuse";
    return {
      fuse,
      pin: null,
      opens: { words: `own ${decimal(fuse.ratingA)} A ${kind}`, currentA, time },
    };
  }
  if (!factory) return null;
  const { pin, currentA, time } = factory;
  return {
    fuse: null,
    pin,
    opens: { words: `factory ${decimal(pin.fuseA)} A fuse of ${pin.carries}`, currentA, time },
  };
}

/** One trial in one position; null where nothing settles. */
function tryAt(job: Job, scope: Scope, trial: Trial, position: Position): Outcome | null {
  const { circuit } = scope;
  const result = solveWithFault(circuit, position, job.practices.ambientC, trial);
  if (!result) return null;
  const opening = openingIn(circuit, result.amps);
  const opens = opening?.opens ?? null;
  const works = ({ load, run }: ScopeLoad): boolean => {
    if (levelOf(load, result) < LIT_LEVEL) return false;
    // A fuse that may hold for ever cannot be counted on to open.
    if (!opening || opening.opens.time.mostS === Infinity) return true;
    // A fuse that opens takes what lies behind it: the loads it feeds, and the coils.
    return opening.fuse !== null && !wholePath(run).includes(opening.fuse.id);
  };
  // A breaker that resets lets the wire heat for part of the time for as long as the fault lasts.
  const cycles = opening?.fuse?.resets ?? false;
  const after = !opens || cycles ? Infinity : opens.time.mostS;
  return {
    working: new Set(scope.loads.filter(works).map(({ load }) => load.id)),
    opens,
    factoryPin: opening?.pin ?? null,
    overheats: overheated(circuit, job, result.amps, after, cycles ? CYCLING_SHARE : 1),
  };
}

/** The opening to tell of several: the surest to come first. */
const soonest = (list: readonly Outcome[]): Outcome | null =>
  list
    .filter((o) => o.opens !== null)
    .sort((a, b) => a.opens!.time.mostS - b.opens!.time.mostS)[0] ?? null;

function judge(job: Job, scope: Scope, owner: RunId, trial: Trial): FaultResult {
  const chafed = trial.kind === "chafed";
  const base = {
    kind: trial.kind,
    runId: owner,
    elementId: trial.element.id,
    words: trial.words,
    chafes: chafed ? chafePlaces(job, scope.route, trial.element.id) : NOWHERE,
  };
  const unsolved: FaultResult = {
    ...{ ...base, dark: [], staysOn: [], opens: null, overheats: "", solved: false },
    ...{ ridesHome: "unknown", lost: [], uncounted: [] },
  };
  const stages = trial.asked === "on" ? scope.stages() : [offStage(job)];
  const dark: LoadElement[] = [];
  const staysOn: LoadElement[] = [];
  const outcomes: Outcome[] = [];
  for (const { position, lit } of stages) {
    const outcome = tryAt(job, scope, trial, position);
    if (!outcome) return unsolved;
    outcomes.push(outcome);
    for (const { load } of scope.loads) {
      const works = outcome.working.has(load.id);
      if (trial.asked === "off" && works) staysOn.push(load);
      // A lamp that this position does not light is told by the one that does.
      if (trial.asked === "on" && !works && lit.has(load.id)) dark.push(load);
    }
  }
  const first = soonest(outcomes);
  const labels = (list: readonly LoadElement[]): string[] => list.map((load) => load.label);
  return {
    ...base,
    solved: true,
    dark: labels(dark),
    staysOn: labels(staysOn),
    opens: first?.opens ?? null,
    overheats: outcomes.find((o) => o.overheats !== "")?.overheats ?? "",
    ...getsHome(job, new Set(dark.map((load) => load.lampId)), first?.factoryPin ?? null),
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
  const own = new Set<ElementId>();
  const scope = scopeOf(job, circuit, ownerName(job, run.runId), [run], own);
  for (const [id, element] of scope.circuit.elements) if (element.runId === run.runId) own.add(id);
  for (const branch of run.branches.slice(MOST_BRANCHES)) {
    for (const id of [...branch.out, branch.load, ...branch.back]) own.delete(id);
  }
  return trialsIn(job, scope, run.runId);
}

/** The faults of one element of a run only. */
export function faultsOfElement(
  job: Job,
  circuit: Circuit,
  run: RunCircuit,
  elementId: ElementId,
): FaultResult[] {
  const name = ownerName(job, run.runId);
  return trialsIn(job, scopeOf(job, circuit, name, [run], new Set([elementId])), run.runId);
}

/** Every single fault of what several runs share. */
export function faultsOfTrunk(job: Job, circuit: Circuit, trunk: TrunkCircuit): FaultResult[] {
  const behind = circuit.runs.filter((run) => wholePath(run).some((id) => trunk.path.includes(id)));
  const own = new Set<ElementId>([...trunk.path, ...trunk.gate]);
  return trialsIn(job, scopeOf(job, circuit, trunk.name, behind, own), trunk.ownerId);
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

const HOME_WEIGHT: Readonly<Record<RidesHome, number>> = {
  ...{ yes: 0, unseen: 200, byDay: 300, no: 500, unknown: 0 },
};

/** The faults to act on first: what has no solution, a fire, a dead machine, lights lost, then most loads dark. */
export function weakestPoints(results: readonly FaultResult[]): FaultResult[] {
  const weight = (f: FaultResult): number =>
    (f.overheats === "" ? 0 : 1000) +
    // With nothing to open it burns for as long as the battery lasts.
    (f.overheats !== "" && f.opens === null ? 600 : 0) +
    // What has no solution may be anything: it comes first.
    (f.solved ? 0 : 2000) +
    HOME_WEIGHT[f.ridesHome] +
    f.dark.length +
    // Where a wire is known to lie in harm's way it will happen there first.
    (f.chafes.length > 0 ? 20 : 0) +
    f.staysOn.length;
  return results
    .filter((f) => weight(f) > 0)
    .sort((a, b) => weight(b) - weight(a))
    .slice(0, 5);
}
