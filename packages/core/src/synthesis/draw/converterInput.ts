import type { Job, Supply } from "../../job/index.ts";
import type { ConverterPart, Part } from "../../part/index.ts";
import { feedPointOf } from "../decide/feedPoint.ts";

/**
 * Share of its output's current that a converter takes at its input, at the lowest volts that it
 * sees in use: an empty pack's, or its blocks'. A 12 V battery sags as far as the converter works.
 */
export function inputShare(job: Job, supply: Supply, part: ConverterPart): number {
  const feed = feedPointOf(job, supply.feed);
  const least = feed && feed.root.kind !== "battery" ? feed.range.lowV : 0;
  const inputV = Math.max(part.inMinV, part.cutOffV, least);
  return part.outV.value / (part.efficiencyFull * inputV);
}

/** Input of a converter at all that it may give for long, at its lowest input, in A. */
export const ratedInputA = (job: Job, supply: Supply, part: Part | undefined): number | null =>
  part?.kind === "converter" ? part.outA * inputShare(job, supply, part) : null;
