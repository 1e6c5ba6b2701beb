import { sourceOhms } from "../source/index.ts";
import {
  everythingOf,
  type Circuit,
  type Element,
  type LoadElement,
  type LaidCircuit,
  type LaidFeeder,
} from "../circuit/index.ts";
import { chafePlaces } from "../fit/index.ts";
import {
  harnessOwner,
  ownerName,
  type ElementId,
  type Harness,
  type Job,
  type CircuitId,
} from "../job/index.ts";
import { solveCircuitWith, type Network, type Position } from "../network/index.ts";
import { LIT_LEVEL } from "../part/index.ts";
import { insideOf, type FaultKind, type FaultSpec } from "../unit/index.ts";
import {
  levelOf,
  offStage,
  realSources,
  scopeOf,
  type Scope,
  type ScopeLoad,
} from "./faultScope.ts";
import { leadsOn } from "./factoryGone.ts";
import { getsHome, type GetsHome, type RidesHome } from "./getsHome.ts";
import { openingIn, overheated, type Opening, type Opens } from "./opening.ts";
import { withFaults } from "./withFaults.ts";

/** A resetting breaker conducts about a sixteenth of the time into a short: a quarter in effect. */
const CYCLING_SHARE = 0.25;

/** What one fault does: what goes dark, what opens, what gets hot. */
export interface FaultResult extends GetsHome {
  readonly kind: FaultKind;
  readonly runId: CircuitId;
  readonly elementId: ElementId;
  readonly words: string;
  /** Labels of loads that do not work any more, or of those that cannot be turned off. */
  readonly dark: readonly string[];
  readonly staysOn: readonly string[];
  /** Which fuse opens and within what time; null when none does. */
  readonly opens: Opens | null;
  /** A wire that reaches its limit before the fuse opens for sure; null when none does. */
  readonly overheats: string | null;
  readonly outcome: FaultOutcome;
  /** Places on its way where a wire may chafe and nobody has signed for its protection. */
  readonly chafes: readonly string[];
}

/**
 * Whether the circuit with the fault has a solution. A relay that pulls in and lets go without end has
 * none, and that is what it does; of what is unsolved nothing is known.
 */
export type FaultOutcome = "solved" | "chatters" | "unsolved";

const NOWHERE: readonly string[] = [];

interface Trial extends FaultSpec {
  readonly element: Element;
}

const trialsOf = (circuit: Circuit, element: Element, name: string): Trial[] =>
  insideOf(element)
    .faults(element, circuit)
    .map((fault) => ({
      ...fault,
      words: name === "" ? fault.words : `${name}: ${fault.words}`,
      element,
    }));

/** Relays and converters as they stand with a fault in place. */
function solveWithFault(job: Job, circuit: Circuit, position: Position, trial: Trial) {
  const ohms = sourceOhms(job.vehicle);
  const change = (network: Network): Network =>
    realSources(circuit, withFaults(network, [trial]), ohms);
  return solveCircuitWith(circuit, { position, celsius: job.practices.ambientC, change });
}

/** What a fault does in one position of the controls. */
interface Effect {
  readonly kind: "solved";
  /** Loads that do what they are for. */
  readonly working: ReadonlySet<ElementId>;
  readonly opening: Opening | null;
  readonly overheats: string | null;
}

/** One trial in one position. */
function tryAt(
  job: Job,
  scope: Scope,
  trial: Trial,
  position: Position,
): Effect | { readonly kind: Exclude<FaultOutcome, "solved"> } {
  const { circuit } = scope;
  const solved = solveWithFault(job, circuit, position, trial);
  if (solved.kind === "chatters") return { kind: "chatters" };
  if (solved.kind !== "solved") return { kind: "unsolved" };
  const { result } = solved;
  const opening = openingIn(circuit, result.amps);
  const opens = opening?.opens ?? null;
  const works = ({ load, on }: ScopeLoad): boolean => {
    if (levelOf(load, result) < LIT_LEVEL) return false;
    // A fuse that may hold for ever cannot be counted on to open.
    if (!opening || opening.opens.time.mostS === Infinity) return true;
    // A fuse that opens takes what lies behind it: the loads it feeds, and the coils.
    return opening.fuse !== null && !on.has(opening.fuse.id);
  };
  // A breaker that resets lets the wire heat for part of the time for as long as the fault lasts.
  const cycles = opening?.fuse?.resets ?? false;
  const after = !opens || cycles ? Infinity : opens.time.mostS;
  return {
    kind: "solved",
    working: new Set(scope.loads.filter(works).map(({ load }) => load.id)),
    opening,
    overheats: overheated(circuit, job, result.amps, after, cycles ? CYCLING_SHARE : 1),
  };
}

/** The opening to tell of several: the surest to come first. */
const soonest = (list: readonly Effect[]): Opening | null =>
  list
    .flatMap(({ opening }) => opening ?? [])
    .sort((a, b) => a.opens.time.mostS - b.opens.time.mostS)[0] ?? null;

function judge(job: Job, scope: Scope, owner: CircuitId, trial: Trial): FaultResult {
  const chafed = trial.kind === "chafed";
  const base = {
    kind: trial.kind,
    runId: owner,
    elementId: trial.element.id,
    words: trial.words,
    chafes: chafed ? chafePlaces(job, scope.route, trial.element.id) : NOWHERE,
  };
  const without = (outcome: FaultOutcome): FaultResult => ({
    ...{ ...base, outcome, dark: [], staysOn: [], opens: null, overheats: null },
    ...{ ridesHome: "unknown", lost: [], uncounted: [] },
  });
  const stages = trial.asked === "on" ? scope.stages() : [offStage(job)];
  const dark: LoadElement[] = [];
  const staysOn: LoadElement[] = [];
  const effects: Effect[] = [];
  for (const { position, lit } of stages) {
    const effect = tryAt(job, scope, trial, position);
    if (effect.kind !== "solved") return without(effect.kind);
    effects.push(effect);
    for (const { load } of scope.loads) {
      const works = effect.working.has(load.id);
      if (trial.asked === "off" && works) staysOn.push(load);
      // A lamp that this position does not light is told by the one that does.
      if (trial.asked === "on" && !works && lit.has(load.id)) dark.push(load);
    }
  }
  const first = soonest(effects);
  // One that may hold for ever cannot be counted on to open: what else hangs on it goes on.
  if (first && trial.asked === "on" && first.opens.time.mostS < Infinity) {
    dark.push(...scope.alsoBehind(first));
  }
  // A plug between factory plugs that is apart leads no further either.
  const apart = trial.kind === "open" ? leadsOn(scope.circuit, trial.element.id) : null;
  const labels = (list: readonly LoadElement[]): string[] => list.map((load) => load.label);
  return {
    ...base,
    outcome: "solved",
    dark: labels(dark),
    staysOn: labels(staysOn),
    opens: first?.opens ?? null,
    overheats: effects.find((e) => e.overheats !== null)?.overheats ?? null,
    ...getsHome(job, new Set(dark.map((load) => load.lampId)), first?.pin ?? null, apart),
  };
}

const trialsIn = (job: Job, scope: Scope, owner: CircuitId): FaultResult[] =>
  [...scope.circuit.elements.values()]
    .filter((element) => scope.own.has(element.id))
    .flatMap((element) =>
      trialsOf(scope.circuit, element, scope.name).map((trial) => judge(job, scope, owner, trial)),
    );

/** Branches of a run that are tried one by one; lamps beyond are alike and fare alike. */
const MOST_BRANCHES = 12;

/** Every single fault of one run, tried one after the other. */
export function faultsOfCircuit(job: Job, circuit: Circuit, run: LaidCircuit): FaultResult[] {
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
  run: LaidCircuit,
  elementId: ElementId,
): FaultResult[] {
  const name = ownerName(job, run.runId);
  return trialsIn(job, scopeOf(job, circuit, name, [run], new Set([elementId])), run.runId);
}

/** Every single fault of what several runs share. */
export function faultsOfFeeder(job: Job, circuit: Circuit, feeder: LaidFeeder): FaultResult[] {
  const behind = circuit.runs.filter((run) =>
    everythingOf(circuit, run).some((id) => feeder.path.includes(id)),
  );
  // What works its relay may hang on a control feed, which is tried by itself.
  const others = new Set(circuit.feeders.filter((t) => t !== feeder).flatMap((t) => [...t.path]));
  const gate = feeder.gate.filter((id) => !others.has(id));
  const own = new Set<ElementId>([...feeder.path, ...gate]);
  return trialsIn(job, scopeOf(job, circuit, feeder.name, behind, own), feeder.ownerId);
}

/** Every single fault of a harness between factory plugs, in whatever hangs on it. */
function faultsOfHarness(job: Job, circuit: Circuit, harness: Harness): FaultResult[] {
  const owner = harnessOwner(harness);
  const own = new Set<ElementId>();
  for (const [id, element] of circuit.elements) if (element.runId === owner) own.add(id);
  const behind = circuit.runs.filter((run) => everythingOf(circuit, run).some((id) => own.has(id)));
  // Its plugs and wires bear its name themselves.
  return behind.length === 0 ? [] : trialsIn(job, scopeOf(job, circuit, "", behind, own), owner);
}

/** Every single fault of a circuit, in slices: one for each trunk, harness and run that it may be in. */
export const faultSlices = (job: Job, circuit: Circuit): readonly (() => FaultResult[])[] => [
  ...circuit.feeders.map((feeder) => () => faultsOfFeeder(job, circuit, feeder)),
  ...job.harnesses
    .filter(({ joints }) => joints.length > 0)
    .map((harness) => () => faultsOfHarness(job, circuit, harness)),
  ...circuit.runs.map((run) => () => faultsOfCircuit(job, circuit, run)),
];

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
  const slices = faultSlices(job, circuit);
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
    (f.overheats === null ? 0 : 1000) +
    // With nothing to open it burns for as long as the battery lasts.
    (f.overheats !== null && f.opens === null ? 600 : 0) +
    // What has no solution may be anything: it comes first.
    (f.outcome === "solved" ? 0 : 2000) +
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
