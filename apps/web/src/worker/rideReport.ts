import {
  RUNNING_STATES,
  breakEven,
  chargingBudget,
  chargingOutputA,
  legsOf,
  minutesToRepay,
  simulateRide,
  switchOffFirst,
  synthesise,
  type BreakEven,
  type ChargingFacts,
  type Interval,
  type Job,
  type Ride,
  type RideLeg,
  type RunningState,
  type SwitchOff,
  itemAt,
  lastItem,
} from "@dragonet/core";

/** A ride with what the budget page tells beside it. */
export interface RideReport {
  readonly ride: Ride;
  readonly legs: readonly RideLeg[];
  readonly states: readonly {
    readonly state: RunningState;
    readonly even: BreakEven;
    readonly repayMinutes: number | null;
  }[];
  /** The state that falls short, or idle. */
  readonly worst: RunningState;
  readonly switchOff: readonly SwitchOff[];
  readonly curve: readonly { readonly rpm: number; readonly output: Interval }[];
  readonly loadA: readonly { readonly rpm: number; readonly load: Interval }[];
}

const CURVE_STEPS = 24;

/** The charging curve with its bounds, over the speeds it is known for. */
function curveOf(charging: ChargingFacts): RideReport["curve"] {
  const { points } = charging;
  const [first, last] = [itemAt(points, 0).rpm, lastItem(points).rpm];
  return Array.from({ length: CURVE_STEPS + 1 }, (_, i) => {
    const rpm = first + ((last - first) * i) / CURVE_STEPS;
    const exact = { value: rpm, low: rpm, high: rpm, provenance: "measured" } as const;
    return { rpm, output: chargingOutputA(charging, exact) };
  });
}

/** A ride on the job's own legs, and where the charging system breaks even. */
export function rideReport(job: Job, startSoc: number): RideReport | null {
  const { system } = job.vehicle;
  if (system.kind !== "engine") return null;
  const circuit = synthesise(job);
  const { charging, battery } = system;
  const states = RUNNING_STATES.map((state) => {
    const { spareA } = chargingBudget(job, circuit, charging, state);
    return {
      state,
      even: breakEven(job, circuit, charging, state),
      repayMinutes: minutesToRepay(spareA.mid),
    };
  });
  const worst = states.find((s) => s.repayMinutes === null)?.state ?? "idle";
  return {
    ride: simulateRide(job, circuit, charging, battery, startSoc),
    legs: legsOf(job, charging),
    states,
    worst,
    switchOff: switchOffFirst(job, circuit, charging, worst),
    curve: curveOf(charging),
    loadA: RUNNING_STATES.map((state) => ({
      rpm: charging[`${state}Rpm`].value,
      load: chargingBudget(job, circuit, charging, state).loadA,
    })),
  };
}
