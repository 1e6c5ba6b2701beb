import { itemAt, itemOf } from "../present/index.ts";
import {
  GROUND,
  elementOf,
  everythingOf,
  type Circuit,
  type LoadElement,
  type Post,
  type LaidCircuit,
} from "../circuit/index.ts";
import { routeOf, type RoutePlan } from "../fit/index.ts";
import { asId, onceOf, type ElementId, type Job, type CircuitId } from "../job/index.ts";
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
import { restVolts, sourceOhms, type SourceOhms } from "../source/index.ts";
import { partOf } from "./groups.ts";
import type { Opening } from "./opening.ts";

/** Resistance of what no fact tells, a lighting coil, in Ω: assumed. */
const OTHER_OHM = 0.012;
/** Least that a source is taken to have, in Ω: a short has an end. */
const LEAST_SOURCE_OHM = 1e-3;

/** Inside resistance of a source as a post shows it, in Ω; a tap has its blocks' share. */
function ohmOf({ root }: Post, { sourceOhm, packOhm }: SourceOhms): number {
  if (root.kind === "fixed") return OTHER_OHM;
  const ohm = root.kind === "battery" ? sourceOhm : packOhm * root.share;
  return Math.max(LEAST_SOURCE_OHM, ohm);
}

/** Sources with the resistance that they have inside, so that a short has an end. */
export function realSources(circuit: Circuit, network: Network, ohms: SourceOhms): Network {
  const held = new Map(network.held);
  const inside: NetworkBranch[] = [];
  for (const at of circuit.posts) {
    const { node: post } = at;
    const emf = held.get(post) ?? 0;
    if (emf <= 0) continue;
    held.delete(post);
    inside.push({
      id: asId<ElementId>(`${post}.inside`),
      from: post,
      to: GROUND,
      model: { kind: "source", volts: emf, ohm: ohmOf(at, ohms) },
      words: "battery",
    });
  }
  return { branches: [...network.branches, ...inside], held };
}

export const levelOf = (load: LoadElement, { volts, amps }: SolvedNetwork): number =>
  workLevel(
    load.part.load,
    itemOf(volts, load.from) - itemOf(volts, load.to),
    amps.get(load.id) ?? 0,
  );

export interface ScopeLoad {
  readonly load: LoadElement;
  readonly run: LaidCircuit;
  /** Everything that its run is made of and hangs on. */
  readonly on: ReadonlySet<ElementId>;
}

/** A position that faults are tried in, and the loads that work in it without one. */
export interface Stage {
  readonly position: Position;
  readonly lit: ReadonlySet<ElementId>;
}

/** What a fault is tried on: a run by itself, or a trunk with all runs behind it. */
export interface Scope {
  readonly name: string;
  readonly circuit: Circuit;
  readonly loads: readonly ScopeLoad[];
  /** Ids of the elements that belong to it. */
  readonly own: ReadonlySet<ElementId>;
  readonly route: RoutePlan;
  /** Loads of other runs that go dark with what opens: they hang on the same fuse or factory wire. */
  alsoBehind(opening: Opening): readonly LoadElement[];
  /** Everything on, and what is on only while something is off by itself. */
  stages(): readonly Stage[];
}

export const offStage = (job: Job): Stage => ({
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
    const ohms = sourceOhms(job.vehicle);
    const change = (network: Network): Network => realSources(circuit, network, ohms);
    const solved = solveCircuitWith(circuit, { position, celsius, change });
    if (solved.kind !== "solved") return new Set();
    const lit = loads.filter(({ load }) => levelOf(load, solved.result) >= LIT_LEVEL);
    return new Set(lit.map(({ load }) => load.id));
  };
  const all = everythingOn(job, volts);
  const stages: Stage[] = [{ position: all, lit: litAt(all) }];
  const seen = new Set(itemAt(stages, 0).lit);
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

/** What each run hangs on, worked out once a circuit: hundreds of faults ask for it. */
const hangsOn = onceOf(
  (circuit: Circuit): ReadonlyMap<CircuitId, ReadonlySet<ElementId>> =>
    new Map(circuit.runs.map((r) => [r.runId, new Set(everythingOf(circuit, r))])),
);

function loadsIn(circuit: Circuit, run: LaidCircuit): ScopeLoad[] {
  const on = hangsOn(circuit).get(run.runId) ?? new Set<ElementId>();
  return run.branches.flatMap((branch): ScopeLoad[] => {
    const load = elementOf(circuit, branch.load);
    return load.kind === "load" ? [{ load, run, on }] : [];
  });
}

function othersBehind(
  circuit: Circuit,
  runs: readonly LaidCircuit[],
  { fuse, pin }: Opening,
): LoadElement[] {
  const inside = new Set(runs.map((run) => run.runId));
  const on = hangsOn(circuit);
  const opened = fuse
    ? [fuse.id]
    : [...circuit.elements.values()].flatMap((e) =>
        e.kind === "tap" && e.pin.id === pin?.id ? [e.id] : [],
      );
  return circuit.runs
    .filter((run) => !inside.has(run.runId) && opened.some((id) => on.get(run.runId)?.has(id)))
    .flatMap((run) => loadsIn(circuit, run).map(({ load }) => load));
}

/** Some runs by themselves, with what lies before them. */
export function scopeOf(
  job: Job,
  circuit: Circuit,
  name: string,
  runs: readonly LaidCircuit[],
  own: ReadonlySet<ElementId>,
): Scope {
  const part = partOf(circuit, runs);
  const loads = runs.flatMap((run) => loadsIn(circuit, run));
  let stages: readonly Stage[] | null = null;
  return {
    ...{ name, circuit: part, loads, own, route: routeOf(job, circuit) },
    alsoBehind: (opening) => othersBehind(circuit, runs, opening),
    stages: () => (stages ??= stagesOf(job, part, loads)),
  };
}
