import { itemAt, lastItem } from "../present/index.ts";
import type { Fault } from "../job/index.ts";
import { measured, type BoundedValue } from "../quantity/index.ts";
import type { ChargingPoint } from "../vehicle/index.ts";

/** A clamp meter's reading on the battery lead, with what was known to be on. */
export interface ClampReading {
  readonly rpm: number;
  /** Into the battery; out of it below zero. */
  readonly batteryA: number;
  /** Taken by what was on, by its own reading or its plate. */
  readonly loadA: number;
}

/** A charging curve through what was measured, or what cannot be. */
export type FitResult =
  | { readonly ok: true; readonly points: readonly ChargingPoint[]; readonly worstA: number }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** Readings further from any curve than this, in A, are not of one charging system. */
const CONTRADICTS_A = 2;
const CONTRADICTS_SHARE = 0.15;

const outputOf = (r: ClampReading): number => r.batteryA + r.loadA;

/**
 * A charging curve through three readings or more: a − b / rpm by least squares, the shape
 * of an alternator or stator behind a regulator (common practice), made into points with
 * bounds as wide as the readings stray. Refused where readings contradict each other.
 */
export function fitChargingCurve(readings: readonly ClampReading[]): FitResult {
  const faults: Fault[] = [];
  if (readings.length < 3) {
    return {
      ok: false,
      faults: [{ path: "readings", message: `${readings.length} readings (three or more)` }],
    };
  }
  // A system that gives nothing drains the battery by what is on; fields nobody filled in do not.
  if (readings.every((r) => r.batteryA === 0 && r.loadA === 0)) {
    return {
      ok: false,
      faults: [
        {
          path: "readings",
          message: "no reading yet (what the clamp showed at each speed, and what was on)",
        },
      ],
    };
  }
  readings.forEach((r, i) => {
    if (!(r.rpm > 0)) {
      faults.push({
        path: `readings[${i}].rpm`,
        message: `invalid engine speed: ${r.rpm} rpm (above 0)`,
      });
    } else if (outputOf(r) < 0) {
      faults.push({
        path: `readings[${i}].batteryA`,
        message: `invalid reading: ${r.batteryA} A with ${r.loadA} A on (output would be below 0)`,
      });
    }
  });
  if (faults.length > 0) return { ok: false, faults };
  const sorted = [...readings].sort((a, b) => a.rpm - b.rpm);
  for (const [i, r] of sorted.slice(1).entries()) {
    const before = itemAt(sorted, i);
    const fall = outputOf(before) - outputOf(r);
    if (fall > Math.max(CONTRADICTS_A / 2, CONTRADICTS_SHARE * outputOf(before))) {
      faults.push({
        path: `readings`,
        message: `${outputOf(r)} A at ${r.rpm} rpm is below ${outputOf(before)} A at ${before.rpm} rpm (output does not fall with speed: read them again)`,
      });
    }
  }
  if (new Set(sorted.map((r) => r.rpm)).size < 2) {
    faults.push({ path: "readings", message: "all at one engine speed (two or more speeds)" });
  }
  if (faults.length > 0) return { ok: false, faults };
  const x = sorted.map((r) => 1 / r.rpm);
  const y = sorted.map(outputOf);
  const mean = (list: readonly number[]): number => list.reduce((s, v) => s + v, 0) / list.length;
  const [mx, my] = [mean(x), mean(y)];
  const sxx = x.reduce((s, v) => s + (v - mx) ** 2, 0);
  const sxy = x.reduce((s, v, i) => s + (v - mx) * (itemAt(y, i) - my), 0);
  const slope = Math.min(0, sxy / sxx);
  const top = my - slope * mx;
  const model = (rpm: number): number => Math.max(0, top + slope / rpm);
  const worstA = Math.max(...sorted.map((r) => Math.abs(outputOf(r) - model(r.rpm))));
  if (worstA > Math.max(CONTRADICTS_A, CONTRADICTS_SHARE * my)) {
    return {
      ok: false,
      faults: [
        {
          path: "readings",
          message: `readings stray ${worstA.toFixed(1)} A from any one curve (read them again, with the same things on)`,
        },
      ],
    };
  }
  const [first, last] = [itemAt(sorted, 0).rpm, lastItem(sorted).rpm];
  const speeds = [first, (first * 2 + last) / 3, (first + last * 2) / 3, last];
  const fact = (rpm: number): BoundedValue => {
    const amps = Number(model(rpm).toPrecision(4));
    const spread = Math.max(worstA, 0.02 * amps);
    return measured(amps, Math.max(0, amps - spread), amps + spread);
  };
  const points = [...new Set(speeds.map((rpm) => Math.round(rpm)))].map(
    (rpm, i): ChargingPoint => ({ id: `fit-${i + 1}`, rpm, outputA: fact(rpm) }),
  );
  return { ok: true, points, worstA };
}
