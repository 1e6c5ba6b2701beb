import { lastItem } from "../present/index.ts";
import type { Behaviour } from "../part/index.ts";
import { isOn, type Input } from "../job/index.ts";

/** A change of one way's level at an exact time. */
export interface LevelStep {
  readonly atS: number;
  readonly level: number;
}

/** What a way is told: its own input, and the vehicle's signals and speed. */
export interface WayInput {
  readonly atS: number;
  readonly on: boolean;
  readonly inputs: ReadonlySet<Input>;
  readonly kmh: number;
  /** What its loads draw, or would draw, at full level, in A; left out where nothing is known. */
  readonly amps?: number;
}

/** How long an electronic way carries too much before it lets go, in s: common practice. */
export const TRIP_S = 0.05;
/** Levels that a soft start is told in: finer ones nobody sees. */
const SOFT_STEPS = 8;

interface Span {
  readonly fromS: number;
  readonly toS: number;
}

/** Spans in which a way is asked to be on, delays, latch and run-on worked in. */
function askedSpans(b: Behaviour, told: readonly WayInput[], endS: number): Span[] {
  const raw: Span[] = [];
  let since: number | null = null;
  let latched = false;
  let was = false;
  for (const { atS, on } of told) {
    const rises = on && !was;
    was = on;
    const want: boolean = b.latch ? (rises ? !latched : latched) : on;
    if (b.latch && rises) latched = want;
    if (want && since === null) since = atS;
    else if (!want && since !== null) {
      raw.push({ fromS: since, toS: atS });
      since = null;
    }
  }
  if (since !== null) raw.push({ fromS: since, toS: Infinity });
  return raw.reduce<Span[]>((list, { fromS, toS }) => {
    const last = list[list.length - 1];
    const end = toS + b.runOnS;
    // Asked again while it still runs on, it simply stays on.
    if (last && fromS <= last.toS) {
      list[list.length - 1] = { fromS: last.fromS, toS: Math.max(last.toS, end) };
      return list;
    }
    const start = fromS + b.delayS;
    // Let go before its delay is over, it never comes on.
    if (start < toS && start < endS) list.push({ fromS: start, toS: end });
    return list;
  }, []);
}

const at = (told: readonly WayInput[], atS: number): WayInput | undefined => {
  let found: WayInput | undefined;
  for (const t of told) if (t.atS <= atS + 1e-12) found = t;
  return found;
};

const any = (list: readonly Input[], told: WayInput | undefined): boolean =>
  told !== undefined && list.some((input) => isOn(input, told.inputs));

/** Spans of a way parted by what it flashes with: only while one of those is on does it flash. */
function partedSpans(b: Behaviour, spans: readonly Span[], told: readonly WayInput[]) {
  if (b.flashWith.length === 0) return spans.map((span) => ({ ...span, flashes: true }));
  return spans.flatMap((span) => {
    const edges = told.map((t) => t.atS).filter((s) => s > span.fromS && s < span.toS);
    const starts = [span.fromS, ...edges];
    const parts: { fromS: number; toS: number; flashes: boolean }[] = [];
    starts.forEach((fromS, i) => {
      const flashes = any(b.flashWith, at(told, fromS));
      const last = parts[parts.length - 1];
      const toS = starts[i + 1] ?? span.toS;
      if (last?.flashes === flashes) parts[parts.length - 1] = { ...last, toS };
      else parts.push({ fromS, toS, flashes });
    });
    return parts;
  });
}

/** Spans in which something silences a way, hold time included. */
function silenced(b: Behaviour, told: readonly WayInput[]): Span[] {
  if (b.offWith.length === 0) return [];
  const spans: Span[] = [];
  let since: number | null = null;
  for (const t of told) {
    const now = b.offWith.some((input) => isOn(input, t.inputs));
    if (now && since === null) since = t.atS;
    if (!now && since !== null) {
      spans.push({ fromS: since, toS: t.atS + b.offHoldS });
      since = null;
    }
  }
  if (since !== null) spans.push({ fromS: since, toS: Infinity });
  return spans;
}

/** Spans of a way that lets go of too much current, tries again so often, and then stays off. */
function heldSpans(b: Behaviour, spans: readonly Span[], told: readonly WayInput[]): Span[] {
  if (b.tripA <= 0) return [...spans];
  return spans.flatMap(({ fromS, toS }) => {
    const held: Span[] = [];
    let [t, left] = [fromS, b.retries];
    while (t < toS) {
      // The first moment of the span at which its loads draw too much.
      const over = [t, ...told.map((w) => w.atS).filter((s) => s > t && s < toS)].find(
        (s) => (at(told, s)?.amps ?? 0) > b.tripA,
      );
      if (over === undefined) {
        held.push({ fromS: t, toS });
        break;
      }
      const openS = Math.min(over + TRIP_S, toS);
      held.push({ fromS: t, toS: openS });
      if (left <= 0) break;
      left -= 1;
      t = openS + b.retryS;
    }
    return held;
  });
}

/** Steps of a way that comes up softly: each rise from dark in eighths. */
function softened(steps: readonly LevelStep[], softS: number): LevelStep[] {
  if (softS <= 0) return [...steps];
  return steps.flatMap((step, i): LevelStep[] => {
    const before = steps[i - 1]?.level ?? 0;
    if (before > 0 || step.level === 0) return [step];
    const until = steps[i + 1]?.atS ?? Infinity;
    return Array.from({ length: SOFT_STEPS }, (_, k) => ({
      atS: step.atS + (k * softS) / SOFT_STEPS,
      level: (step.level * (k + 1)) / SOFT_STEPS,
    })).filter(({ atS }) => atS < until);
  });
}

/**
 * The level of a way over time, 0–1, as steps at exact times: what its behaviour makes of
 * its input. Deterministic, and no step of time of its own.
 */
export function wayLevels(b: Behaviour, told: readonly WayInput[], endS: number): LevelStep[] {
  const marks = new Set<number>([0]);
  const flashing: Span[] = [];
  const lit: Span[] = [];
  let lastFlashedS = -Infinity;
  for (const span of partedSpans(b, askedSpans(b, told, endS), told)) {
    const end = Math.min(span.toS, endS);
    const fast = (at(told, span.fromS)?.kmh ?? 0) >= b.flashFromKmh;
    const fresh = span.fromS - lastFlashedS >= b.lockoutS;
    let t = span.fromS;
    const flashes = span.flashes && b.flashes !== 0 && fast && fresh;
    if (flashes) {
      const period = b.onS + b.offS;
      const count = b.flashes < 0 ? Math.ceil((end - t) / period) : b.flashes;
      for (let n = 0; n < count && t < end; n += 1) {
        flashing.push({ fromS: t, toS: Math.min(t + b.onS, end) });
        t += period;
      }
      t = Math.min(t, end);
      lastFlashedS = t;
    }
    if (t < end && (b.flashes >= 0 || !flashes)) lit.push({ fromS: t, toS: end });
  }
  const on = heldSpans(b, [...flashing, ...lit], told);
  const off = silenced(b, told);
  for (const { fromS, toS } of [...on, ...off]) {
    marks.add(fromS);
    if (toS < endS) marks.add(toS);
  }
  for (const t of told) marks.add(t.atS);
  const levelAt = (t: number): number => {
    const within = (s: Span): boolean => t >= s.fromS - 1e-12 && t < s.toS - 1e-12;
    if (!on.some(within) || off.some(within)) return 0;
    return any(b.boostWith, at(told, t)) ? b.boostLevel : b.level;
  };
  const steps: LevelStep[] = [];
  for (const t of [...marks].filter((m) => m < endS).sort((x, y) => x - y)) {
    const level = levelAt(t);
    if (steps.length === 0 || lastItem(steps).level !== level) {
      steps.push({ atS: t, level });
    }
  }
  return softened(steps, b.softS);
}
