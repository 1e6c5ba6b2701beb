import { eachMade, withDefaults, type Plain } from "./plain.ts";

/** A vehicle of version 6 as of version 7: nothing is known of its own lamps' beams. */
export const vehicleTo7 = (vehicle: unknown): unknown => withDefaults(vehicle, { beams: [] });

const OFF = "amps|off|";
const inMilliamps = (amps: unknown): unknown => (typeof amps === "number" ? 1000 * amps : amps);

/** What a clamp read with everything off is read by a meter in place of the fuse now, in mA. */
const readingTo7 = (reading: Plain): Plain =>
  String(reading.step).startsWith(OFF)
    ? {
        ...reading,
        step: `milli${String(reading.step)}`,
        value: inMilliamps(reading.value),
        low: inMilliamps(reading.low),
        high: inMilliamps(reading.high),
      }
    : reading;

/**
 * A job document of version 6 as one of version 7: nothing was mended at its tests, no panel says
 * what it covers, and standby is read in milliamps.
 */
export const toVersion7 = (document: Plain): Plain => ({
  mends: [],
  ...document,
  strip: eachMade(document.strip, (step) => ({ covers: [], ...step })),
  readings: eachMade(document.readings, readingTo7),
  vehicle: vehicleTo7(document.vehicle),
  format: "dragonet-job/7",
});
