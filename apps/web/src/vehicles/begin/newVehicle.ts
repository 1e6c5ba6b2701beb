import { asId, usualVehicle, type ProfileId, type Vehicle, type VehicleKind } from "@dragonet/core";
import { mint } from "../../base/mint.ts";

/** A profile to begin with: what is usual for its kind, every fact assumed until somebody looks. */
export const newVehicle = (kind: VehicleKind = "other"): Vehicle =>
  usualVehicle(kind, asId<ProfileId>(mint("vehicle")), "New model");
