import {
  SENSE_WORDS,
  TestBench,
  bestProbing,
  decimal,
  expectedText,
  hideFault,
  isFound,
  madeJob,
  makeDrill,
  ohmText,
  scoreOf,
  seeded,
  seenRank,
  simulatedReading,
  soundRange,
  takeProbe,
  type Drill,
  type Evidence,
  type Exercise,
  type Job,
  type Level,
  type MadeFrom,
  type Probe,
  type ProbeVerdict,
  type TestState,
  type TopicProgress,
} from "@dragonet/core";

/** What an exercise is held on: a job of the shop, or one made up of what the shop has. */
export type TrainingGround =
  | { readonly kind: "job"; readonly job: Job }
  | { readonly kind: "made"; readonly from: MadeFrom };

/** A place that can be looked at or measured, in one position. */
export interface ShownTry {
  readonly id: string;
  readonly words: string;
  readonly how: Probe["at"]["kind"];
}

export interface ShownPosition {
  readonly id: string;
  readonly controls: string;
  readonly tries: readonly ShownTry[];
}

export interface StartedExercise {
  readonly title: string;
  readonly vehicle: string;
  readonly complaint: string;
  readonly topic: string;
  readonly positions: readonly ShownPosition[];
  /** What can be pulled or parted. */
  readonly partable: readonly { readonly id: string; readonly words: string }[];
  readonly suspects: readonly { readonly id: string; readonly words: string }[];
}

/** A probe of the exercise, with what it was worth. */
export interface ShownProbe {
  readonly words: string;
  readonly controls: string;
  readonly reading: string;
  readonly expected: string;
  readonly off: boolean;
  readonly minutes: number;
  readonly verdict: ProbeVerdict;
  readonly bits: number;
  /** What would have told most a minute; "" where nothing tells more. */
  readonly best: string;
  readonly bestBits: number;
}

export interface EndedExercise {
  readonly fault: string;
  readonly score: number;
  readonly bestMinutes: number;
  readonly way: readonly { readonly words: string; readonly reading: string }[];
}

let bench: TestBench | null = null;
let exercise: Exercise | null = null;
let taken: Evidence[] = [];
let minutes = 0;

const jobOf = (ground: TrainingGround, seed: number): Job | null =>
  ground.kind === "job" ? ground.job : madeJob(ground.from, seeded(seed));

function readingText({ probe, value }: Evidence): string {
  if (probe.at.kind === "look") return SENSE_WORDS[probe.at.sense][seenRank(value)];
  if (probe.at.kind === "ohms") return `${ohmText(value)} Ω`;
  return `${decimal(value, 2)} ${probe.unit}`;
}

function asBuilt(probe: Probe): string {
  const [low, high] = soundRange(probe);
  return expectedText({ probe, expected: probe.bench.sound(probe), low, high });
}

const positionOf = (state: TestState, probes: readonly Probe[]): ShownPosition => ({
  id: state.id,
  controls: state.words,
  tries: probes.map((probe) => ({ id: probe.id, words: probe.words, how: probe.at.kind })),
});

/** Every position of the group, with all that can be tried in it by any of its circuits. */
function positionsOf({ group }: Exercise): ShownPosition[] {
  const states = new Map<string, { state: TestState; probes: Probe[] }>();
  for (const probe of group.runs.flatMap((run) => run.probes)) {
    const known = states.get(probe.state.id);
    if (known) known.probes.push(probe);
    else states.set(probe.state.id, { state: probe.state, probes: [probe] });
  }
  return [...states.values()].map(({ state, probes }) => positionOf(state, probes));
}

/** Hides a fault; null where the job has none of the level that anybody would notice. */
export function startExercise(
  ground: TrainingGround,
  level: Level,
  seed: number,
): StartedExercise | null {
  const job = jobOf(ground, seed);
  if (!job) return null;
  bench = new TestBench(job);
  exercise = hideFault(bench, level, seeded(seed + 1));
  taken = [];
  minutes = 0;
  if (!exercise) return null;
  const { group, fault, complaint } = exercise;
  return {
    title: job.card.title,
    vehicle: job.vehicle.model,
    complaint: complaint.words,
    topic: `fault:${fault.fault}`,
    positions: positionsOf(exercise),
    partable: bench.partable(group),
    suspects: group.suspects
      .flatMap((s) => (s.kind === "fault" ? [{ id: s.id, words: s.words }] : []))
      .sort((a, b) => (a.words < b.words ? -1 : 1)),
  };
}

/** The same position with something pulled or parted; null where it cannot be. */
export function partSomething(positionId: string, id: string): ShownPosition | null {
  if (!bench || !exercise) return null;
  const { group } = exercise;
  const all = new Map<string, Probe>();
  let state: TestState | null = null;
  for (const run of group.runs) {
    const at = run.states.find((s) => s.id === positionId);
    if (!at) continue;
    for (const probe of bench.probesParted(group, run.runId, at, id as never)) {
      all.set(probe.id, probe);
      ({ state } = probe);
    }
  }
  return state ? positionOf(state, [...all.values()]) : null;
}

/** Takes a probe on the vehicle with its fault; null where nothing settles there. */
export function tryProbe(id: string): ShownProbe | null {
  const probe = bench?.find(id)?.probe;
  if (!probe || !exercise) return null;
  const judged = takeProbe(exercise, taken, probe);
  if (!judged) return null;
  taken = [...taken, judged.evidence];
  minutes += judged.minutes;
  const { best } = judged;
  return {
    ...{ words: probe.words, controls: probe.state.words },
    ...{ reading: readingText(judged.evidence), expected: asBuilt(probe), off: judged.off },
    ...{ minutes: judged.minutes, verdict: judged.verdict, bits: judged.bits },
    best: best ? `${best.probe.words}, with ${best.probe.state.words}` : "",
    bestBits: best?.bits ?? 0,
  };
}

export const nameFault = (suspectId: string): boolean =>
  exercise !== null && isFound(exercise, suspectId);

/** What it was, how well it was found, and the shortest way that is known. */
export function endExercise(found: boolean, wrongNames: number): EndedExercise | null {
  if (!exercise) return null;
  const { fault } = exercise;
  const best = bestProbing(exercise);
  return {
    fault: fault.words,
    score: scoreOf(exercise, minutes, wrongNames, found),
    bestMinutes: best.minutes,
    way: best.probes.map((probe) => {
      const reading = simulatedReading(fault, probe);
      return {
        words: `${probe.words}, with ${probe.state.words}`,
        reading: reading ? `${readingText(reading)}; as built ${asBuilt(probe)}` : "",
      };
    }),
  };
}

/** The next question, on a job of the shop or on one that is made for it. */
export function nextDrill(
  ground: TrainingGround,
  progress: readonly TopicProgress[],
  seed: number,
): Drill | null {
  const job = jobOf(ground, seed);
  if (!job) return null;
  const own = new TestBench(job);
  const world = { job, circuit: own.circuit, bench: own, chance: seeded(seed) };
  return makeDrill(world, progress, new Date());
}
