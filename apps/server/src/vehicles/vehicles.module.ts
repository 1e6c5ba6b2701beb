import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Module,
  Param,
  Post,
  Put,
  Res,
} from "@nestjs/common";
import type { Response } from "express";
import { printVehiclesCsv, readVehiclesCsv, type Vehicle } from "@dragonet/core";
import { CsvRequest, DocumentRequest, checkVehicle } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { vehicleProfile } from "../database/schema.ts";
import { Catalogue, type Kept } from "../http/catalogue.ts";
import { sendFile } from "../http/download.ts";
import { Needs } from "../people/access.ts";

@Controller("api/vehicles")
class VehiclesController {
  private readonly vehicles: Catalogue<Vehicle>;

  constructor(@Inject(DATABASE) db: Database) {
    this.vehicles = new Catalogue<Vehicle>(db, {
      table: vehicleProfile,
      what: "vehicle profile",
      idOf: (value) => value.profileId,
      check: checkVehicle,
      readCsv: readVehiclesCsv,
    });
  }

  @Get()
  list(): Promise<Kept<Vehicle>[]> {
    return this.vehicles.list();
  }

  @Get("file")
  async file(@Res() res: Response): Promise<void> {
    const vehicles = (await this.vehicles.list()).map((kept) => kept.value);
    sendFile(res, "vehicles.csv", "text/csv", printVehiclesCsv(vehicles));
  }

  @Get(":id")
  read(@Param("id") id: string): Promise<Kept<Vehicle>> {
    return this.vehicles.read(id);
  }

  @Needs("installer")
  @Post("import")
  @HttpCode(200)
  importCsv(@Body() body: CsvRequest) {
    return this.vehicles.importCsv(body.csv);
  }

  @Needs("installer")
  @Put(":id")
  keep(@Param("id") id: string, @Body() body: DocumentRequest): Promise<Kept<Vehicle>> {
    return this.vehicles.keep(id, body.value, body.revision);
  }

  @Needs("installer")
  @Delete(":id")
  @HttpCode(204)
  remove(@Param("id") id: string): Promise<void> {
    return this.vehicles.remove(id);
  }
}

@Module({ controllers: [VehiclesController] })
export class VehiclesModule {}
