import { Body, Delete, Get, HttpCode, Param, Post, Put, Res } from "@nestjs/common";
import type { Response } from "express";
import { CsvRequest, DocumentRequest } from "@dragonet/contract";
import type { Action, Audit } from "../audit/audit.ts";
import { Me, Needs, type SignedIn } from "../people/access.ts";
import type { Catalogue, Kept } from "./catalogue.ts";
import { sendFile } from "./download.ts";

/** What shelf and vehicle profiles have in common: a list, a file out and in, one entry at a time. */
export abstract class CatalogueController<T extends object> {
  protected constructor(
    private readonly catalogue: Catalogue<T>,
    private readonly audit: Audit,
    private readonly action: Action,
    private readonly csv: { readonly name: string; readonly print: (values: T[]) => string },
  ) {}

  @Get()
  list(): Promise<Kept<T>[]> {
    return this.catalogue.list();
  }

  @Get("file")
  async file(@Res() res: Response, @Me() me: SignedIn): Promise<void> {
    const values = (await this.catalogue.list()).map((kept) => kept.value);
    await this.audit.note(me.name, "took out a file", this.csv.name);
    sendFile(res, this.csv.name, "text/csv", this.csv.print(values));
  }

  @Get(":id")
  read(@Param("id") id: string): Promise<Kept<T>> {
    return this.catalogue.read(id);
  }

  @Needs("installer")
  @Post("import")
  @HttpCode(200)
  async importCsv(@Body() body: CsvRequest, @Me() me: SignedIn) {
    const taken = await this.catalogue.importCsv(body.csv);
    await this.note(me, `from a file: ${taken.added} new, ${taken.changed} changed`);
    return taken;
  }

  @Needs("installer")
  @Put(":id")
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
  @HttpCode(204)
  async remove(@Param("id") id: string, @Me() me: SignedIn): Promise<void> {
    await this.catalogue.remove(id);
    await this.note(me, `${id} removed`);
  }

  private note(me: SignedIn, about: string): Promise<void> {
    return this.audit.note(me.name, this.action, about);
  }
}
