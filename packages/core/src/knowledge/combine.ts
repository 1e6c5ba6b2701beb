import { itemAt } from "../present/index.ts";
/** One machine's figure, with what it is unsure by. */
export interface MachineEstimate {
  readonly value: number;
  /** Standard error, above 0. */
  readonly error: number;
}

/** What several machines say together. */
export interface Combined {
  readonly value: number;
  /** Standard error of the value. */
  readonly error: number;
  /** How far machines differ among each other beyond what they are unsure by (standard deviation). */
  readonly between: number;
  /** Cochran's Q, and its degrees of freedom. */
  readonly q: number;
  readonly freedom: number;
}

const sumOf = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

/**
 * Several estimates as one, by random effects: each weighs by what it is unsure by and by how far
 * machines of one model differ (DerSimonian and Laird, "Meta-analysis in clinical trials", 1986).
 */
export function combine(estimates: readonly MachineEstimate[]): Combined {
  const weights = estimates.map(({ error }) => 1 / error ** 2);
  const total = sumOf(weights);
  const fixed = sumOf(estimates.map(({ value }, i) => value * itemAt(weights, i))) / total;
  const q = sumOf(estimates.map(({ value }, i) => itemAt(weights, i) * (value - fixed) ** 2));
  const freedom = estimates.length - 1;
  const scale = total - sumOf(weights.map((w) => w * w)) / total;
  const variance = scale > 0 ? Math.max(0, (q - freedom) / scale) : 0;
  const random = estimates.map(({ error }) => 1 / (error ** 2 + variance));
  return {
    value: sumOf(estimates.map(({ value }, i) => value * itemAt(random, i))) / sumOf(random),
    error: 1 / Math.sqrt(sumOf(random)),
    between: Math.sqrt(variance),
    q,
    freedom,
  };
}

/**
 * What chi-squared exceeds in 5 of 100 cases, by degrees of freedom from 1 (NIST/SEMATECH
 * e-Handbook of Statistical Methods, 1.3.6.7.4).
 */
const CHI_SQUARED_95 = [
  ...[3.841, 5.991, 7.815, 9.488, 11.07, 12.592, 14.067, 15.507, 16.919, 18.307],
  ...[19.675, 21.026, 22.362, 23.685, 24.996, 26.296, 27.587, 28.869, 30.144, 31.41],
];

/** Chi-squared's 95 % point; over twenty degrees of freedom by Wilson and Hilferty's cube. */
export function chiSquared95(freedom: number): number {
  const known = CHI_SQUARED_95[freedom - 1];
  if (known !== undefined) return known;
  const part = 2 / (9 * freedom);
  return freedom * (1 - part + 1.645 * Math.sqrt(part)) ** 3;
}

/**
 * What Student's t stays within in 95 of 100 cases, by degrees of freedom from 1 (the same
 * handbook, 1.3.6.7.2).
 */
const STUDENT_95 = [
  ...[12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228],
  ...[2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11, 2.101, 2.093, 2.086],
];

/** Student's two-sided 95 % point; over twenty degrees of freedom that of the twentieth. */
export const student95 = (freedom: number): number =>
  itemAt(STUDENT_95, Math.min(freedom, STUDENT_95.length) - 1);
