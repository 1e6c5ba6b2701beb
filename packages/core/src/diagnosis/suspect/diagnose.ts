import { entropyBits, likelihood, update } from "./bayes.ts";
import { OPEN_WAY_OHM } from "../expect/ohms.ts";
import { PAIR_FACTOR } from "./priors.ts";
import { TURN_MIN, type Expected, type Probe } from "../expect/probe.ts";
import type { Testable } from "../script/testable.ts";
import type { FaultSuspect, Suspect } from "./suspects.ts";

/** What was read, or seen as a share of full brightness: 0 dark, 1 full. */
export interface Evidence {
  readonly probe: Probe;
  readonly value: number;
}

/** A suspect and its share of the likelihood (0–1). */
export interface Ranked {
  readonly suspect: Suspect;
  readonly share: number;
}

/** A probe worth taking next, by what it tells and what it takes. */
export interface NextProbe {
  readonly probe: Probe;
  /** Expected drop of uncertainty, in bits, and for each minute of work. */
  readonly bits: number;
  readonly bitsPerMinute: number;
  /** What it would read as built. */
  readonly sound: Expected;
}

/** What may be wrong after all readings so far, and what to take next. */
export interface Diagnosis {
  /** Every suspect that is not out of the question, the likeliest first. */
  readonly ranked: readonly Ranked[];
  /** Those that no reading so far tells from the first. */
  readonly alike: readonly Suspect[];
  /** That something is the case that nobody had on the list. */
  readonly noneOfThem: boolean;
  readonly bits: number;
  readonly next: NextProbe | null;
}

/** Ranges of the instruments, for what "anything at all" would read. */
const RANGE = { ohms: OPEN_WAY_OHM, volts: 100, amps: 40, milliamps: 40_000, look: 1.5 } as const;

/** Suspects with less than this are left out when the next probe is chosen, and at most so many. */
const LEAST_SHARE = 1e-3;
const MOST_CONSIDERED = 60;
/** Runs that the next probe is looked for in. */
const MOST_RUNS = 4;
/** Likeliest single faults of which pairs are tried, when no single one explains it. */
const SINGLES_FOR_PAIRS = 20;
/** Readings that would not move anything are not worth their minutes, in bits. */
const LEAST_BITS = 0.02;

const rangeOf = (probe: Probe): number => RANGE[probe.at.kind];

/** Shares of suspects after some evidence. */
export function sharesAfter(suspects: readonly Suspect[], evidence: readonly Evidence[]): number[] {
  let shares = suspects.map((suspect) => suspect.prior);
  for (const { probe, value } of evidence) {
    const likelihoods = suspects.map((suspect) =>
      likelihood(value, probe.bench.expects(suspect, probe), rangeOf(probe)),
    );
    shares = update(shares, likelihoods);
  }
  return shares;
}

/** Every two of the likeliest single faults, where one alone does not explain what was read. */
function pairsOf(ranked: readonly Ranked[]): FaultSuspect[] {
  const singles = ranked
    .map(({ suspect }) => suspect)
    .filter((suspect): suspect is FaultSuspect => suspect.kind === "fault")
    .slice(0, SINGLES_FOR_PAIRS);
  return singles.flatMap((a, i) =>
    singles.slice(i + 1).flatMap((b): FaultSuspect[] =>
      a.elementIds[0] === b.elementIds[0]
        ? []
        : [
            {
              ...a,
              id: `${a.id}&${b.id}`,
              words: `${a.words}, and ${b.words}`,
              prior: PAIR_FACTOR * Math.min(a.prior, b.prior),
              elementIds: [...a.elementIds, ...b.elementIds],
              changes: [...a.changes, ...b.changes],
            },
          ],
    ),
  );
}

/**
 * Expected uncertainty after a probe: each suspect in turn is taken to be the case, the
 * reading it would give looked at with all of them.
 */
function bitsAfter(probe: Probe, considered: readonly Ranked[]): number {
  const range = rangeOf(probe);
  const expected = considered.map(({ suspect }) => probe.bench.expects(suspect, probe));
  const total = considered.reduce((sum, { share }) => sum + share, 0);
  const shares = considered.map(({ share }) => share / total);
  const now = entropyBits(shares);
  let bits = 0;
  for (const [i, truth] of expected.entries()) {
    const share = shares[i] ?? 0;
    // Of what is not on the list nothing is learned.
    if (!Number.isFinite(truth.sigma)) {
      bits += share * now;
      continue;
    }
    // The entropy of the shares after it, from their sums: H = log2 Z − (Σ w log2 w) / Z.
    let weights = 0;
    let logs = 0;
    for (let k = 0; k < expected.length; k += 1) {
      const other = expected[k] ?? truth;
      const weight = (shares[k] ?? 0) * likelihood(truth.value, other, range);
      weights += weight;
      if (weight > 0) logs += weight * Math.log2(weight);
    }
    bits += share * (Math.log2(weights) - logs / weights);
  }
  return bits;
}

/** Those that still count, and what is not known of them, in bits. */
function open(ranked: readonly Ranked[]): { considered: Ranked[]; now: number } {
  const considered = ranked.filter(({ share }) => share > LEAST_SHARE).slice(0, MOST_CONSIDERED);
  const total = considered.reduce((sum, { share }) => sum + share, 0);
  return { considered, now: entropyBits(considered.map(({ share }) => share / total)) };
}

/** What a probe promises to tell of suspects by their shares, in bits. */
export function worthOf(ranked: readonly Ranked[], probe: Probe): number {
  const { considered, now } = open(ranked);
  return Math.max(0, now - bitsAfter(probe, considered));
}

/** The probe that tells most for each minute of work; null where none tells anything more. */
export function nextProbe(
  ranked: readonly Ranked[],
  probes: readonly Probe[],
  stateId: string | null,
): NextProbe | null {
  const { considered, now } = open(ranked);
  let best: NextProbe | null = null;
  for (const probe of probes) {
    const bits = now - bitsAfter(probe, considered);
    const minutes = probe.minutes + (probe.state.id === stateId ? 0 : TURN_MIN);
    const bitsPerMinute = bits / minutes;
    if (bits < LEAST_BITS || (best && best.bitsPerMinute >= bitsPerMinute)) continue;
    best = { probe, bits, bitsPerMinute, sound: probe.bench.sound(probe) };
  }
  return best;
}

/** Suspects whose every probe reads alike: no tip can part them. */
export function alikeTo(
  suspect: Suspect,
  others: readonly Suspect[],
  probes: readonly Probe[],
): Suspect[] {
  return others.filter(
    (other) =>
      other !== suspect &&
      // Of what is not on the list nothing is expected: it is alike to everything.
      other.kind === "fault" &&
      probes.every((probe) => {
        const [a, b] = [probe.bench.expects(suspect, probe), probe.bench.expects(other, probe)];
        return Math.abs(a.value - b.value) <= 2 * Math.hypot(a.sigma, b.sigma);
      }),
  );
}

const rank = (suspects: readonly Suspect[], shares: readonly number[]): Ranked[] =>
  suspects
    .map((suspect, i) => ({ suspect, share: shares[i] ?? 0 }))
    .sort((a, b) => b.share - a.share);

/**
 * Ranks the suspects of a group by what was read, and says what to look at next. Where no
 * single one explains it, pairs of the likeliest are tried.
 */
export function diagnose(group: Testable, evidence: readonly Evidence[]): Diagnosis {
  const { suspects } = group;
  let ranked = rank(suspects, sharesAfter(suspects, evidence));
  const unexplained = ["other", "facts"].includes(ranked[0]?.suspect.kind ?? "");
  if (unexplained && evidence.length > 1) {
    const all = [...suspects, ...pairsOf(ranked)];
    ranked = rank(all, sharesAfter(all, evidence));
  }
  const asked = new Set(evidence.map(({ probe }) => probe.id));
  const left = probesNear(group, ranked).filter((probe) => !asked.has(probe.id));
  const top = ranked[0];
  const near = ranked
    .slice(0, MOST_CONSIDERED)
    .filter(({ share }) => share > 0.05 * (top?.share ?? 1))
    .map(({ suspect }) => suspect);
  return {
    ranked: ranked.filter(({ share }) => share > LEAST_SHARE),
    alike: top ? alikeTo(top.suspect, near, left) : [],
    noneOfThem: top?.suspect.kind === "other",
    bits: entropyBits(ranked.map(({ share }) => share)),
    next: nextProbe(ranked, left, evidence.at(-1)?.probe.state.id ?? null),
  };
}

/** Probes of the runs that the likeliest suspects are in: elsewhere nothing is to be learned. */
function probesNear({ runs }: Testable, ranked: readonly Ranked[]): Probe[] {
  const likely = ranked
    .filter(({ share }) => share > LEAST_SHARE)
    .slice(0, MOST_CONSIDERED)
    .map(({ suspect }) => suspect)
    .filter((suspect): suspect is FaultSuspect => suspect.kind === "fault");
  return runs
    .map(({ bench, probes }) => ({
      probes,
      hits: likely.filter((suspect) => bench.touches(suspect)).length,
    }))
    .filter(({ hits }) => hits > 0)
    .sort((a, b) => b.hits - a.hits)
    .slice(0, MOST_RUNS)
    .flatMap(({ probes }) => probes);
}
