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

/**
 * Most that flexible metric conductors have at 20 °C, in Ω/km: what a plan may count on. IEC 60228
 * class 5, plain copper (from memory); 0.35 mm² by ISO 6722 (from memory), which IEC 60228 leaves out.
 */
const CLASS_5_OHM_PER_KM: Readonly<Record<string, number>> = {
  ...{ "0.35 mm²": 54.4, "0.5 mm²": 39, "0.75 mm²": 26, "1 mm²": 19.5, "1.5 mm²": 13.3 },
  ...{ "2.5 mm²": 7.98, "4 mm²": 4.95, "6 mm²": 3.3, "10 mm²": 1.91, "16 mm²": 1.21 },
};

/** Resistance of a metre at 20 °C in Ω: of metric sizes the standard's maximum, of AWG ρ20 / A. */
const ohmPerMetre20 = ({ id, areaM2 }: Gauge): number => {
  const perKm = CLASS_5_OHM_PER_KM[id];
  return perKm === undefined ? (STRANDING_FACTOR * COPPER_RHO20_OHM_M) / areaM2 : perKm / 1000;
};

/** Resistance of a stranded copper wire in Ω: R = R20 (1 + α (T − 20)) l. */
export const wireResistanceOhm = (gauge: Gauge, lengthM: number, temperatureC: number): number =>
  ohmPerMetre20(gauge) * (1 + COPPER_ALPHA_PER_K * (temperatureC - 20)) * lengthM;
