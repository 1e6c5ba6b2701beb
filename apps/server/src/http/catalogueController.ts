import { Body, Delete, Get, Param, Post, Put, Query, Res, type Type } from "@nestjs/common";
import { sql } from "drizzle-orm";
import type { Response } from "express";
import { CsvRequest, DocumentRequest, ImportedAnswer } from "@dragonet/contract";
import type { Action, Audit } from "../audit/audit.ts";
import { Answers, AnswersFile, AnswersNothing } from "../docs/answers.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import type { Catalogue, Versioned } from "./catalogue.ts";
import { readCataloguePlace, type CatalogueLists } from "./catalogueLists.ts";
import { sendFile } from "./download.ts";
import { AsksFor, AsksForPages, linkNext, readSize, readText, type Asked } from "./listQuery.ts";

interface CsvFile<T> {
  readonly name: string;
  readonly print: (values: T[]) => string;
}

/**
 * What shelf and vehicle profiles have in common: a list, a file out and in, one entry at a
 * time; each entry is answered as `shape` says.
 */
export function catalogueController<T extends object>(shape: Type<Versioned<T>>) {
  abstract class CatalogueController {
    protected constructor(
      readonly catalogue: Catalogue<T>,
      readonly lists: CatalogueLists<T>,
      readonly audit: Audit,
      readonly action: Action,
      readonly csv: CsvFile<T>,
      /** Where it is asked for. */
      readonly path: string,
    ) {}

    @Get()
    @AsksFor("q")
    @AsksForPages()
    @Answers("By name; a Link header (RFC 8288) says where those after them are", [shape])
    async list(
      @Query() asked: Asked,
      @Res({ passthrough: true }) res: Response,
    ): Promise<readonly Versioned<T>[]> {
      const had = await this.lists.having(readText(asked, "q"));
      const place = readCataloguePlace(asked);
      const { entries, next } = await this.lists.page(had, sql`true`, readSize(asked), place);
      linkNext(res, this.path, asked, next);
      return entries;
    }

    @Get("file")
    @AnswersFile("Everything of it as a table", "text/csv")
    async file(@Res() res: Response, @CurrentUser() me: SignedIn): Promise<void> {
      const values = (await this.catalogue.list()).map((kept) => kept.value);
      await this.audit.note(me.name, "took out a file", this.csv.name);
      sendFile(res, this.csv.name, "text/csv", this.csv.print(values));
    }

    @Get(":id")
    @Answers("One of it", shape)
    read(@Param("id") id: string): Promise<Versioned<T>> {
      return this.catalogue.read(id);
    }

    @RequireRole("installer")
    @Post("import")
    @Answers("Takes a table in: all of it, or nothing", ImportedAnswer)
    async importCsv(
      @Body() body: CsvRequest,
      @CurrentUser() me: SignedIn,
    ): Promise<ImportedAnswer> {
      const taken = await this.catalogue.importCsv(body.csv);
      await this.note(me, `from a file: ${taken.added} new, ${taken.changed} changed`);
      return taken;
    }

    @RequireRole("installer")
    @Put(":id")
    @Answers("Keeps something new, or a change", shape)
    async keep(
      @Param("id") id: string,
      @Body() body: DocumentRequest,
      @CurrentUser() me: SignedIn,
    ): Promise<Versioned<T>> {
      const kept = await this.catalogue.keep(id, body.value, body.revision);
      await this.note(me, id);
      return kept;
    }

    @RequireRole("installer")
    @Delete(":id")
    @AnswersNothing("Removes it")
    async remove(@Param("id") id: string, @CurrentUser() me: SignedIn): Promise<void> {
      await this.catalogue.remove(id);
      await this.note(me, `${id} removed`);
    }

    note(me: SignedIn, about: string): Promise<void> {
      return this.audit.note(me.name, this.action, about);
    }
  }
  return CatalogueController;
}
