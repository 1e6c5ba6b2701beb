import { Controller, Get, Inject, Module, Query } from "@nestjs/common";
import { sql } from "drizzle-orm";
import { printVehiclesCsv, readVehiclesCsv, type Vehicle } from "@dragonet/core";
import { KeptVehicleAnswer, VehiclesPageAnswer, checkVehicle } from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { vehicleProfile } from "../database/schema.ts";
import { Answers } from "../docs/answers.ts";
import { Catalogue } from "../http/catalogue.ts";
import { catalogueController } from "../http/catalogueController.ts";
import { CatalogueLists, readCataloguePlace } from "../http/catalogueLists.ts";
import { AsksFor, AsksForPages, readSize, readText, type Asked } from "../http/listQuery.ts";

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
      new CatalogueLists<Vehicle>(db, vehicleProfile, "vehicle"),
      audit,
      "changed vehicles",
      { name: "vehicles.csv", print: printVehiclesCsv },
      "/api/vehicles",
    );
  }
}

/** Profiles as they are looked at and chosen from; one by itself is at api/vehicles. */
@Controller("api/profiles")
class ProfilesController {
  private readonly lists: CatalogueLists<Vehicle>;

  constructor(@Inject(DATABASE) db: Database) {
    this.lists = new CatalogueLists<Vehicle>(db, vehicleProfile, "vehicle");
  }

  @Get()
  @AsksFor("q")
  @AsksForPages()
  @Answers(
    "Some profiles by model, and what is asked for to see those after them",
    VehiclesPageAnswer,
  )
  async page(@Query() asked: Asked): Promise<VehiclesPageAnswer> {
    const had = await this.lists.having(readText(asked, "q"));
    const place = readCataloguePlace(asked);
    const { entries, next } = await this.lists.page(had, sql`true`, readSize(asked), place);
    return { vehicles: entries, next };
  }

  @Get("near")
  @AsksFor("text")
  @Answers("Profiles that a sentence may mean, the nearest first", [KeptVehicleAnswer])
  near(@Query() asked: Asked): Promise<readonly KeptVehicleAnswer[]> {
    return this.lists.near(readText(asked, "text", 2000));
  }
}

@Module({ controllers: [VehiclesController, ProfilesController] })
export class VehiclesModule {}
