/** Kinds of vehicles. */
export const VEHICLE_KINDS = [
  "quad",
  "sideBySide",
  "buggy",
  "motorcycle",
  "scooter",
  "trike",
  "eBike",
  "snowMachine",
  "cart",
  "utilityCart",
  "mower",
  "trailer",
  "other",
] as const;
/** One kind of vehicle. */
export type VehicleKind = (typeof VEHICLE_KINDS)[number];

/** A kind as people of the trade say it. */
export const VEHICLE_KIND_WORDS: Readonly<Record<VehicleKind, string>> = {
  quad: "quad",
  sideBySide: "side-by-side",
  buggy: "buggy",
  motorcycle: "motorcycle",
  scooter: "scooter",
  trike: "trike",
  eBike: "e-bike",
  snowMachine: "snow machine",
  cart: "golf cart",
  utilityCart: "utility cart",
  mower: "mower",
  trailer: "trailer",
  other: "other",
};

const ONE_TRACK: ReadonlySet<VehicleKind> = new Set(["motorcycle", "scooter", "eBike", "other"]);

/** Whether it has wheels beside each other, so that its outer edge is asked for: not known is no. */
export const isTwoTrack = (kind: VehicleKind): boolean => !ONE_TRACK.has(kind);
