import type { Expected, Probe } from "./probe.ts";
import type { FaultSuspect } from "../suspect/suspects.ts";

/** Readings further apart than this many standard deviations of both are told apart. */
const APART_SIGMAS = 3;

export const apart = (a: Expected, b: Expected): boolean =>
  Number.isFinite(a.sigma) &&
  Number.isFinite(b.sigma) &&
  Math.abs(a.value - b.value) > APART_SIGMAS * Math.hypot(a.sigma, b.sigma);

/**
 * Whether a probe tells a fault from sound: it moves the reading past what is right. How far a
 * joint of some other resistance would move it is no doubt about this one.
 */
export function shows(probe: Probe, fault: FaultSuspect): boolean {
  const sound = probe.bench.sound(probe);
  const { value, sigma } = probe.bench.expects(fault, probe);
  return Number.isFinite(sigma) && apart({ value, sigma: sound.sigma }, sound);
}
