import { itemOf } from "../present/index.ts";
import { elementOf, type Circuit, type LaidCircuit } from "../circuit/index.ts";
import {
  evaluate,
  NEEDS_KEY,
  inputWord,
  ownerName,
  type Edit,
  type ElementId,
  type Input,
  type Job,
  type LampId,
  type CircuitId,
} from "../job/index.ts";
import { solveCircuit, type Position } from "../network/index.ts";
import { LIT_LEVEL, workLevel } from "../part/index.ts";
import { ownerOf } from "../synthesis/index.ts";
import { groupsOf, partOf, type CircuitGroup } from "./groups.ts";
import { positionBits, positionCount } from "./positions.ts";
import { restVolts } from "../source/index.ts";

/** Below this it works, but not as it should. */
const FULL = 0.8;

/** How a circuit does otherwise than it was asked. */
export type DifferenceKind = "staysDark" | "lightsUnasked" | "dim" | "chatters" | "noSolution";

/** One thing that is amiss, in words, and the edits that put it right. */
export interface Cause {
  readonly words: string;
  readonly remedy: string;
  readonly edits: readonly Edit[];
}

/** A position in which a load does not do what was meant, with as few controls on as can be. */
export interface Difference {
  readonly kind: DifferenceKind;
  readonly runId: CircuitId;
  readonly lampId: LampId;
  readonly elementId: ElementId;
  readonly inputs: readonly Input[];
  readonly switches: readonly CircuitId[];
  readonly level: number;
  readonly words: string;
  /** What it comes from, where putting one thing right makes it go; null where nothing alone does. */
  readonly cause: Cause | null;
}

/** Every position that was solved, and where it is not as it was asked. */
export interface Proof {
  readonly positions: number;
  /** Positions that there are, impossible ones included; above `positions` where not all were solved. */
  readonly possible: number;
  readonly lamps: number;
  readonly differences: readonly Difference[];
}

/** Positions of a group, those with few controls on first; impossible ones left out. */
function* positionsOf(job: Job, group: CircuitGroup): Generator<Position> {
  const volts = restVolts(job.vehicle);
  const count = group.inputs.length + group.switches.length;
  for (const bits of positionBits(count)) {
    const inputs = new Set(group.inputs.filter((_, i) => bits & (1 << i)));
    if (!inputs.has("key") && [...inputs].some((input) => NEEDS_KEY.has(input))) continue;
    if (job.controls.some((c) => c.inputs.filter((i) => inputs.has(i)).length > 1)) continue;
    const switches = new Set(
      group.switches.filter((_, i) => bits & (1 << (group.inputs.length + i))),
    );
    yield { inputs, switches, ...volts };
  }
}

function positionWords(job: Job, { inputs, switches }: Position): string {
  const on = [
    ...[...inputs].map(inputWord),
    ...[...switches].map((id) => `switch of ${ownerName(job, id)}`),
  ];
  return on.length === 0 ? "everything off" : on.join(", ");
}

/** Whether the supplies before a run are live: its master switches on, and the key where they are keyed. */
function suppliesLive(job: Job, circuit: Circuit, run: LaidCircuit, position: Position): boolean {
  return circuit.feeders
    .filter((feeder) => feeder.path.some((id) => run.shared.includes(id)))
    .every((feeder) => {
      const supply = job.supplies.find((s) => ownerOf(s.id) === feeder.ownerId);
      if (!supply || supply.gate === "always") return true;
      return supply.gate === "key"
        ? position.inputs.has("key")
        : position.switches.has(feeder.ownerId);
    });
}

const SAID: Readonly<Record<DifferenceKind, string>> = {
  staysDark: "stays dark",
  lightsUnasked: "works unasked",
  dim: "works weakly",
  chatters: "has a relay that chatters",
  noSolution: "has no stable state",
};

/** Proves one group of runs by itself. */
export function proveGroup(job: Job, circuit: Circuit, group: CircuitGroup): Proof {
  const part = partOf(circuit, group.runs);
  const found = new Map<string, Difference>();
  let positions = 0;
  for (const position of positionsOf(job, group)) {
    positions += 1;
    const solved = solveCircuit(part, position, job.practices.ambientC);
    for (const run of group.runs) {
      const jobRun = job.runs.find((r) => r.id === run.runId);
      if (!jobRun) continue;
      const on = new Set<Input>(position.inputs);
      if (position.switches.has(run.runId)) on.add("switch");
      const wanted = evaluate(jobRun.condition, on) && suppliesLive(job, part, run, position);
      for (const branch of run.branches) {
        const load = elementOf(part, branch.load);
        if (load.kind !== "load") continue;
        let level = 0;
        let kind: DifferenceKind | null = null;
        if (solved.kind === "chatters") kind = "chatters";
        else if (solved.kind !== "solved") kind = "noSolution";
        else {
          const at = itemOf(solved.point.at, branch.load);
          level = workLevel(load.part.load, at.fromV - at.toV, at.currentA);
          if (wanted && level < LIT_LEVEL) kind = "staysDark";
          else if (!wanted && level >= LIT_LEVEL) kind = "lightsUnasked";
          else if (wanted && level < FULL) kind = "dim";
        }
        // Positions come with few controls first: the first one found is the smallest.
        const key = `${branch.lampId} ${kind}`;
        if (kind === null || found.has(key)) continue;
        found.set(key, {
          kind,
          runId: run.runId,
          lampId: branch.lampId,
          elementId: branch.load,
          inputs: [...position.inputs],
          switches: [...position.switches],
          level,
          words: `${load.label} ${SAID[kind]} with ${positionWords(job, position)}`,
          cause: null,
        });
      }
    }
  }
  const lamps = group.runs.reduce((n, run) => n + run.branches.length, 0);
  const possible = positionCount(group.inputs.length + group.switches.length);
  return { positions, possible, lamps, differences: [...found.values()] };
}

/**
 * Solves every position of the controls and compares each load with what its run's
 * condition asks. Groups of runs that share nothing but the battery are proven one by one;
 * `onProgress` hears the share done and may answer false to stop.
 */
export function prove(
  job: Job,
  circuit: Circuit,
  onProgress: (share: number) => boolean = () => true,
): Proof | null {
  const groups = groupsOf(job, circuit);
  let [positions, possible, lamps] = [0, 0, 0];
  const differences: Difference[] = [];
  for (const [i, group] of groups.entries()) {
    if (!onProgress(i / groups.length)) return null;
    const proof = proveGroup(job, circuit, group);
    positions += proof.positions;
    possible += proof.possible;
    lamps += proof.lamps;
    differences.push(...proof.differences);
  }
  return { positions, possible, lamps, differences };
}
