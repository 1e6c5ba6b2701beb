import type { Fact } from "../../quantity/index.ts";

/** Two lengths end to end: guessed where both are, told where anything of it is. */
export const addFacts = (a: Fact, b: Fact): Fact => ({
  value: a.value + b.value,
  low: a.low + b.low,
  high: a.high + b.high,
  provenance: a.provenance === b.provenance ? a.provenance : "stated",
});
