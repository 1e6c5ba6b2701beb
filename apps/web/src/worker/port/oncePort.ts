import type { Job, SentenceWorld } from "@dragonet/core";

/**
 * How many of a sort each side of the port holds: the open job, plan B, an exercise's, and those
 * that answers still under way were asked for.
 */
const HELD = 8;

/** Something on its way: whole the first time, then by its number alone. */
export interface Posted<T> {
  readonly number: number;
  readonly value: T | null;
}

/** What sentences are read in, but for the day. */
export type SaidWorld = Omit<SentenceWorld, "today">;

const has = (value: unknown, ...fields: readonly string[]): boolean =>
  typeof value === "object" && value !== null && fields.every((field) => field in value);

export const isJob = (value: unknown): value is Job => has(value, "format", "card");
export const isWorld = (value: unknown): value is SaidWorld => has(value, "shelf", "customers");

/** Marks one as the last used; answers the one that is held no longer. */
function hold<T>(held: Map<number, T>, number: number, value: T): void {
  held.delete(number);
  held.set(number, value);
  const [oldest] = held.keys();
  if (held.size > HELD && oldest !== undefined) held.delete(oldest);
}

/** The sending side: knows what the other holds, as both let go of the same in the same order. */
export class OnceSender<T extends object> {
  private readonly numbers = new WeakMap<T, number>();
  private readonly held = new Map<number, true>();
  private last = 0;

  post(value: T): Posted<T> {
    const number = this.numbers.get(value) ?? (this.last += 1);
    this.numbers.set(value, number);
    const there = this.held.has(number);
    hold(this.held, number, true);
    return { number, value: there ? null : value };
  }

  /** The other side is another by now, and holds nothing. */
  forget(): void {
    this.held.clear();
  }
}

/** The receiving side: one stays one object, so that what was worked out of it is found again. */
export class OnceReceiver<T extends object> {
  private readonly held = new Map<number, T>();

  take({ number, value }: Posted<T>): T {
    const found = this.held.get(number) ?? value;
    if (!found) throw new Error(`number ${number} is not held here: it has to be sent whole`);
    hold(this.held, number, found);
    return found;
  }

  /** The other side is another by now, and counts anew. */
  forget(): void {
    this.held.clear();
  }
}
