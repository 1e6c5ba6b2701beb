import type { LoadLine } from "./load.mjs";

/** What so many servers hold: answers a second, and cores by who takes them, the most first. */
export interface Held {
  readonly size: number;
  readonly all: LoadLine;
  readonly perSecond: number;
  readonly cores: readonly (readonly [kind: string, cores: number])[];
}
export function holdingTold(one: Held, several: Held, has?: number): string;
