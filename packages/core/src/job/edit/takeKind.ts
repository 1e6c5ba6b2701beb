import equal from "fast-deep-equal";
import { usualVehicle, type Vehicle, type VehicleKind } from "../../vehicle/index.ts";
import type { Edit } from "./edit.ts";

/**
 * Makes a vehicle one of another kind. What nobody has touched since it was begun as its former kind
 * becomes what is usual for the new one; what somebody said or measured stays.
 */
export function takeKind(vehicle: Vehicle, kind: VehicleKind): Edit[] {
  const [before, after] = [vehicle.kind, kind].map((k) =>
    usualVehicle(k, vehicle.profileId, vehicle.model),
  ) as [Vehicle, Vehicle];
  const edits: Edit[] = [{ kind: "setOnce", entity: "vehicle", field: "kind", value: kind }];
  if (equal(vehicle.system, before.system)) {
    edits.push({ kind: "replaceSystem", value: after.system });
  }
  for (const field of ["frontM", "rearM", "controlsM"] as const) {
    if (!equal(vehicle.reaches[field], before.reaches[field])) continue;
    edits.push({ kind: "setOnce", entity: "reaches", field, value: after.reaches[field] });
  }
  for (const field of ["lengthM", "widthM", "heightM"] as const) {
    if (!equal(vehicle.size[field], before.size[field])) continue;
    edits.push({ kind: "setOnce", entity: "size", field, value: after.size[field] });
  }
  if (!equal(vehicle.places, before.places) || !equal(vehicle.segments, before.segments)) {
    return edits;
  }
  const gone = (entity: "place" | "segment") => (entry: { id: string }) =>
    ({ kind: "remove", entity, id: entry.id }) as const;
  return [
    ...edits,
    ...vehicle.segments.map(gone("segment")),
    ...vehicle.places.map(gone("place")),
    ...after.places.map((value, at): Edit => ({ kind: "add", entity: "place", value, at })),
    ...after.segments.map((value, at): Edit => ({ kind: "add", entity: "segment", value, at })),
  ];
}
