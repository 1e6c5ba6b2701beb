import { TASKS, type Task } from "../job/index.ts";
import type { JobSummary } from "../plan/summary.ts";
import { backtest, type Backtest } from "../quote/pace.ts";

/** One kind of work over all jobs that are handed over and timed, hours. */
export interface HoursOfTask {
  readonly task: Task;
  readonly plannedH: number;
  readonly tookH: number;
  readonly jobs: number;
}

/** So many of something. */
export interface CountOf {
  readonly what: string;
  readonly count: number;
}

/** What a shop's jobs say about the shop. */
export interface ShopFigures {
  readonly hours: readonly HoursOfTask[];
  /** How far estimates lay off, plain and learned; null before any job was timed. */
  readonly backtest: Backtest | null;
  /** Kinds of things that open jobs wait for, the most frequent first. */
  readonly waits: readonly CountOf[];
  /** What open jobs take from the shelf in pieces, the most first. */
  readonly sells: readonly CountOf[];
  /** What was put right after a hand-over, by cause; and before it, at the test. */
  readonly comebacks: readonly CountOf[];
  readonly mends: readonly CountOf[];
}

type Listed = Pick<JobSummary, "stage" | "time" | "waiting" | "needs" | "mends">;

/** How often each thing is there, the most frequent first, of equals by name. */
function counted(things: readonly (readonly [what: string, count: number])[]): CountOf[] {
  const counts = new Map<string, number>();
  for (const [what, count] of things) counts.set(what, (counts.get(what) ?? 0) + count);
  return [...counts]
    .map(([what, count]) => ({ what, count }))
    .sort((a, b) => b.count - a.count || (a.what < b.what ? -1 : 1));
}

/** The figures of a shop out of its jobs, the oldest first: estimates are tried on those that came before. */
export function shopFigures(jobs: readonly Listed[]): ShopFigures {
  const records = jobs.flatMap(({ time }) => time);
  const hours = TASKS.map((task): HoursOfTask => {
    const own = records.filter((record) => record.task === task);
    const sum = (of: (record: (typeof own)[number]) => number): number =>
      own.reduce((total, record) => total + of(record), 0) / 60;
    return {
      ...{ task, jobs: own.length },
      ...{ plannedH: sum((r) => r.plannedMin), tookH: sum((r) => r.tookMin) },
    };
  });
  const mends = jobs.flatMap((job) => job.mends);
  const isOpen = ({ stage }: Listed): boolean => stage !== "handOver";
  const waiting = jobs.flatMap((job) => [...new Set(job.waiting.map(({ kind }) => kind))]);
  const needs = jobs.filter(isOpen).flatMap((job) => job.needs);
  return {
    hours: hours.filter((one) => one.jobs > 0),
    backtest: backtest(records),
    waits: counted(waiting.map((kind) => [kind, 1])),
    sells: counted(needs.filter(({ unit }) => unit === "").map(({ name, count }) => [name, count])),
    comebacks: counted(mends.filter((m) => m.comeback).map(({ what }) => [what, 1])),
    mends: counted(mends.filter((m) => !m.comeback).map(({ what }) => [what, 1])),
  };
}
