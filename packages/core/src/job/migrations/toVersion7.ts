import type { Plain } from "./plain.ts";

/** A vehicle of version 6 as of version 7: nothing is known of its own lamps' beams. */
export const vehicleTo7 = (vehicle: unknown): unknown => ({ beams: [], ...(vehicle as Plain) });

/** A job document of version 6 as one of version 7: nothing was mended at its tests, and no panel says what it covers. */
export const toVersion7 = (document: Plain): Plain => ({
  mends: [],
  ...document,
  strip: (document.strip as readonly Plain[]).map((step) => ({ covers: [], ...step })),
  vehicle: vehicleTo7(document.vehicle),
  format: "dragonet-job/7",
});
