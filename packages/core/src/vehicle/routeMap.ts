import type { PlaceId, SegmentId } from "../job/ids.ts";
import type { BoundedValue } from "../quantity/index.ts";

/** What a place on the vehicle is for, so that ends of wires find it without being told. */
export const PLACE_ROLES = [
  "battery",
  "electrics",
  "controls",
  "front",
  "rear",
  "ground",
  "other",
] as const;
/** What a place of a route map is to wires. */
export type PlaceRole = (typeof PLACE_ROLES)[number];

/** Somewhere wires start, end or part. */
export interface MapPlace {
  readonly id: PlaceId;
  readonly name: string;
  readonly role: PlaceRole;
  /** Where the plan shows it, in m: behind the foremost point, and right of the centreline. */
  readonly backM: number;
  readonly rightM: number;
}

/** What wears a wire on its way. */
export const HAZARDS = [
  "fork",
  "suspension",
  "seat",
  "moving",
  "sharp",
  "panel",
  "hot",
  "water",
] as const;
/** What endangers a wire on a stretch. */
export type Hazard = (typeof HAZARDS)[number];

/** A stretch that wires can be led along, as measured with a string. */
export interface MapSegment {
  readonly id: SegmentId;
  readonly fromId: PlaceId;
  readonly toId: PlaceId;
  readonly lengthM: BoundedValue;
  /** The maker's own loom goes this way: somebody has proved it. */
  readonly factory: boolean;
  readonly hazards: readonly Hazard[];
  readonly note: string;
}

/** Outer size of the vehicle, mirrors and rider left out. */
export interface VehicleSize {
  readonly lengthM: BoundedValue;
  readonly widthM: BoundedValue;
  readonly heightM: BoundedValue;
}
