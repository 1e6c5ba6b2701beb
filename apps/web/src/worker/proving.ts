import {
  TestBench,
  soundRange,
  expectedText,
  latestReadings,
  printScriptCsv,
  scriptOf,
  SENSE_WORDS,
  type Diagnosis,
  type GroupScript,
  type Job,
  type Probe,
  type TakenReading,
  type Testable,
} from "@dragonet/core";

/** A step of the test as the page shows it. */
export interface ShownStep {
  readonly id: string;
  readonly controls: string;
  readonly words: string;
  readonly unit: "V" | "A" | "";
  /** Words to choose from where it is seen, heard or felt; none where a meter reads it. */
  readonly choices: readonly string[];
  readonly expected: string;
  readonly low: number;
  readonly high: number;
  readonly beforePanels: boolean;
  /** Whether the newest reading is off; null where there is none. */
  readonly off: boolean | null;
}

export interface ShownSuspect {
  readonly id: string;
  readonly words: string;
  readonly share: number;
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
  readonly groups: readonly ProvingGroup[];
  readonly csv: string;
}

interface Prepared {
  readonly key: string;
  readonly bench: TestBench;
  readonly scripts: readonly { readonly group: Testable; readonly script: GroupScript }[];
}

let prepared: Prepared | null = null;

/** The bench of a job's circuit: kept while nothing of the circuit changes, as readings come. */
function prepare(job: Job): Prepared {
  const key = JSON.stringify({ ...job, card: null, readings: [], aims: [], strip: [], photos: [] });
  if (prepared?.key === key) return prepared;
  const bench = new TestBench(job);
  const scripts = bench.groups.map((group) => ({ group, script: scriptOf(group) }));
  prepared = { key, bench, scripts };
  return prepared;
}

function shownStep(probe: Probe, value: number | null | undefined): ShownStep {
  const expected = probe.bench.sound(probe);
  const [low, high] = soundRange(probe);
  return {
    id: probe.id,
    controls: probe.state.words,
    words: probe.words,
    unit: probe.unit,
    choices: probe.at.kind === "look" ? SENSE_WORDS[probe.at.sense] : [],
    expected: expectedText({ probe, expected, low, high }),
    low,
    high,
    beforePanels: probe.beforePanels,
    off: value === undefined || value === null ? null : value < low || value > high,
  };
}

const MOST_SUSPECTS = 8;

const shownDiagnosis = ({ ranked, alike, noneOfThem, next }: Diagnosis): ShownDiagnosis => ({
  suspects: ranked
    .slice(0, MOST_SUSPECTS)
    .map(({ suspect, share }) => ({ id: suspect.id, words: suspect.words, share })),
  alike: alike.map(({ words }) => words),
  noneOfThem,
  next: next && shownStep(next.probe, undefined),
});

/** The test of a job with what was read so far. */
export function provingOf(job: Job): Proving {
  const { bench, scripts } = prepare(job);
  const latest = latestReadings(job.readings);
  const values = new Map([...latest].map(([step, reading]) => [step, reading.value]));
  const taken = [...values].flatMap(([step, value]) => (value === null ? [] : [{ step, value }]));
  const found = bench.diagnose(taken).groups;
  const groups = scripts.map(({ group, script }, i): ProvingGroup => {
    const scripted = new Set(script.steps.map(({ probe }) => probe.id));
    const more = taken.flatMap(({ step }) => {
      const at = bench.find(step);
      return at?.group === group && !scripted.has(step) ? [at.probe] : [];
    });
    const steps = script.steps.map(({ probe }) => shownStep(probe, values.get(probe.id)));
    const shownMore = more.map((probe) => shownStep(probe, values.get(probe.id)));
    const diagnosis = found.find((f) => f.group === group)?.diagnosis;
    const off = [...steps, ...shownMore].some((step) => step.off === true);
    return {
      id: String(i),
      steps,
      more: shownMore,
      told: script.told,
      hidden: script.hidden.map(({ words }) => words),
      diagnosis: diagnosis && off ? shownDiagnosis(diagnosis) : null,
    };
  });
  return { groups, csv: printScriptCsv(scripts) };
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
    const [low, high] = found ? soundRange(found.probe) : [null, null];
    return { impossible: bench.impossible(reading), low, high };
  });
}
