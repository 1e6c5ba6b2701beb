import { itemAt, lastItem } from "../present/index.ts";
import { interval, type BoundedValue, type Interval } from "../quantity/index.ts";
import type { ChargingFacts } from "../vehicle/index.ts";

/** Output in A at one engine speed, linear between points, flat beyond the ends. */
function outputAt(facts: ChargingFacts, rpm: number, pick: (f: BoundedValue) => number): number {
  const { points } = facts;
  const first = itemAt(points, 0);
  const last = lastItem(points);
  if (rpm <= first.rpm) return pick(first.outputA);
  if (rpm >= last.rpm) return pick(last.outputA);
  const at = points.findIndex((p) => p.rpm >= rpm);
  const [a, b] = [itemAt(points, at - 1), itemAt(points, at)];
  return pick(a.outputA) + ((pick(b.outputA) - pick(a.outputA)) * (rpm - a.rpm)) / (b.rpm - a.rpm);
}

/**
 * Charging output in A with bounds, at an engine speed known within bounds: the least over
 * the speeds in question of the lower curve to the most of the upper one. The curve has
 * two points or more, in rising order of speed (checked at the border).
 */
export function chargingOutputA(facts: ChargingFacts, rpm: BoundedValue): Interval {
  const speeds = [
    rpm.low,
    rpm.value,
    rpm.high,
    ...facts.points.map((p) => p.rpm).filter((s) => s > rpm.low && s < rpm.high),
  ];
  const lows = speeds.map((s) => outputAt(facts, s, (f) => f.low));
  const highs = speeds.map((s) => outputAt(facts, s, (f) => f.high));
  const mid = outputAt(facts, rpm.value, (f) => f.value);
  return interval(Math.min(...lows), mid, Math.max(...highs));
}
