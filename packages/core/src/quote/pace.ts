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

export type Pace = Readonly<Record<Task, TaskPace>>;

/** So many jobs the common estimate weighs against the shop's own, and a task against the shop. */
const PRIOR_JOBS = 3;
/** Spread of single jobs before any is known, in logarithms: 30 % either way, four times in five. */
const PRIOR_SIGMA = Math.log(1.3) / 1.2816;
/** Four of five of a normal distribution lie within so many standard deviations. */
const FOUR_IN_FIVE = 1.2816;

const mean = (list: readonly number[]): number =>
  list.length === 0 ? 0 : list.reduce((sum, x) => sum + x, 0) / list.length;

/** A mean drawn toward another while it rests on few: (n·x̄ + k·m) ÷ (n + k). */
const shrunk = (list: readonly number[], toward: number): number =>
  (list.length * mean(list) + PRIOR_JOBS * toward) / (list.length + PRIOR_JOBS);

/**
 * A shop's pace by kind of work: each kind's mean ratio (in logarithms, so that half and double
 * weigh alike) drawn toward the shop's, the shop's toward one, while they rest on few jobs. The
 * estimate of James and Stein's kind with a fixed weight (Efron and Morris, 1975, from memory).
 */
export function paceOf(records: readonly TimeRecord[]): Pace {
  const logs = records.map((r) => ({ task: r.task, log: Math.log(r.tookMin / r.plannedMin) }));
  const shop = shrunk(
    logs.map((r) => r.log),
    0,
  );
  const squares = logs.map(({ task, log }) => {
    const own = logs.filter((r) => r.task === task).map((r) => r.log);
    return (log - mean(own)) ** 2;
  });
  const sigma = Math.sqrt(
    (squares.reduce((sum, x) => sum + x, 0) + PRIOR_JOBS * PRIOR_SIGMA ** 2) /
      (squares.length + PRIOR_JOBS),
  );
  const of = (task: Task): TaskPace => {
    const own = logs.filter((r) => r.task === task).map((r) => r.log);
    // What the next job does: its own spread, and how little is known of the middle.
    const next = sigma * Math.sqrt(1 + 1 / (own.length + PRIOR_JOBS));
    return {
      factor: Math.exp(shrunk(own, shop)),
      spread: Math.exp(FOUR_IN_FIVE * next),
      jobs: own.length,
    };
  };
  return Object.fromEntries(TASKS.map((task) => [task, of(task)])) as Pace;
}

/** How well estimates would have done, each made of the jobs before it alone. */
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
  const plain: number[] = [];
  const learned: number[] = [];
  records.forEach((record, i) => {
    const { factor } = paceOf(records.slice(0, i))[record.task];
    plain.push(off(record.tookMin, record.plannedMin));
    learned.push(off(record.tookMin, record.plannedMin * factor));
  });
  return {
    jobs: records.length,
    plainError: Math.exp(mean(plain)) - 1,
    learnedError: Math.exp(mean(learned)) - 1,
  };
}
