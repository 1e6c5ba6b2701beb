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
import { printPartsCsv, readPartsCsv, type Part } from "@dragonet/core";
import { CsvRequest, DocumentRequest, checkPart } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { part } from "../database/schema.ts";
import { Catalogue, type Kept } from "../http/catalogue.ts";
import { sendFile } from "../http/download.ts";
import { Needs } from "../people/access.ts";

@Controller("api/parts")
class ShelfController {
  private readonly shelf: Catalogue<Part>;

  constructor(@Inject(DATABASE) db: Database) {
    this.shelf = new Catalogue<Part>(db, {
      table: part,
      what: "part",
      idOf: (value) => value.id,
      check: checkPart,
      readCsv: readPartsCsv,
    });
  }

  @Get()
  list(): Promise<Kept<Part>[]> {
    return this.shelf.list();
  }

  @Get("file")
  async file(@Res() res: Response): Promise<void> {
    const parts = (await this.shelf.list()).map((kept) => kept.value);
    sendFile(res, "shelf.csv", "text/csv", printPartsCsv(parts));
  }

  @Needs("installer")
  @Post("import")
  @HttpCode(200)
  importCsv(@Body() body: CsvRequest) {
    return this.shelf.importCsv(body.csv);
  }

  @Needs("installer")
  @Put(":id")
  keep(@Param("id") id: string, @Body() body: DocumentRequest): Promise<Kept<Part>> {
    return this.shelf.keep(id, body.value, body.revision);
  }

  @Needs("installer")
  @Delete(":id")
  @HttpCode(204)
  remove(@Param("id") id: string): Promise<void> {
    return this.shelf.remove(id);
  }
}

@Module({ controllers: [ShelfController] })
export class ShelfModule {}
