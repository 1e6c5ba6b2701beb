import { TASKS, type Job, type Task } from "../job/index.ts";
import type { Circuit } from "../circuit/index.ts";
import { PLAIN_PACE, plannedTime } from "./plannedTime.ts";

/** One kind of work on one job that is done: what was planned of it without any learning, and taken, min. */
export interface TimeRecord {
  readonly task: Task;
  readonly plannedMin: number;
  readonly tookMin: number;
}

/** What a job adds to a shop's pace: kinds of work that were planned and whose time was written down. */
export function timeRecords(job: Job, circuit: Circuit): TimeRecord[] {
  if (job.worked.length === 0) return [];
  return plannedTime(job, circuit, PLAIN_PACE).flatMap(({ task, minutes }) => {
    const tookMin = job.worked.reduce((sum, w) => (w.task === task ? sum + w.minutes : sum), 0);
    return tookMin > 0 && minutes.mid > 0 ? [{ task, plannedMin: minutes.mid, tookMin }] : [];
  });
}

/** How a shop's time lies to what is planned: a factor, and how far single jobs lie from it. */
export interface TaskPace {
  /** Taken for planned, on the middle of the shop's jobs. */
  readonly factor: number;
  /** A job lies within this factor either way, four times in five. */
  readonly spread: number;
  readonly jobs: number;
}

/** How long a shop takes for each kind of work, against the trade. */
export type Pace = Readonly<Record<Task, TaskPace>>;

/** So many jobs the common estimate weighs against the shop's own, and a task against the shop. */
const PRIOR_JOBS = 3;
/** Spread of single jobs before any is known, in logarithms: 30 % either way, four times in five. */
const PRIOR_SIGMA = Math.log(1.3) / 1.2816;
/** Four of five of a normal distribution lie within so many standard deviations. */
const FOUR_IN_FIVE = 1.2816;

/** Ratios met so far, as logarithms: how many, their mean, and the sum of their squared distances from it. */
interface Met {
  readonly count: number;
  readonly mean: number;
  readonly squares: number;
}

const NONE: Met = { count: 0, mean: 0, squares: 0 };

/** One more, without looking at those before it again (Welford, 1962, from memory). */
function withOne({ count, mean, squares }: Met, log: number): Met {
  const next = mean + (log - mean) / (count + 1);
  return { count: count + 1, mean: next, squares: squares + (log - mean) * (log - next) };
}

/** A mean drawn toward another while it rests on few: (n·x̄ + k·m) ÷ (n + k). */
const shrunk = ({ count, mean }: Met, toward: number): number =>
  (count * mean + PRIOR_JOBS * toward) / (count + PRIOR_JOBS);

/** What was met of each kind of work, and of all together. */
class Times {
  private readonly byTask = new Map<Task, Met>();
  private all = NONE;

  add({ task, tookMin, plannedMin }: TimeRecord): void {
    const log = Math.log(tookMin / plannedMin);
    this.byTask.set(task, withOne(this.of(task), log));
    this.all = withOne(this.all, log);
  }

  private of(task: Task): Met {
    return this.byTask.get(task) ?? NONE;
  }

  factor(task: Task): number {
    return Math.exp(shrunk(this.of(task), shrunk(this.all, 0)));
  }

  pace(): Pace {
    let squares = 0;
    for (const met of this.byTask.values()) squares += met.squares;
    const sigma = Math.sqrt(
      (squares + PRIOR_JOBS * PRIOR_SIGMA ** 2) / (this.all.count + PRIOR_JOBS),
    );
    const paceOfTask = (task: Task): TaskPace => {
      const { count } = this.of(task);
      // What the next job does: its own spread, and how little is known of the middle.
      const next = sigma * Math.sqrt(1 + 1 / (count + PRIOR_JOBS));
      return {
        ...{ factor: this.factor(task), jobs: count },
        spread: Math.exp(FOUR_IN_FIVE * next),
      };
    };
    return Object.fromEntries(TASKS.map((task) => [task, paceOfTask(task)])) as Pace;
  }
}

/**
 * A shop's pace by kind of work: each kind's mean ratio (in logarithms, so that half and double
 * weigh alike) drawn toward the shop's, the shop's toward one, while they rest on few jobs. The
 * estimate of James and Stein's kind with a fixed weight (Efron and Morris, 1975, from memory).
 */
export function paceOf(records: readonly TimeRecord[]): Pace {
  const times = new Times();
  for (const record of records) times.add(record);
  return times.pace();
}

/** How well estimates would have done, each made of the times before it alone, those of its own job among them. */
export interface Backtest {
  readonly jobs: number;
  /** Middle of how far estimates lay off, as a factor less one: 0.2 is a fifth, either way. */
  readonly plainError: number;
  readonly learnedError: number;
}

/** Estimates each record from those before it, in their order; null where there are none. */
export function backtest(records: readonly TimeRecord[]): Backtest | null {
  if (records.length === 0) return null;
  const off = (took: number, said: number): number => Math.abs(Math.log(took / said));
  let [plain, learned] = [0, 0];
  // Each is met once: a shop that writes down every time has thousands.
  const before = new Times();
  for (const record of records) {
    plain += off(record.tookMin, record.plannedMin);
    learned += off(record.tookMin, record.plannedMin * before.factor(record.task));
    before.add(record);
  }
  return {
    jobs: records.length,
    plainError: Math.exp(plain / records.length) - 1,
    learnedError: Math.exp(learned / records.length) - 1,
  };
}
