import type { BeamKind } from "../job/index.ts";

/** Where a beam belongs on the wall: slopes in per cent of the distance, negative below level. */
export interface AimRule {
  /** The place whose rule it is; "" for what the trade does where none speaks. */
  readonly place: string;
  readonly beam: BeamKind;
  /** Middle of the lamp above ground, m: from, and up to. */
  readonly heightM: readonly [number, number];
  /** What is put to the mark: a beam's upper edge, or its brightest spot. */
  readonly of: "edge" | "spot";
  readonly aimPct: number;
  readonly lowPct: number;
  readonly highPct: number;
  readonly source: string;
}

const ANY: readonly [number, number] = [0, 3];

/** 25 ft in inches: US tables give inches at this distance. */
const inAt25Ft = (inches: number): number => (100 * inches) / 300;

const common = (
  beam: BeamKind,
  of: AimRule["of"],
  pct: readonly [number, number, number],
): AimRule => ({
  ...{ place: "", beam, heightM: ANY, of, source: "common practice" },
  ...{ lowPct: pct[0], aimPct: pct[1], highPct: pct[2] },
});

/**
 * Advisory all of it: values from memory of the rules named; the local inspector has the last
 * word. For driving and work lamps no rule gives a slope: there the trade's own stands.
 */
export const AIM_RULES: readonly AimRule[] = [
  {
    ...{ place: "un", beam: "low", heightM: [0, 0.8], of: "edge" },
    ...{ lowPct: -2.5, aimPct: -1.2, highPct: -0.5 },
    source: "UN R53 6.2 and R48 6.2.6: dipped beam (from memory)",
  },
  {
    ...{ place: "un", beam: "low", heightM: [0.8, 1], of: "edge" },
    ...{ lowPct: -3, aimPct: -1.5, highPct: -1 },
    source: "UN R48 6.2.6: dipped beam from 0.8 to 1.0 m (from memory)",
  },
  {
    ...{ place: "un", beam: "low", heightM: [1, 3], of: "edge" },
    ...{ lowPct: -3, aimPct: -1.8, highPct: -1 },
    source: "UN R48 6.2.6: dipped beam above 1.0 m (from memory)",
  },
  {
    ...{ place: "un", beam: "fog", heightM: [0, 0.8], of: "edge" },
    ...{ lowPct: -3, aimPct: -1.5, highPct: -1 },
    source: "UN R48 6.3.6: front fog lamp up to 0.8 m (from memory)",
  },
  {
    ...{ place: "un", beam: "fog", heightM: [0.8, 3], of: "edge" },
    ...{ lowPct: -3.5, aimPct: -2, highPct: -1.5 },
    source: "UN R48 6.3.6: front fog lamp above 0.8 m (from memory)",
  },
  {
    ...{ place: "us", beam: "low", heightM: [0, 0.9], of: "edge" },
    ...{ lowPct: inAt25Ft(-4), aimPct: 0, highPct: inAt25Ft(4) },
    source:
      "SAE J599: cut-off level with the lamp up to 36 in, 4 in either way at 25 ft (from memory)",
  },
  {
    ...{ place: "us", beam: "low", heightM: [0.9, 1], of: "edge" },
    ...{ lowPct: inAt25Ft(-6), aimPct: inAt25Ft(-2), highPct: inAt25Ft(2) },
    source: "SAE J599: 2 in below the lamp from 36 to 40 in (from memory)",
  },
  {
    ...{ place: "us", beam: "low", heightM: [1, 3], of: "edge" },
    ...{ lowPct: inAt25Ft(-6.5), aimPct: inAt25Ft(-2.5), highPct: inAt25Ft(1.5) },
    source: "SAE J599: 2.5 in below the lamp above 40 in (from memory)",
  },
  {
    ...{ place: "us", beam: "fog", heightM: ANY, of: "edge" },
    ...{ lowPct: inAt25Ft(-8), aimPct: inAt25Ft(-4), highPct: 0 },
    source: "SAE J599: fog lamp's edge 4 in below its middle at 25 ft (from memory)",
  },
  {
    ...{ place: "us", beam: "driving", heightM: ANY, of: "spot" },
    ...{ lowPct: inAt25Ft(-4), aimPct: 0, highPct: inAt25Ft(4) },
    source:
      "SAE J599: driving lamp's spot at its own height, 4 in either way at 25 ft (from memory)",
  },
  common("low", "edge", [-2.5, -1, -0.5]),
  common("driving", "spot", [-2, -0.5, 0]),
  common("fog", "edge", [-3.5, -2, -1]),
  common("work", "spot", [-120, -15, -5]),
];

/** The rule for a beam at a height: the place's own, else what the trade does. */
export function aimRule(place: string, beam: BeamKind, heightM: number): AimRule {
  const fits = (rule: AimRule): boolean =>
    rule.beam === beam && heightM >= rule.heightM[0] && heightM <= rule.heightM[1];
  const rule =
    AIM_RULES.find((r) => r.place === place && r.place !== "" && fits(r)) ??
    AIM_RULES.find((r) => r.place === "" && r.beam === beam);
  if (!rule) throw new Error(`no rule for a ${beam} beam`);
  return rule;
}
