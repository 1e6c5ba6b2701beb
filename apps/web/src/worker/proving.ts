import {
  type TestBench,
  type TestReport,
  benchAt,
  boundsText,
  testBenchOf,
  testReport,
  expectedText,
  standingReadings,
  printScriptCsv,
  scriptsOf,
  SENSE_WORDS,
  mendPlan,
  type Circuit,
  type Diagnosis,
  type Job,
  type MendPlan,
  type Probe,
  type LineDiagram,
  type FeederDiagram,
  type TakenReading,
  type JobScript,
  type UnitSystem,
} from "@dragonet/core";

/** A step of the test as the page shows it. */
export interface ShownStep {
  readonly id: string;
  readonly controls: string;
  readonly words: string;
  readonly unit: Probe["unit"];
  /** Words to choose from where it is seen, heard or felt; none where a meter reads it. */
  readonly choices: readonly string[];
  readonly expected: string;
  /** From and to what is right, in words. */
  readonly right: string;
  readonly beforePanels: boolean;
  /** Panels that have to come off first. */
  readonly panels: readonly string[];
  /** Whether the newest reading is off; null where there is none. */
  readonly off: boolean | null;
}

export interface ShownSuspect {
  readonly id: string;
  readonly words: string;
  readonly share: number;
  /** Elements of the circuit that it is in, for marks on the line diagram; none for "as built". */
  readonly elementIds: readonly string[];
  /** The circuit it belongs to; "" for what is in none. */
  readonly runId: string;
}

export interface ShownDiagnosis {
  readonly suspects: readonly ShownSuspect[];
  /** Suspects that nothing a tip can reach tells from the first. */
  readonly alike: readonly string[];
  readonly noneOfThem: boolean;
  readonly next: ShownStep | null;
}

export interface ProvingGroup {
  readonly id: string;
  readonly steps: readonly ShownStep[];
  /** Steps beside the script that were proposed and read. */
  readonly more: readonly ShownStep[];
  readonly told: number;
  readonly hidden: readonly string[];
  /** Null while everything that was read is as it should be. */
  readonly diagnosis: ShownDiagnosis | null;
}

export interface Proving {
  /** Before any fuse goes in: battery and pack at rest, ohms of every way. */
  readonly first: readonly ShownStep[];
  readonly groups: readonly ProvingGroup[];
  readonly csv: string;
}

interface Prepared {
  readonly key: string;
  readonly bench: TestBench;
  readonly circuit: Circuit;
  readonly script: JobScript;
}

let prepared: Prepared | null = null;

/** The bench of a job's circuit: kept while nothing of the circuit changes, as readings come. */
function prepare(job: Job): Prepared {
  // Panels that cover nothing change no step, however often they come off.
  const strip = job.strip.some((s) => s.covers.length > 0) ? job.strip : [];
  const rest = { card: null, readings: [], mends: [], aims: [], photos: [], worked: [] };
  const key = JSON.stringify({ ...job, ...rest, strip, volts: readAtRest(job) });
  if (prepared?.key === key) return prepared;
  const bench = testBenchOf(job);
  const script = scriptsOf(bench);
  prepared = { key, bench, script, circuit: bench.circuit };
  return prepared;
}

/** Readings of the sources at rest: what everything else is expected by. */
const readAtRest = (job: Job): readonly unknown[] =>
  [...standingReadings(job)].flatMap(([step, { value }]) =>
    /^volts\|off\|(battery|pack)\.pos/.test(step) ? [step, value] : [],
  );

function shownStep(bench: TestBench, probe: Probe, value: number | null | undefined): ShownStep {
  const expected = probe.bench.sound(probe);
  const [low, high] = bench.range(probe);
  return {
    id: probe.id,
    controls: probe.state.words,
    words: probe.words,
    unit: probe.unit,
    choices: probe.at.kind === "look" ? SENSE_WORDS[probe.at.sense] : [],
    expected: expectedText({ probe, expected, low, high }),
    right: boundsText({ probe, expected, low, high }),
    beforePanels: probe.beforePanels,
    panels: probe.panels,
    off: value === undefined || value === null ? null : value < low || value > high,
  };
}

const MOST_SUSPECTS = 8;

const shownDiagnosis = (
  bench: TestBench,
  { ranked, alike, noneOfThem, next }: Diagnosis,
): ShownDiagnosis => ({
  suspects: ranked.slice(0, MOST_SUSPECTS).map(({ suspect, share }) => ({
    ...{ id: suspect.id, words: suspect.words, share },
    elementIds: suspect.kind === "fault" ? suspect.elementIds : [],
    runId: suspect.kind === "fault" ? suspect.runId : "",
  })),
  alike: alike.map(({ words }) => words),
  noneOfThem,
  next: next && shownStep(bench, next.probe, undefined),
});

/** The test of a job with what was read so far. */
export function provingOf(job: Job): Proving {
  const { bench, script } = prepare(job);
  const latest = standingReadings(job);
  const values = new Map([...latest].map(([step, reading]) => [step, reading.value]));
  const taken = [...values].flatMap(([step, value]) => (value === null ? [] : [{ step, value }]));
  const found = bench.diagnose(taken).groups;
  const atRest = new Set(script.before.map(({ probe }) => probe.id));
  const first = script.before.map(({ probe }) => shownStep(bench, probe, values.get(probe.id)));
  const groups = script.groups.map(({ group, script: own }, i): ProvingGroup => {
    const scripted = new Set(own.steps.map(({ probe }) => probe.id));
    const more = taken.flatMap(({ step }) => {
      const at = bench.find(step);
      return at?.group === group && !scripted.has(step) && !atRest.has(step) ? [at.probe] : [];
    });
    const steps = own.steps.map(({ probe }) => shownStep(bench, probe, values.get(probe.id)));
    const shownMore = more.map((probe) => shownStep(bench, probe, values.get(probe.id)));
    const diagnosis = found.find((f) => f.group === group)?.diagnosis;
    // A short that was found before anything was live is looked for with its own circuits.
    const ways = script.before.filter(
      ({ probe }) => probe.state.dead && bench.find(probe.id)?.group === group,
    );
    const shownWays = ways.map(({ probe }) => shownStep(bench, probe, values.get(probe.id)));
    const off = [...shownWays, ...steps, ...shownMore].some((step) => step.off === true);
    return {
      id: String(i),
      steps,
      more: shownMore,
      told: own.told,
      hidden: own.hidden.map(({ words }) => words),
      diagnosis: diagnosis && off ? shownDiagnosis(bench, diagnosis) : null,
    };
  });
  return {
    first,
    groups,
    csv: printScriptCsv([
      ...script.before,
      ...script.groups.flatMap(({ script: own }) => own.steps),
    ]),
  };
}

/** Strips of the circuits that suspects sit in, solved as built while they are on. */
export function suspectDiagrams(
  job: Job,
  owners: readonly string[],
  units: UnitSystem,
): { readonly strips: readonly LineDiagram[]; readonly feeders: readonly FeederDiagram[] } {
  const { bench, circuit } = prepare(job);
  const wanted = new Set(owners);
  const runs = bench.groups.flatMap((group) => group.runs);
  const own = runs.filter(({ runId }) => wanted.has(runId));
  const last = (own[0] ?? runs[0])?.states.at(-1);
  if (!last) return { strips: [], feeders: [] };
  const view = benchAt(job, circuit, last.position, units);
  if (view.kind !== "solved") return { strips: [], feeders: [] };
  return {
    strips: view.strips.filter(({ runId }) => wanted.has(runId)),
    feeders: view.feeders.filter(({ ownerId }) => wanted.has(ownerId)),
  };
}

/** How far the test is, and all that was read. */
export const testedOf = (job: Job): TestReport => testReport(job, prepare(job).bench);

/** How a suspect is put right; null where it is none that can be: "as built", "none of them". */
export function mendingOf(job: Job, suspectId: string, units: UnitSystem): MendPlan | null {
  const { bench, circuit } = prepare(job);
  const latest = standingReadings(job);
  const read = new Set(latest.keys());
  const taken = [...latest].flatMap(([step, { value }]) =>
    value === null ? [] : [{ step, value }],
  );
  for (const { group, diagnosis } of bench.diagnose(taken).groups) {
    const suspect = diagnosis.ranked.find((r) => r.suspect.id === suspectId)?.suspect;
    if (suspect?.kind === "fault") {
      return mendPlan({ job, circuit, units }, group, suspect, read);
    }
  }
  return null;
}

/** A reading against the script: why it cannot be, and from and to what was expected. */
export interface Judged {
  readonly impossible: string | null;
  readonly low: number | null;
  readonly high: number | null;
}

/** Judges readings one by one, without taking them. */
export function judgeReadings(job: Job, readings: readonly TakenReading[]): Judged[] {
  const { bench } = prepare(job);
  return readings.map((reading) => {
    const found = bench.find(reading.step);
    const [low, high] = found ? bench.range(found.probe) : [null, null];
    return { impossible: bench.impossible(reading), low, high };
  });
}
