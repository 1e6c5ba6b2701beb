import { openCircuitV } from "../source/index.ts";
import type { Use } from "../job/index.ts";
import type { BatteryFacts } from "../vehicle/index.ts";

/** Capacity lost a year by an old battery, and a degree below 25 °C: handbook values (m). */
const LOST_PER_YEAR: Readonly<Record<BatteryFacts["chemistry"], number>> = {
  flooded: 0.08,
  agm: 0.07,
  gel: 0.06,
  lithiumIron: 0.03,
  lithiumIon: 0.04,
};
const LOST_PER_DEGREE: Readonly<Record<BatteryFacts["chemistry"], number>> = {
  flooded: 0.008,
  agm: 0.007,
  gel: 0.008,
  lithiumIron: 0.006,
  lithiumIon: 0.007,
};
/** A cold engine asks more of the battery: charge needed to start rises by this a degree below 15 °C. */
const COLD_START = 0.006;
/** An old battery is not counted on for less than this share. */
const LEAST = 0.3;

/** What age and cold leave of a battery. */
export interface BatteryHealth {
  /** Share of its stated capacity, 0–1. */
  readonly capacityShare: number;
  /** State of charge below which it is not trusted to start on the coldest morning, 0–1. */
  readonly noStartSoc: number;
  /** Self-discharge a day, as a share of its capacity. */
  readonly selfPerDay: number;
  /** Resting volts at which a low-voltage cut-out should part the lamps, and at which to warn. */
  readonly cutOutV: number;
  readonly warnV: number;
}

/** Self-discharge a day at room temperature: handbook values (m). */
const SELF_PER_DAY: Readonly<Record<BatteryFacts["chemistry"], number>> = {
  flooded: 0.005,
  agm: 0.001,
  gel: 0.001,
  lithiumIron: 0.0007,
  lithiumIon: 0.0007,
};

/** Charge kept above the no-start mark before the lamps are parted, and before a warning. */
const CUT_OUT_ABOVE = 0.1;
const WARN_ABOVE = 0.25;

/** How a battery stands by its age, its cold and what it is asked for. */
export function batteryHealth(battery: BatteryFacts, use: Use): BatteryHealth {
  const { chemistry } = battery;
  const cold = Math.max(0, 25 - use.coldestC);
  const aged = 1 - LOST_PER_YEAR[chemistry] * use.ageYears;
  const share = Math.max(LEAST, aged * (1 - LOST_PER_DEGREE[chemistry] * cold));
  const asks = COLD_START * Math.max(0, 15 - use.coldestC);
  const noStartSoc = Math.min(0.95, battery.noStartSoc.value + asks);
  const volts = (above: number): number =>
    openCircuitV(chemistry, Math.min(1, noStartSoc + above), battery.cells);
  return {
    capacityShare: share,
    noStartSoc,
    selfPerDay: SELF_PER_DAY[chemistry],
    cutOutV: volts(CUT_OUT_ABOVE),
    warnV: volts(WARN_ABOVE),
  };
}

/** Share of a full old battery that is to be had before the no-start mark, per unit of stated capacity. */
export const usableShare = (health: BatteryHealth): number =>
  health.capacityShare * Math.max(0, 1 - health.noStartSoc);
