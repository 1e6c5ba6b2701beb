import type { BoundedValue } from "../../quantity/index.ts";

/** Two lengths end to end: guessed where both are, told where anything of it is. */
export const addFacts = (a: BoundedValue, b: BoundedValue): BoundedValue => ({
  value: a.value + b.value,
  low: a.low + b.low,
  high: a.high + b.high,
  provenance: a.provenance === b.provenance ? a.provenance : "stated",
});
