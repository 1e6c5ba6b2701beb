import {
  NEEDS_KEY,
  evaluate,
  inputWord,
  ownerName,
  type ElementId,
  type Input,
  type Job,
  type CircuitId,
  stateIdOf,
} from "../../job/index.ts";
import type { Position } from "../../network/index.ts";
import type { CircuitGroup } from "../../proof/index.ts";
import type { SourceVolts } from "../../source/index.ts";

/** One position of the controls that a test is made in. */
export interface TestState {
  /** Stays the same while the job's controls do: "off", "key+low", "key+pods". */
  readonly id: string;
  readonly words: string;
  readonly position: Position;
  /** Elements that are apart meanwhile: a fuse that was pulled, a plug that was parted. */
  readonly parted: readonly ElementId[];
  /** Nothing is live: the battery's lead is off, and ohms are measured. */
  readonly dead: boolean;
}

/** The position that a run is tried in last, with its controls on, its fuses out and no battery. */
export const deadState = (on: TestState, fuses: readonly ElementId[]): TestState => ({
  ...on,
  id: `dead-${on.id}`,
  words: `fuses out, the battery's lead off, ${on.words}`,
  parted: fuses,
  dead: true,
});

/** Nothing is turned on and nothing is apart: what flows then flows day and night. */
export const allOff = ({ position, parted, dead }: TestState): boolean =>
  !dead && parted.length === 0 && position.inputs.size === 0 && position.switches.size === 0;

/** The same position with something pulled or parted. */
export const partedState = (state: TestState, id: ElementId, words: string): TestState => ({
  ...state,
  id: `${state.id}-${id}`,
  words: `${state.words}, ${words}`,
  parted: [...state.parted, id],
});

type Controls = Pick<Position, "inputs" | "switches">;

const idOf = ({ inputs, switches }: Controls): string => {
  const on = [...[...inputs].sort(), ...[...switches].sort()];
  return stateIdOf(on);
};

function wordsOf(job: Job, { inputs, switches }: Controls): string {
  const on = [
    ...[...inputs].map(inputWord),
    ...[...switches].map((id) => `switch of ${ownerName(job, id)}`),
  ];
  return on.length === 0 ? "everything off" : on.join(", ");
}

/** The controls of a group that a run asks for in one of its ways, and no more. */
function controlsOf(job: Job, group: CircuitGroup, runId: CircuitId, way: number): Controls | null {
  const run = job.runs.find((r) => r.id === runId);
  const terms = run?.condition.anyOf[way];
  if (!run || !terms) return null;
  const inputs = new Set<Input>();
  const switches = new Set<CircuitId>();
  for (const { input, negated } of terms) {
    if (negated) continue;
    if (input === "switch") switches.add(runId);
    else inputs.add(input);
    if (NEEDS_KEY.has(input)) inputs.add("key");
  }
  // Master switches and keyed supplies before it: live, or nothing of it can be tried.
  for (const owner of group.switches) {
    if (job.supplies.some((s) => (s.id as string) === owner)) switches.add(owner);
  }
  if (group.inputs.includes("key") && job.supplies.some((s) => s.gate === "key")) inputs.add("key");
  const on = new Set<Input>(inputs);
  if (switches.has(runId)) on.add("switch");
  return evaluate(run.condition, on) ? { inputs, switches } : null;
}

/**
 * Positions of the controls worth trying for a run: nothing on, the key alone where its group
 * feels it, and the run by each of its ways. In that order, each once.
 */
export function statesOf(
  job: Job,
  group: CircuitGroup,
  runId: CircuitId,
  volts: SourceVolts,
): TestState[] {
  const none = new Set<never>();
  const wanted: (Controls | null)[] = [{ inputs: none, switches: none }];
  if (group.inputs.includes("key")) {
    wanted.push({ inputs: new Set<Input>(["key"]), switches: none });
  }
  const ways = job.runs.find((r) => r.id === runId)?.condition.anyOf.length ?? 0;
  for (let way = 0; way < ways; way += 1) wanted.push(controlsOf(job, group, runId, way));
  const states = new Map<string, TestState>();
  for (const controls of wanted) {
    if (!controls) continue;
    const id = idOf(controls);
    if (states.has(id)) continue;
    states.set(id, {
      id,
      words: wordsOf(job, controls),
      position: { ...controls, ...volts, phase: "on" },
      parted: [],
      dead: false,
    });
  }
  return [...states.values()];
}
