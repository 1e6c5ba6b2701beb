import { partOf, type ThingSpec } from "../thing.ts";

/** A plug and socket in a lamp's leads, or an adapter lead. */
export const plugUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.8,
  fitMin: 0,
  pieces: partOf("connector"),
};
