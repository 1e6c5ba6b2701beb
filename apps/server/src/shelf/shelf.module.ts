import { Controller, Inject, Module } from "@nestjs/common";
import { printPartsCsv, readPartsCsv, type Part } from "@dragonet/core";
import { checkPart } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { part } from "../database/schema.ts";
import { Catalogue } from "../http/catalogue.ts";
import { CatalogueController } from "../http/catalogueController.ts";

@Controller("api/parts")
class ShelfController extends CatalogueController<Part> {
  constructor(@Inject(DATABASE) db: Database) {
    super(
      new Catalogue<Part>(db, {
        table: part,
        what: "part",
        idOf: (value) => value.id,
        check: checkPart,
        readCsv: readPartsCsv,
      }),
      { name: "shelf.csv", print: printPartsCsv },
    );
  }
}

@Module({ controllers: [ShelfController] })
export class ShelfModule {}
