import { Body, Controller, Get, Inject, Module, Param, Post, Query, Res } from "@nestjs/common";
import { sql } from "drizzle-orm";
import type { Response } from "express";
import { printVehiclesCsv, type Vehicle } from "@dragonet/core";
import {
  CompareModelRequest,
  ComparedModelAnswer,
  KeptVehicleAnswer,
  MeasurementAnswer,
  TakeModelRequest,
  VehiclesPageAnswer,
} from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { vehicleProfile } from "../database/schema.ts";
import { Answers, AnswersFile } from "../docs/answers.ts";
import { catalogueController } from "../http/catalogueController.ts";
import { CatalogueLists, readCataloguePlace } from "../http/catalogueLists.ts";
import { sendFile } from "../http/download.ts";
import { AsksFor, AsksForPages, readSize, readText, type Asked } from "../http/listQuery.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { ModelsService } from "./models.service.ts";
import { profilesIn } from "./profiles.ts";

@Controller("api/vehicles")
class VehiclesController extends catalogueController<Vehicle>(KeptVehicleAnswer) {
  constructor(@Inject(DATABASE) db: Database, @Inject(Audit) audit: Audit) {
    super(
      profilesIn(db),
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

/** What is known of models, and what shops tell each other of them. */
@Controller("api/models")
class ModelsController {
  constructor(
    @Inject(ModelsService) private readonly models: ModelsService,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get(":id/known")
  @Answers("Everything that was found out about a model, the newest first", [MeasurementAnswer])
  known(@Param("id") id: string): Promise<MeasurementAnswer[]> {
    return this.models.measurements(id);
  }

  @Get(":id/file")
  @AnswersFile("What is known of a model, for other shops", "application/json")
  async file(
    @Param("id") id: string,
    @Res() res: Response,
    @CurrentUser() me: SignedIn,
  ): Promise<void> {
    const file = await this.models.file(id);
    await this.audit.note(me.name, "took out a file", file.vehicle.model);
    const text = `${JSON.stringify(file, null, 1)}\n`;
    sendFile(res, `${file.vehicle.model}.dragonet-model.json`, "application/json", text);
  }

  @RequireRole("installer")
  @Post("compare")
  @Answers("What another shop's file says otherwise; nothing is stored", ComparedModelAnswer)
  compare(@Body() { file }: CompareModelRequest): Promise<ComparedModelAnswer> {
    return this.models.compared(file);
  }

  @RequireRole("installer")
  @Post("take")
  @Answers("Takes over what was chosen of another shop's file", KeptVehicleAnswer)
  async take(
    @Body() { file, take, revision }: TakeModelRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<KeptVehicleAnswer> {
    const kept = await this.models.take(file, take, revision);
    await this.audit.note(me.name, "changed vehicles", `${kept.value.model}, from a shop's file`);
    return kept;
  }
}

@Module({
  controllers: [VehiclesController, ProfilesController, ModelsController],
  providers: [ModelsService],
  exports: [ModelsService],
})
export class VehiclesModule {}
