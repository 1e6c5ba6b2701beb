import { decimal } from "../../quantity/index.ts";
import type { Practices, LightingCircuit } from "../../job/index.ts";
import { BLADE_V } from "../../part/index.ts";
import { fuseForDraw, fuseFormFor, fuseUnderCeiling } from "../../protection/index.ts";
import type { Decision } from "../decide/decision.ts";

/** The fuse of a run in A by the practised school, or as pinned. `value` null: no fuse. */
export function decideFuse(
  run: Pick<LightingCircuit, "fuse">,
  drawA: number,
  practices: Practices,
  /** The most that its source shows, in V. */
  mostV: number,
  /** What lies behind it as it comes carries so much, in A: leads of the lamps, their plug. */
  mostA = Infinity,
): Decision<number | null> {
  const { name, breaksV } = fuseFormFor(mostV);
  const form = breaksV > BLADE_V ? ` A ${name}: the source shows ${decimal(mostV)} V.` : "";
  const loaded = (ratingA: number): string =>
    `Loaded to ${decimal((100 * drawA) / ratingA, 0)} % by ${decimal(drawA)} A`;
  if (run.fuse.kind === "none") {
    return { value: null, picked: "no fuse", reason: "Pinned: no fuse.", pinned: true };
  }
  if (run.fuse.kind === "rating" || run.fuse.kind === "breaker") {
    const { kind, ratingA } = run.fuse;
    const breaker = kind === "breaker";
    return {
      value: ratingA,
      picked: breaker ? `${decimal(ratingA)} A breaker` : `${decimal(ratingA)} A`,
      reason: `Pinned. ${loaded(ratingA)}.${breaker ? " It closes again by itself: the lamp comes back, and so does the fault." : ""}${form}`,
      pinned: true,
    };
  }
  const wantedA = fuseForDraw(drawA, practices.fuseSchool);
  // A tenth of an amp under a rating is not a difference that anyone can measure.
  const underA = wantedA !== null && wantedA > mostA + 0.1 ? fuseUnderCeiling(mostA + 0.1) : null;
  if (underA !== null && wantedA !== null && underA >= drawA) {
    return {
      value: underA,
      picked: `${decimal(underA)} A`,
      reason: `${loaded(underA)}: ${decimal(wantedA)} A by the shop's practice is more than the ${decimal(mostA)} A that what lies behind it carries. Two circuits would not be so near it.${form}`,
      pinned: false,
    };
  }
  const ratingA = wantedA;
  if (ratingA === null) {
    return {
      value: 40,
      picked: "40 A",
      reason: `${decimal(drawA)} A is above what the largest blade fuse allows: split the circuit.`,
      pinned: false,
    };
  }
  const school =
    practices.fuseSchool === "nextSize"
      ? "the next standard size above the draw"
      : "the smallest that is loaded to 80 % at most";
  return {
    value: ratingA,
    picked: `${decimal(ratingA)} A`,
    reason: `${loaded(ratingA)}: ${school}.${form}`,
    pinned: false,
  };
}
