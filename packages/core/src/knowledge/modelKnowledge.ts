import { itemAt } from "../present/index.ts";
import { DEFAULT_SPREAD, boundedValue, type BoundedValue } from "../quantity/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import {
  chiSquared95,
  combine,
  student95,
  type Combined,
  type MachineEstimate,
} from "./combine.ts";
import { machineOf, type Measurement } from "./measurement.ts";

/**
 * Whether machines of a model agree: `one` that was looked at alone, `agree`, by `variant` or by `year` where
 * that explains how they differ, or `differ`.
 */
export type Agreement = "one" | "agree" | "variant" | "year" | "differ";

/** What is known of one thing about a model. */
export interface Known {
  readonly key: string;
  readonly words: string;
  readonly unit: string;
  /** The last of each machine, newest first. */
  readonly measurements: readonly Measurement[];
  readonly agreement: Agreement;
  /** Where they are told apart: what each kind shows. */
  readonly groups: readonly KnownGroup[];
  /** What the next machine is expected to show; null of a wire. */
  readonly next: BoundedValue | null;
  /** What most say a wire is; "" of a number. */
  readonly said: string;
}

/** Which machine is meant: those to come are told from those known by that. */
export interface Which {
  /** Name of its variant; "" when nobody said. */
  readonly variant: string;
  readonly year: number;
}

/** Every machine of a model, whatever its variant and year. */
export const ANY: Which = { variant: "", year: 0 };

/** A vehicle as it is told from others of its model. */
export const whichOf = ({ variants, variant, year }: Vehicle): Which => ({
  variant: variants.find(({ id }) => id === variant)?.name ?? "",
  year,
});

/** No meter is better than a tenth of a percent. */
const LEAST_SHARE = 0.001;

const round = (x: number): number => Number(x.toPrecision(4));

/** A value to one digit more than its bounds tell: 3.425 between 1.1 and 5.75 is 3.4. */
function roundBetween(value: number, low: number, high: number): number {
  const half = (high - low) / 2;
  if (!(half > 0)) return round(value);
  const decimals = Math.min(6, Math.max(0, 1 - Math.floor(Math.log10(half))));
  return Math.min(high, Math.max(low, Number(value.toFixed(decimals))));
}

const isNumber = (
  m: Measurement,
): m is Measurement & { value: number; low: number; high: number } =>
  m.value !== null && m.low !== null && m.high !== null;

/** Bounds are taken as two standard errors to each side. */
const estimateOf = (
  m: Measurement & { value: number; low: number; high: number },
): MachineEstimate => ({
  value: m.value,
  error: Math.max((m.high - m.low) / 4, Math.abs(m.value) * LEAST_SHARE, 1e-9),
});

const fits = ({ q, freedom }: Pick<Combined, "q" | "freedom">): boolean =>
  freedom < 1 || q <= chiSquared95(freedom);

/** The last word of each machine, newest first. */
function lastOfEach(all: readonly Measurement[]): Measurement[] {
  const last = new Map<string, Measurement>();
  for (const one of all) {
    const other = last.get(machineOf(one));
    if (!other || other.day <= one.day) last.set(machineOf(one), one);
  }
  return [...last.values()].sort((a, b) => (a.day < b.day ? 1 : a.day > b.day ? -1 : 0));
}

function groupBy<T>(all: readonly T[], by: (one: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const one of all) groups.set(by(one), [...(groups.get(by(one)) ?? []), one]);
  return [...groups.values()];
}

/**
 * Whether machines agree within groups that differ among each other: Cochran's Q parts into what
 * lies within groups and what lies between them, each chi-squared by itself.
 */
function explains(all: readonly Measurement[], by: (m: Measurement) => string): boolean {
  if (all.some((m) => by(m) === "")) return false;
  const groups = groupBy(all, by);
  if (groups.length < 2) return false;
  if (!all.every(isNumber)) {
    return groups.every((group) => new Set(group.map((m) => m.said)).size === 1);
  }
  // As many groups as machines explain any numbers, and so none.
  if (groups.length === all.length) return false;
  const within = groups.map((group) => combine(group.filter(isNumber).map(estimateOf)));
  const q = within.reduce((sum, part) => sum + part.q, 0);
  const freedom = within.reduce((sum, part) => sum + part.freedom, 0);
  return fits({ q, freedom });
}

const byVariant = (m: Measurement): string => m.variant;
const byYear = (m: Measurement): string => (m.year === 0 ? "" : String(m.year));

function agreementOf(all: readonly Measurement[]): Agreement {
  if (all.length === 1) return "one";
  const whole = all.every(isNumber)
    ? fits(combine(all.filter(isNumber).map(estimateOf)))
    : new Set(all.map((m) => m.said)).size === 1;
  if (whole) return "agree";
  if (explains(all, byVariant)) return "variant";
  return explains(all, byYear) ? "year" : "differ";
}

/** Machines of one kind, as they are told apart, and what the next of these is expected to show. */
export interface KnownGroup {
  /** Name of a variant, or a year. */
  readonly name: string;
  readonly next: BoundedValue | null;
  readonly said: string;
}

const nameIn = (agreement: Agreement, m: Measurement): string =>
  agreement === "variant" ? byVariant(m) : agreement === "year" ? byYear(m) : "";

/** The groups that explain how machines differ; none where nothing is told apart. */
function groupsOf(all: readonly Measurement[], agreement: Agreement): KnownGroup[] {
  if (agreement !== "variant" && agreement !== "year") return [];
  return groupBy(all, (m) => nameIn(agreement, m))
    .map((group) => ({
      name: nameIn(agreement, itemAt(group, 0)),
      next: nextOf(group),
      said: mostSaid(group),
    }))
    .sort((a, b) => (a.name < b.name ? -1 : 1));
}

/** One of several groups, nobody knows which: anything that one of them may show. */
function anyOf(groups: readonly KnownGroup[]): BoundedValue | null {
  const facts = groups.flatMap(({ next }) => (next ? [next] : []));
  if (facts.length === 0) return null;
  const mean = facts.reduce((sum, { value }) => sum + value, 0) / facts.length;
  const low = Math.min(...facts.map((fact) => fact.low));
  const high = Math.max(...facts.map((fact) => fact.high));
  return boundedValue(roundBetween(mean, low, high), "sister", low, high);
}

/**
 * What the next machine will show, with bounds that hold for it and not for the mean (Higgins, Thompson
 * and Spiegelhalter 2009: Student's t of the machines, what they differ by and what the mean is unsure by).
 * Of one nobody knows how far machines differ: a tenth, as of the maker's paper; two that agree are no surer than
 * Student says, and no less sure than that.
 */
function nextOf(all: readonly Measurement[]): BoundedValue | null {
  const numbers = all.filter(isNumber);
  if (numbers.length === 0) return null;
  const made = combine(numbers.map(estimateOf));
  const spread = Math.hypot(made.between, made.error);
  const paper = Math.abs(made.value) * DEFAULT_SPREAD.sister;
  const half =
    numbers.length === 1
      ? Math.max(2 * spread, paper)
      : numbers.length === 2
        ? Math.max(2 * spread, Math.min(student95(1) * spread, paper))
        : student95(numbers.length - 1) * spread;
  const reach = [...numbers.map((m) => m.low), ...numbers.map((m) => m.high)];
  // A machine that was seen is not ruled out.
  const low = Math.min(made.value - half, ...reach);
  const high = Math.max(made.value + half, ...reach);
  const floor = numbers.every((m) => m.low >= 0) ? 0 : -Infinity;
  const bounds = [round(Math.max(floor, low)), round(high)] as const;
  return boundedValue(roundBetween(made.value, ...bounds), "sister", ...bounds);
}

function mostSaid(all: readonly Measurement[]): string {
  const groups = groupBy(all, (m) => m.said).sort((a, b) => b.length - a.length);
  return groups[0]?.[0]?.said ?? "";
}

/** Everything that was found out about a model, thing by thing, as far as it says something of one machine. */
export function knowledgeOf(all: readonly Measurement[], which: Which = ANY): Known[] {
  return groupBy(all, (m) => m.key).map((group): Known => {
    const measurements = lastOfEach(group);
    const { key, words, unit } = itemAt(measurements, 0);
    const agreement = agreementOf(measurements);
    const groups = groupsOf(measurements, agreement);
    const name =
      agreement === "variant" ? which.variant : which.year === 0 ? "" : String(which.year);
    const own = groups.find((one) => one.name === name);
    return {
      ...{ key, words, unit, measurements, agreement, groups },
      next: own ? own.next : groups.length > 0 ? anyOf(groups) : nextOf(measurements),
      said: own ? own.said : mostSaid(measurements),
    };
  });
}
