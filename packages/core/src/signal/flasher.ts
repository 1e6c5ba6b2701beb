import type { TurnFacts } from "../vehicle/index.ts";

/** What a flasher does with the load it sees. */
export interface FlashTiming {
  /** false: lit and steady, it never lets go. */
  readonly flashes: boolean;
  readonly onS: number;
  readonly offS: number;
  /** From the control to the first light. */
  readonly firstS: number;
  readonly why: string;
}

/** What the rhythm of a flasher depends on. */
export type FlasherFacts = Pick<
  TurnFacts,
  "principle" | "leastA" | "ratedA" | "ratePerMin" | "onShare"
>;

/** A missing load doubles the rate: how bulb-out is told, SAE J590 (from memory). */
const BULB_OUT = 2;
/** A thermal strip heats with the square of the current: it starts later with less. */
const HEAT_EXPONENT = 2;

const timing = (perMin: number, onShare: number, firstS: number, why: string): FlashTiming => ({
  flashes: true,
  onS: (60 / perMin) * onShare,
  offS: (60 / perMin) * (1 - onShare),
  firstS,
  why,
});

/**
 * The rhythm of a flasher for a load in A. Thermal: needs its current to heat, faster and
 * sooner with more; electronic and monitored by the vehicle: doubled under its threshold;
 * indifferent: the same whatever hangs on it.
 */
export function flashTiming(flasher: FlasherFacts, loadA: number): FlashTiming {
  const rate = flasher.ratePerMin.value;
  const { onShare, leastA } = flasher;
  const short = `sees ${loadA.toFixed(2)} A, wants ${leastA.toFixed(2)} A`;
  switch (flasher.principle) {
    case "thermal": {
      if (loadA < leastA) {
        return { flashes: false, onS: Infinity, offS: 0, firstS: 0, why: `${short}: never heats` };
      }
      const share = loadA / Math.max(0.01, flasher.ratedA);
      const perMin = rate * Math.min(1.6, Math.max(0.5, Math.sqrt(share)));
      const firstS = Math.min(1.5, 0.2 / share ** HEAT_EXPONENT);
      return timing(perMin, onShare, firstS, "heated by the load");
    }
    case "electronic":
    case "bus":
      return loadA < leastA
        ? timing(rate * BULB_OUT, onShare, 0, `${short}: takes it for a dead bulb`)
        : timing(rate, onShare, 0, "sees its load");
    case "indifferent":
      return timing(rate, onShare, 0, "whatever the load");
  }
}
