import { Body, Delete, Get, Param, Post, Put, Res, type Type } from "@nestjs/common";
import type { Response } from "express";
import { CsvRequest, DocumentRequest, ImportedAnswer } from "@dragonet/contract";
import type { Action, Audit } from "../audit/audit.ts";
import { Answers, AnswersFile, AnswersNothing } from "../docs/answers.ts";
import { Me, Needs, type SignedIn } from "../people/access.ts";
import type { Catalogue, Kept } from "./catalogue.ts";
import { sendFile } from "./download.ts";

interface CsvFile<T> {
  readonly name: string;
  readonly print: (values: T[]) => string;
}

/**
 * What shelf and vehicle profiles have in common: a list, a file out and in, one entry at a
 * time; each entry is answered as `shape` says.
 */
export function catalogueController<T extends object>(shape: Type<Kept<T>>) {
  abstract class CatalogueController {
    protected constructor(
      readonly catalogue: Catalogue<T>,
      readonly audit: Audit,
      readonly action: Action,
      readonly csv: CsvFile<T>,
    ) {}

    @Get()
    @Answers("Everything of it", [shape])
    list(): Promise<Kept<T>[]> {
      return this.catalogue.list();
    }

    @Get("file")
    @AnswersFile("Everything of it as a table", "text/csv")
    async file(@Res() res: Response, @Me() me: SignedIn): Promise<void> {
      const values = (await this.catalogue.list()).map((kept) => kept.value);
      await this.audit.note(me.name, "took out a file", this.csv.name);
      sendFile(res, this.csv.name, "text/csv", this.csv.print(values));
    }

    @Get(":id")
    @Answers("One of it", shape)
    read(@Param("id") id: string): Promise<Kept<T>> {
      return this.catalogue.read(id);
    }

    @Needs("installer")
    @Post("import")
    @Answers("Takes a table in: all of it, or nothing", ImportedAnswer)
    async importCsv(@Body() body: CsvRequest, @Me() me: SignedIn): Promise<ImportedAnswer> {
      const taken = await this.catalogue.importCsv(body.csv);
      await this.note(me, `from a file: ${taken.added} new, ${taken.changed} changed`);
      return taken;
    }

    @Needs("installer")
    @Put(":id")
    @Answers("Keeps something new, or a change", shape)
    async keep(
      @Param("id") id: string,
      @Body() body: DocumentRequest,
      @Me() me: SignedIn,
    ): Promise<Kept<T>> {
      const kept = await this.catalogue.keep(id, body.value, body.revision);
      await this.note(me, id);
      return kept;
    }

    @Needs("installer")
    @Delete(":id")
    @AnswersNothing("Removes it")
    async remove(@Param("id") id: string, @Me() me: SignedIn): Promise<void> {
      await this.catalogue.remove(id);
      await this.note(me, `${id} removed`);
    }

    note(me: SignedIn, about: string): Promise<void> {
      return this.audit.note(me.name, this.action, about);
    }
  }
  return CatalogueController;
}
