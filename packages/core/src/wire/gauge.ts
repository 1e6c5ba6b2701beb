/**
 * Wire sizes. American wire gauge after ASTM B258 and metric cross-sections after
 * ISO 6722 / IEC 60228. A size is identified by its designation, so that a pinned
 * choice survives in a document.
 */
export type WireSystem = "awg" | "metric";

/** A size of wire. */
export interface Gauge {
  /** "18 AWG" or "0.75 mm²". */
  readonly id: string;
  readonly system: WireSystem;
  /** Copper cross-section in m². */
  readonly areaM2: number;
}

/** ASTM B258: d = 0.127 mm · 92^((36 − n) / 39). Diameter in metres of gauge n. */
export const awgDiameterM = (n: number): number => 0.127e-3 * 92 ** ((36 - n) / 39);

const awg = (n: number): Gauge => ({
  id: `${n} AWG`,
  system: "awg",
  areaM2: (Math.PI / 4) * awgDiameterM(n) ** 2,
});

const metric = (mm2: number): Gauge => ({
  id: `${mm2} mm²`,
  system: "metric",
  areaM2: mm2 * 1e-6,
});

/** Sizes in trade use on small vehicles, thinnest first. */
export const AWG_GAUGES: readonly Gauge[] = [22, 20, 18, 16, 14, 12, 10, 8, 6, 4].map(awg);
/** Sizes of metric wire, the thinnest first (ISO 6722). */
export const METRIC_GAUGES: readonly Gauge[] = [0.35, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16].map(
  metric,
);

const BY_ID = new Map([...AWG_GAUGES, ...METRIC_GAUGES].map((g) => [g.id, g]));

/** Sizes of wire in one system, the thinnest first. */
export const gaugesOf = (system: WireSystem): readonly Gauge[] =>
  system === "awg" ? AWG_GAUGES : METRIC_GAUGES;

/** A size of wire by its designation; undefined for none. */
export const findGauge = (id: string): Gauge | undefined => BY_ID.get(id);

/** Narrows a designation that has been validated already; throws RangeError on an unknown one. */
export function gaugeOf(id: string): Gauge {
  const gauge = BY_ID.get(id);
  if (!gauge) {
    throw new RangeError(`invalid wire size: "${id}" (one of ${[...BY_ID.keys()].join(", ")})`);
  }
  return gauge;
}
