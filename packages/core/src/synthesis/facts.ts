import type { Fact } from "../quantity/index.ts";

/** Two lengths end to end, no surer than the less sure of them. */
export const addFacts = (a: Fact, b: Fact): Fact => ({
  value: a.value + b.value,
  low: a.low + b.low,
  high: a.high + b.high,
  provenance: a.provenance === "assumed" || b.provenance === "assumed" ? "assumed" : a.provenance,
});
