import { itemAt } from "../present/index.ts";
import type { BatteryChemistry } from "../vehicle/index.ts";

/**
 * Resting open-circuit voltage of a 12 V battery against state of charge (0–1).
 * Lead: 12.7 V full, 12.4 about 75 %, 12.2 about 50 %, 12.0 about 25 % (handbook values,
 * from memory); the empty end 11.8 V likewise. Lithium iron: four cells in series, flat
 * in the middle (from memory).
 */
const LEAD: readonly (readonly [soc: number, volts: number])[] = [
  [0, 11.8],
  [0.25, 12.0],
  [0.5, 12.2],
  [0.75, 12.4],
  [1, 12.7],
];
const LITHIUM_IRON: readonly (readonly [soc: number, volts: number])[] = [
  [0, 10.0],
  [0.1, 12.8],
  [0.3, 13.0],
  [0.7, 13.2],
  [0.95, 13.4],
  [1, 13.6],
];

/** Three cells of lithium-ion in series: 12.5 V full, 11.1 V half way (from memory). */
const LITHIUM_ION: readonly (readonly [soc: number, volts: number])[] = [
  [0, 9.0],
  [0.1, 10.35],
  [0.3, 10.8],
  [0.5, 11.1],
  [0.7, 11.55],
  [0.9, 12.15],
  [1, 12.54],
];

const TABLES: Readonly<Record<BatteryChemistry, typeof LEAD>> = {
  flooded: LEAD,
  agm: LEAD,
  gel: LEAD,
  lithiumIron: LITHIUM_IRON,
  lithiumIon: LITHIUM_ION,
};

/** Cells in series that make what is called 12 V. */
export const USUAL_CELLS: Readonly<Record<BatteryChemistry, number>> = {
  flooded: 6,
  agm: 6,
  gel: 6,
  lithiumIron: 4,
  lithiumIon: 3,
};

/** Resting volts of a battery at a state of charge, clamped to 0–1; `cells` 0 for one of 12 V. */
export function openCircuitV(chemistry: BatteryChemistry, soc: number, cells = 0): number {
  const share = cells > 0 ? cells / USUAL_CELLS[chemistry] : 1;
  return share * usualV(TABLES[chemistry], soc);
}

function usualV(table: typeof LEAD, soc: number): number {
  const x = Math.min(1, Math.max(0, soc));
  const at = Math.max(
    1,
    table.findIndex(([s]) => s >= x),
  );
  const [s0, v0] = itemAt(table, at - 1);
  const [s1, v1] = itemAt(table, at);
  return v0 + ((v1 - v0) * (x - s0)) / (s1 - s0);
}
