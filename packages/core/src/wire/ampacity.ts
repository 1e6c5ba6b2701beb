import { itemAt } from "../present/index.ts";
import type { Gauge } from "./gauge.ts";

/**
 * Steady currents of single copper conductors in free air, PVC insulated (70 °C) at
 * 40 °C ambient: IEC 60204-1 table 6, installation method E. From memory, and
 * marked so in docs/references.md. Areas in mm², currents in A.
 */
export const AMPACITY_TABLE: readonly (readonly [areaMm2: number, currentA: number])[] = [
  [0.5, 7.5],
  [0.75, 10.4],
  [1, 12.4],
  [1.5, 16.1],
  [2.5, 22],
  [4, 30],
  [6, 37],
  [10, 52],
  [16, 70],
  [25, 88],
];

const TABLE_AMBIENT_C = 40;
const TABLE_CONDUCTOR_C = 70;

/** Under which conditions a wire carries. */
export interface AmpacityConditions {
  /** Air around the loom in °C. */
  readonly ambientC: number;
  /** Rated temperature of the insulation in °C. */
  readonly insulationC: number;
  /** Loaded wires lying side by side in one bundle, this one included. */
  readonly bundledWires: number;
}

const tabled = new Map<number, number>();

/** Table value for an area: there are a few dozen, each asked for thousands of times. */
function tableAmpacityA(areaMm2: number): number {
  const before = tabled.get(areaMm2);
  if (before !== undefined) return before;
  const made = interpolatedA(areaMm2);
  tabled.set(areaMm2, made);
  return made;
}

/** Interpolated (and carried on) log-log, as heat balance suggests. */
function interpolatedA(areaMm2: number): number {
  const at = AMPACITY_TABLE.findIndex(([area]) => area >= areaMm2);
  const upper = at <= 0 ? (at === 0 ? 1 : AMPACITY_TABLE.length - 1) : at;
  const [a0, i0] = itemAt(AMPACITY_TABLE, upper - 1);
  const [a1, i1] = itemAt(AMPACITY_TABLE, upper);
  return i0 * (areaMm2 / a0) ** (Math.log(i1 / i0) / Math.log(a1 / a0));
}

/**
 * Steady current in A that a wire may carry. Derating: I ∝ √(T_insulation − T_ambient)
 * for temperature (heat shed grows with the rise, heat made with I²), and 1/√n for n
 * loaded wires in a bundle: the usual square-root law, common practice.
 * Returns 0 when the surroundings are as hot as the insulation may be.
 */
export function ampacityA(gauge: Gauge, at: AmpacityConditions): number {
  const headroom = (at.insulationC - at.ambientC) / (TABLE_CONDUCTOR_C - TABLE_AMBIENT_C);
  if (headroom <= 0) return 0;
  return (
    (tableAmpacityA(gauge.areaM2 * 1e6) * Math.sqrt(headroom)) /
    Math.sqrt(Math.max(1, at.bundledWires))
  );
}
