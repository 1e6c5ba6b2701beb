import { Controller, Inject, Module } from "@nestjs/common";
import { printPartsCsv, readPartsCsv, type Part } from "@dragonet/core";
import { KeptPartAnswer, checkPart } from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { part } from "../database/schema.ts";
import { Catalogue } from "../http/catalogue.ts";
import { catalogueController } from "../http/catalogueController.ts";
import { CatalogueLists } from "../http/catalogueLists.ts";
import { JobsModule } from "../jobs/jobs.module.ts";
import { ShelfController } from "./shelf.controller.ts";
import { ShelfService } from "./shelf.service.ts";

@Controller("api/parts")
class PartsController extends catalogueController<Part>(KeptPartAnswer) {
  constructor(@Inject(DATABASE) db: Database, @Inject(Audit) audit: Audit) {
    super(
      new Catalogue<Part>(db, {
        table: part,
        what: "part",
        idOf: (value) => value.id,
        check: checkPart,
        readCsv: readPartsCsv,
      }),
      new CatalogueLists<Part>(db, part, "part"),
      audit,
      "changed the shelf",
      { name: "shelf.csv", print: printPartsCsv },
      "/api/parts",
    );
  }
}

@Module({
  imports: [JobsModule],
  controllers: [PartsController, ShelfController],
  providers: [ShelfService],
  exports: [ShelfService],
})
export class ShelfModule {}
