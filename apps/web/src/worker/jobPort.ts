import type { Job } from "@dragonet/core";

/**
 * How many jobs each side of the port holds: the open one, plan B, an exercise's, and those
 * that answers still under way were asked for.
 */
const HELD = 8;

/** A job on its way: whole the first time, then by its number alone. */
export interface PostedJob {
  readonly number: number;
  readonly job: Job | null;
}

export const isJob = (value: unknown): value is Job =>
  typeof value === "object" && value !== null && "format" in value && "card" in value;

/** Marks one as the last used; answers the one that is held no longer. */
function hold<T>(held: Map<number, T>, number: number, value: T): void {
  held.delete(number);
  held.set(number, value);
  const [oldest] = held.keys();
  if (held.size > HELD && oldest !== undefined) held.delete(oldest);
}

/** The sending side: knows what the other holds, as both let go of the same in the same order. */
export class JobSender {
  private readonly numbers = new WeakMap<Job, number>();
  private readonly held = new Map<number, true>();
  private last = 0;

  post(job: Job): PostedJob {
    const number = this.numbers.get(job) ?? (this.last += 1);
    this.numbers.set(job, number);
    const there = this.held.has(number);
    hold(this.held, number, true);
    return { number, job: there ? null : job };
  }
}

/** The receiving side: one job stays one object, so that what was worked out of it is found again. */
export class JobReceiver {
  private readonly held = new Map<number, Job>();

  take({ number, job }: PostedJob): Job {
    const found = this.held.get(number) ?? job;
    if (!found) throw new Error(`job ${number} is not held here: it has to be sent whole`);
    hold(this.held, number, found);
    return found;
  }
}
