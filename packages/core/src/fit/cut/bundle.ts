import { gaugeOf } from "../../wire/index.ts";

/** Insulation of thin-wall automotive wire, in m on each side: ISO 6722 class B, from memory. */
const WALL_M = 0.0003;
const THICK_WALL_M = 0.0006;
/** Stranded copper fills so much of its circle. */
const FILL = 0.75;

/** Outer diameter of a wire in m, from its copper and a thin wall. */
export function wireDiameterM(gaugeId: string): number {
  const { areaM2 } = gaugeOf(gaugeId);
  const copperM = Math.sqrt((4 * areaM2) / (Math.PI * FILL));
  return copperM + 2 * (areaM2 > 3e-6 ? THICK_WALL_M : WALL_M);
}

/** Factor between a bundle and the root of its wires' squares: 1.2, common practice for round looms. */
const LOOSE = 1.2;

/** Diameter in m of wires laid in a round bundle: D = 1.2 √(Σ d²). */
export const bundleDiameterM = (gaugeIds: readonly string[]): number =>
  LOOSE * Math.sqrt(gaugeIds.reduce((sum, id) => sum + wireDiameterM(id) ** 2, 0));

/** Sleeves and grommets as shops keep them, by inner diameter in mm. */
const SIZES_MM = [3, 4, 5, 6, 8, 10, 13, 16, 19, 25, 32] as const;

/** The next size up for a bundle, in mm; null beyond the largest. */
export const nextSizeMm = (diameterM: number): number | null =>
  SIZES_MM.find((mm) => mm >= diameterM * 1000 - 1e-9) ?? null;
