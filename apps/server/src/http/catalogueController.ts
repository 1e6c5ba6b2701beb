import { Body, Delete, Get, HttpCode, Param, Post, Put, Res } from "@nestjs/common";
import type { Response } from "express";
import { CsvRequest, DocumentRequest } from "@dragonet/contract";
import { Needs } from "../people/access.ts";
import type { Catalogue, Kept } from "./catalogue.ts";
import { sendFile } from "./download.ts";

/** What shelf and vehicle profiles have in common: a list, a file out and in, one entry at a time. */
export abstract class CatalogueController<T extends object> {
  protected constructor(
    private readonly catalogue: Catalogue<T>,
    private readonly csv: { readonly name: string; readonly print: (values: T[]) => string },
  ) {}

  @Get()
  list(): Promise<Kept<T>[]> {
    return this.catalogue.list();
  }

  @Get("file")
  async file(@Res() res: Response): Promise<void> {
    const values = (await this.catalogue.list()).map((kept) => kept.value);
    sendFile(res, this.csv.name, "text/csv", this.csv.print(values));
  }

  @Get(":id")
  read(@Param("id") id: string): Promise<Kept<T>> {
    return this.catalogue.read(id);
  }

  @Needs("installer")
  @Post("import")
  @HttpCode(200)
  importCsv(@Body() body: CsvRequest) {
    return this.catalogue.importCsv(body.csv);
  }

  @Needs("installer")
  @Put(":id")
  keep(@Param("id") id: string, @Body() body: DocumentRequest): Promise<Kept<T>> {
    return this.catalogue.keep(id, body.value, body.revision);
  }

  @Needs("installer")
  @Delete(":id")
  @HttpCode(204)
  remove(@Param("id") id: string): Promise<void> {
    return this.catalogue.remove(id);
  }
}
