import type { Expected } from "../expect/probe.ts";

/** Share of readings that are plain wrong: a tip that slipped, the wrong terminal. Estimate. */
const SLIP_SHARE = 0.01;

/**
 * Likelihood of a reading where so much is expected: a normal density over the range that the
 * reading can have, with a floor of slips. Where nothing is expected every reading is alike.
 *
 * @param range what the instrument could have shown, as a span in the reading's own unit
 */
export function likelihood(reading: number, { value, sigma }: Expected, range: number): number {
  const flat = 1 / range;
  if (!Number.isFinite(sigma)) return flat;
  const z = (reading - value) / sigma;
  const density = Math.exp(-0.5 * z * z) / (sigma * Math.sqrt(2 * Math.PI));
  return SLIP_SHARE * flat + (1 - SLIP_SHARE) * density;
}

/** Shares after one more piece of evidence: Bayes' rule. Shares that add up to nothing stay. */
export function update(shares: readonly number[], likelihoods: readonly number[]): number[] {
  const joint = shares.map((share, i) => share * (likelihoods[i] ?? 0));
  const total = joint.reduce((sum, x) => sum + x, 0);
  return total > 0 ? joint.map((x) => x / total) : [...shares];
}

/** Uncertainty of shares, in bits: Shannon. */
export function entropyBits(shares: readonly number[]): number {
  let bits = 0;
  for (const p of shares) if (p > 0) bits -= p * Math.log2(p);
  return bits;
}
