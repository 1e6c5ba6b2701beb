import { decimal } from "../../quantity/index.ts";
import { FLASHER_V, flashTiming, type FlasherFacts } from "../../signal/index.ts";
import { pickOf } from "../chance.ts";
import { drillOf, type MakeDrill } from "../drill.ts";

const WORDS: Readonly<Record<FlasherFacts["principle"], string>> = {
  thermal: "a thermal flasher",
  electronic: "an electronic flasher",
  bus: "the vehicle's control unit",
  indifferent: "a flasher that does not look at its load",
};

const STEADY = "lights and does not flash";
const FAST = "flashes twice as fast";
const AS_BEFORE = "flashes as before";
const SLOWER = "flashes slower";

/** Bulbs as they come, and the LED lamps that people put in their place, W: common practice. */
const BULB_W = [10, 16, 21] as const;
const LED_W = [1, 2, 3, 5] as const;

/** LED lamps in place of bulbs: what makes of it what makes them flash? */
export const whichFlasher: MakeDrill = ({ chance }) => {
  const principle = pickOf(["thermal", "electronic", "bus", "indifferent"] as const, chance);
  const bulbW = pickOf(BULB_W, chance);
  const ledW = pickOf(LED_W, chance);
  if (!principle || !bulbW || !ledW) return null;
  const ratedA = (2 * bulbW) / FLASHER_V;
  const flasher: FlasherFacts = {
    ...{ principle, ratedA, leastA: 0.6 * ratedA, onShare: 0.5 },
    ratePerMin: { value: 90, low: 85, high: 95, provenance: "stated" },
  };
  const left = Math.floor(chance() * 3);
  const loadA = (left * bulbW + (2 - left) * ledW) / FLASHER_V;
  const timing = flashTiming(flasher, loadA);
  const perMin = 60 / (timing.onS + timing.offS);
  const answer = !timing.flashes
    ? STEADY
    : perMin > 1.3 * flasher.ratePerMin.value
      ? FAST
      : perMin < 0.97 * flasher.ratePerMin.value
        ? SLOWER
        : AS_BEFORE;
  const lamps =
    left === 2
      ? `two bulbs of ${bulbW} W`
      : left === 1
        ? `one bulb of ${bulbW} W and one LED lamp of ${ledW} W`
        : `two LED lamps of ${ledW} W`;
  return drillOf(
    "whichFlasher",
    `A side had two bulbs of ${bulbW} W behind ${WORDS[principle]} that wants ${decimal(flasher.leastA, 1)} A; now it has ${lamps}. What does it do?`,
    [STEADY, FAST, AS_BEFORE, SLOWER],
    answer,
    `It ${timing.why}.`,
  );
};
