import { asId, type PlaceId, type SegmentId } from "../../job/index.ts";
import { measured, stated } from "../../quantity/index.ts";
import type { Hazard, MapPlace, MapSegment, PlaceRole, VehicleSize } from "../../vehicle/index.ts";

/** Short hands for spelling out the demo shop's route maps. */

export const place = (
  id: string,
  name: string,
  role: PlaceRole,
  backM: number,
  rightM: number,
): MapPlace => ({ id: asId<PlaceId>(id), name, role, backM, rightM });

/** A stretch along the factory loom, measured with a string to a centimetre or two. */
export const loom = (
  fromId: string,
  toId: string,
  lengthM: number,
  ...hazards: readonly Hazard[]
): MapSegment => stretch(fromId, toId, lengthM, true, hazards);

/** A stretch of our own, beside the factory loom. */
export const own = (
  fromId: string,
  toId: string,
  lengthM: number,
  ...hazards: readonly Hazard[]
): MapSegment => stretch(fromId, toId, lengthM, false, hazards);

const stretch = (
  fromId: string,
  toId: string,
  lengthM: number,
  factory: boolean,
  hazards: readonly Hazard[],
): MapSegment => ({
  id: asId<SegmentId>(`${fromId}-${toId}`),
  fromId: asId<PlaceId>(fromId),
  toId: asId<PlaceId>(toId),
  lengthM: measured(lengthM, lengthM - 0.02, lengthM + 0.02),
  factory,
  hazards,
  note: "",
});

export const size = (lengthM: number, widthM: number, heightM: number): VehicleSize => ({
  lengthM: stated(lengthM, lengthM, lengthM),
  widthM: stated(widthM, widthM, widthM),
  heightM: stated(heightM, heightM, heightM),
});
