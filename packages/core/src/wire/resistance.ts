import type { Gauge } from "./gauge.ts";

/** Resistivity of annealed copper at 20 °C in Ω·m: IEC 60028. */
export const COPPER_RHO20_OHM_M = 1.7241e-8;
/** Temperature coefficient of annealed copper at 20 °C in 1/K: IEC 60028. */
export const COPPER_ALPHA_PER_K = 0.00393;

/**
 * Stranded conductors are a little longer than their wire and are drawn a little thin:
 * handbook values for stranded wire lie about 2 % above the solid formula.
 */
export const STRANDING_FACTOR = 1.02;

/** Resistance of a stranded copper wire in Ω: R = ρ20 (1 + α (T − 20)) l / A. */
export function wireResistanceOhm(gauge: Gauge, lengthM: number, temperatureC: number): number {
  const rho = COPPER_RHO20_OHM_M * (1 + COPPER_ALPHA_PER_K * (temperatureC - 20));
  return (STRANDING_FACTOR * rho * lengthM) / gauge.areaM2;
}
