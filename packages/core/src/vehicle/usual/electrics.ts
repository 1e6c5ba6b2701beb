import { assumed, type BoundedValue } from "../../quantity/index.ts";
import type { BatteryFacts, ChargingFacts, PackFacts, SystemKind } from "../vehicle.ts";

/** What a kind usually runs on, and what its other electrics would be if it had those. */
export interface UsualElectrics {
  readonly kind: SystemKind;
  readonly battery: BatteryFacts;
  readonly charging: ChargingFacts;
  readonly pack: PackFacts;
}

const battery = (capacityAh: BoundedValue, hourRate = 10): BatteryFacts => ({
  ...{ chemistry: "agm", cells: 0, capacityAh, hourRate },
  ...{ peukert: assumed(1.15, 1.1, 1.25), noStartSoc: assumed(0.5, 0.4, 0.6) },
  chargerA: assumed(0, 0, 0),
});

interface Charging {
  readonly kind: "stator" | "alternator";
  /** Idle, town and cruise, rpm. */
  readonly rpm: readonly [idle: number, town: number, cruise: number];
  /** Engine speed and output in A, with bounds. */
  readonly points: readonly (readonly [rpm: number, outputA: BoundedValue])[];
}

const chargingOf = ({ kind, rpm, points }: Charging): ChargingFacts => ({
  kind,
  regulatedV: assumed(14, 13.5, 14.5),
  idleRpm: assumed(rpm[0]),
  townRpm: assumed(rpm[1]),
  cruiseRpm: assumed(rpm[2]),
  points: points.map(([at, outputA], i) => ({ id: `point-${i + 1}`, rpm: at, outputA })),
});

/** A cart's pack: lead blocks, so many cells in all. */
export const leadPack: PackFacts = {
  ...{ chemistry: "leadBlocks", nominalV: 48, blocks: 6, cells: 24 },
  ...{ capacityAh: assumed(150), topOfChargeV: assumed(57.6, 52, 58.5) },
  ...{ resistanceOhm: assumed(0.04, 0.02, 0.08), chargerA: assumed(15) },
  ...{ inletV: 230, rangeKm: assumed(40) },
};

/** An e-bike's: ten cells in series, 4.2 V each when full. */
export const bikePack: PackFacts = {
  ...{ chemistry: "lithium", nominalV: 36, blocks: 1, cells: 10 },
  ...{ capacityAh: assumed(12, 8, 20), topOfChargeV: assumed(42, 41, 42) },
  ...{ resistanceOhm: assumed(0.12, 0.06, 0.2), chargerA: assumed(2, 1.5, 4) },
  ...{ inletV: 230, rangeKm: assumed(60, 30, 120) },
};

export const engine = (ah: BoundedValue, charging: Charging): UsualElectrics => ({
  ...{ kind: "engine", battery: battery(ah), charging: chargingOf(charging), pack: leadPack },
});

export const QUAD_CHARGING: Charging = {
  kind: "stator",
  rpm: [1400, 3000, 4500],
  points: [
    [1200, assumed(8)],
    [5000, assumed(20)],
  ],
};

export const packed = (pack: PackFacts): UsualElectrics => ({
  ...engine(assumed(12), QUAD_CHARGING),
  ...{ kind: "pack", pack },
});
