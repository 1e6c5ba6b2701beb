import { Controller, Inject, Module } from "@nestjs/common";
import { printVehiclesCsv, readVehiclesCsv, type Vehicle } from "@dragonet/core";
import { KeptVehicleAnswer, checkVehicle } from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { vehicleProfile } from "../database/schema.ts";
import { Catalogue } from "../http/catalogue.ts";
import { catalogueController } from "../http/catalogueController.ts";

@Controller("api/vehicles")
class VehiclesController extends catalogueController<Vehicle>(KeptVehicleAnswer) {
  constructor(@Inject(DATABASE) db: Database, @Inject(Audit) audit: Audit) {
    super(
      new Catalogue<Vehicle>(db, {
        table: vehicleProfile,
        what: "vehicle profile",
        idOf: (value) => value.profileId,
        check: checkVehicle,
        readCsv: readVehiclesCsv,
      }),
      audit,
      "changed vehicles",
      { name: "vehicles.csv", print: printVehiclesCsv },
    );
  }
}

@Module({ controllers: [VehiclesController] })
export class VehiclesModule {}
