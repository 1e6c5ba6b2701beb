import { readVehiclesCsv, type Vehicle } from "@dragonet/core";
import { checkVehicle } from "@dragonet/contract";
import type { Database } from "../database/database.ts";
import { vehicleProfile } from "../database/schema.ts";
import { Catalogue } from "../http/catalogue.ts";

/** The shop's vehicle profiles. */
export const profilesIn = (db: Database): Catalogue<Vehicle> =>
  new Catalogue<Vehicle>(db, {
    table: vehicleProfile,
    what: "vehicle profile",
    idOf: (value) => value.profileId,
    check: checkVehicle,
    readCsv: readVehiclesCsv,
  });
