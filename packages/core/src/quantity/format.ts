import { times, type Interval } from "./interval.ts";

/** How a person wants lengths and wire named; everything inside core stays SI. */
export type UnitSystem = "metric" | "us";

/** Number with at most `digits` decimals, no trailing zeros, a true minus sign. */
export function decimal(x: number, digits = 1): string {
  const text = x.toFixed(digits);
  let end = text.length;
  if (digits > 0) {
    while (text.endsWith("0", end)) end -= 1;
    if (text.endsWith(".", end)) end -= 1;
  }
  const trimmed = text.slice(0, end);
  return trimmed.startsWith("-") ? (trimmed === "-0" ? "0" : `−${trimmed.slice(1)}`) : trimmed;
}

/** Whether a value is above a limit as both are told at so many decimals: what reads the same is not above it. */
export const readsAbove = (value: number, limit: number, digits = 1): boolean =>
  Number(value.toFixed(digits)) > Number(limit.toFixed(digits));

/** Number with exactly `digits` decimals, for columns that are compared. */
export const fixed = (x: number, digits: number): string => {
  const text = x.toFixed(digits);
  return (/^-0\.?0*$/.test(text) ? text.slice(1) : text).replace("-", "−");
};

/** Bounds written out as "3.1–3.9", or one number where they print alike. */
export function span(a: Interval, digits = 1): string {
  const low = decimal(a.low, digits);
  const high = decimal(a.high, digits);
  if (low === high) return low;
  return low.startsWith("−") || high.startsWith("−") ? `${low} to ${high}` : `${low}–${high}`;
}

/** An inch in m, exact by international agreement: NIST SP 811, B.8. */
export const METRES_PER_INCH = 0.0254;
/** A foot in m, exact as the inch is. */
export const METRES_PER_FOOT = 0.3048;

/** A run length for people: millimetres below a metre, else metres; or inches and feet. */
export function lengthText(metres: number, units: UnitSystem): string {
  if (units === "us") {
    const feet = metres / METRES_PER_FOOT;
    return feet < 1 ? `${decimal(feet * 12, 1)} in` : `${decimal(feet, 1)} ft`;
  }
  return metres < 1 ? `${decimal(metres * 1000, 0)} mm` : `${decimal(metres, 2)} m`;
}

/** A short time for people: "3 ms", "0.4 s", "50 s", "10 min", "100 h". */
export function secondsText(seconds: number): string {
  if (seconds < 0.1) return `${decimal(Math.max(1, seconds * 1000), 0)} ms`;
  if (seconds < 120) return `${decimal(seconds, seconds < 10 ? 1 : 0)} s`;
  if (seconds < 7200) return `${decimal(seconds / 60, 0)} min`;
  return `${decimal(seconds / 3600, 0)} h`;
}

/** How long something lasts, in the unit a person would say: minutes, hours, days. */
export function lastsFor(hours: Interval): { readonly value: string; readonly unit: string } {
  const by = (factor: number, unit: string, digits: number) => ({
    value: span(times(hours, factor), digits),
    unit,
  });
  if (hours.mid < 3) return by(60, "minutes", 0);
  if (hours.mid < 72) return by(1, "hours", hours.mid < 10 ? 1 : 0);
  const days = hours.mid / 24;
  return days < 730 ? by(1 / 24, "days", days < 10 ? 1 : 0) : by(1 / 24 / 365.25, "years", 0);
}

/** A measure for a tape on paper or wall: whole millimetres, or tenths of an inch. */
export const tapeText = (metres: number, units: UnitSystem): string =>
  units === "us"
    ? `${decimal((metres / METRES_PER_FOOT) * 12, 1)} in`
    : `${decimal(metres * 1000, 0)} mm`;

/** So many of something: "1 circuit", "3 circuits". */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${n} ${n === 1 ? one : many}`;
