import { Controller, Inject, Module } from "@nestjs/common";
import { printPartsCsv, readPartsCsv, type Part } from "@dragonet/core";
import { KeptPartAnswer, checkPart } from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { part } from "../database/schema.ts";
import { Catalogue } from "../http/catalogue.ts";
import { catalogueController } from "../http/catalogueController.ts";

@Controller("api/parts")
class ShelfController extends catalogueController<Part>(KeptPartAnswer) {
  constructor(@Inject(DATABASE) db: Database, @Inject(Audit) audit: Audit) {
    super(
      new Catalogue<Part>(db, {
        table: part,
        what: "part",
        idOf: (value) => value.id,
        check: checkPart,
        readCsv: readPartsCsv,
      }),
      audit,
      "changed the shelf",
      { name: "shelf.csv", print: printPartsCsv },
    );
  }
}

@Module({ controllers: [ShelfController] })
export class ShelfModule {}
