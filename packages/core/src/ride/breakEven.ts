import { itemAt, lastItem } from "../present/index.ts";
import { chargingBudget, type RunningState } from "../budget/charging.ts";
import type { Circuit } from "../circuit/index.ts";
import type { Job, CircuitId } from "../job/index.ts";
import { chargingOutputA } from "../source/index.ts";
import type { ChargingFacts } from "../vehicle/index.ts";
import { START_A, START_S } from "./simulateRide.ts";

/** Engine speeds from which the charging system carries a load; null where it never does. */
export interface BreakEven {
  readonly surelyRpm: number | null;
  readonly likelyRpm: number | null;
}

const sure = (rpm: number) =>
  ({ value: rpm, low: rpm, high: rpm, provenance: "measured" }) as const;

/** Lowest speed at which an output reaches a load, on a curve that does not fall. */
function reaches(
  charging: ChargingFacts,
  loadA: number,
  side: "low" | "mid" | "high",
): number | null {
  const { points } = charging;
  const [first, last] = [itemAt(points, 0).rpm, lastItem(points).rpm];
  const output = (rpm: number): number => chargingOutputA(charging, sure(rpm))[side];
  if (output(last) < loadA) return null;
  if (output(first) >= loadA) return first;
  let [low, high] = [first, last];
  while (high - low > 1) {
    const middle = (low + high) / 2;
    if (output(middle) >= loadA) high = middle;
    else low = middle;
  }
  return Math.round(high);
}

/** From which engine speed charging carries everything, and what to switch off below it. */
export function breakEven(
  job: Job,
  circuit: Circuit,
  charging: ChargingFacts,
  state: RunningState,
): BreakEven {
  const { loadA } = chargingBudget(job, circuit, charging, state);
  return {
    surelyRpm: reaches(charging, loadA.high, "low"),
    likelyRpm: reaches(charging, loadA.mid, "mid"),
  };
}

/** Minutes of riding in a state that put back what one start takes; null when nothing is to spare. */
export function minutesToRepay(spareA: number): number | null {
  return spareA > 0 ? (START_A * START_S) / 60 / spareA : null;
}

/** A circuit that helps when it is off. */
export interface SwitchOff {
  readonly what: string;
  readonly runId: CircuitId;
  /** Mean current in A that it takes in this state. */
  readonly currentA: number;
  /** What is to spare once this and everything before it is off, in A. */
  readonly spareA: number;
}

/**
 * What to switch off first where a state falls short: of what was added, the most amps first,
 * and what it leaves to spare. What the vehicle came with is not for us to switch off: it may be
 * its ignition.
 */
export function switchOffFirst(
  job: Job,
  circuit: Circuit,
  charging: ChargingFacts,
  state: RunningState,
): SwitchOff[] {
  const budget = chargingBudget(job, circuit, charging, state);
  let spareA = budget.spareA.mid;
  return budget.lines
    .flatMap((line) => (line.runId === null ? [] : [{ ...line, runId: line.runId }]))
    .filter((line) => line.kind === "run" && line.currentA.mid > 0)
    .sort((a, b) => b.currentA.mid - a.currentA.mid)
    .map((line): SwitchOff => {
      spareA += line.currentA.mid;
      return { what: line.what, runId: line.runId, currentA: line.currentA.mid, spareA };
    });
}
