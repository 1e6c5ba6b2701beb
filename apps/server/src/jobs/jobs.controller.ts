import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseIntPipe,
  ParseUUIDPipe,
  Post,
  Query,
  Res,
} from "@nestjs/common";
import type { Response } from "express";
import { printJob, type Edit } from "@dragonet/core";
import { EditsRequest, NewJobRequest, RestoreRequest, TextRequest } from "@dragonet/contract";
import { sendFile } from "../http/download.ts";
import { Me, Needs, type SignedIn } from "../people/access.ts";
import { stripSheetPdf } from "../sheet/stripSheetPdf.ts";
import { benchCalendar } from "./calendar.ts";
import { PeopleService } from "../people/people.service.ts";
import {
  JobsService,
  type HistoryItem,
  type JobListItem,
  type JobView,
  type Saved,
} from "./jobs.service.ts";

@Controller("api/jobs")
export class JobsController {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(PeopleService) private readonly people: PeopleService,
  ) {}

  @Get()
  list(): Promise<JobListItem[]> {
    return this.jobs.list();
  }

  /** Promised days and curing adhesive, for any calendar program. */
  @Get("calendar.ics")
  async calendar(@Res() res: Response): Promise<void> {
    sendFile(res, "bench.ics", "text/calendar", benchCalendar(await this.jobs.list()));
  }

  @Needs("installer")
  @Post()
  create(@Body() body: NewJobRequest, @Me() me: SignedIn): Promise<JobView> {
    return this.jobs.create(body, me);
  }

  @Needs("installer")
  @Post("import")
  importFile(@Body() body: TextRequest, @Me() me: SignedIn): Promise<JobView> {
    return this.jobs.importFile(body.text, me);
  }

  @Get(":id")
  async read(@Param("id", ParseUUIDPipe) id: string, @Res() res: Response): Promise<void> {
    res.type("application/json").send(await this.jobs.readText(id));
  }

  /** What the last other job on the same model found out about it. */
  @Get(":id/ledger-before")
  async ledgerBefore(@Param("id", ParseUUIDPipe) id: string): Promise<object> {
    const { document } = await this.jobs.read(id);
    return (await this.jobs.ledgerBefore(document.vehicle.profileId, id)) ?? {};
  }

  @Get(":id/changes")
  changes(
    @Param("id", ParseUUIDPipe) id: string,
    @Query("since", ParseIntPipe) since: number,
  ): Promise<Saved> {
    return this.jobs.changesSince(id, since);
  }

  @Needs("installer")
  @Post(":id/edits")
  @HttpCode(200)
  save(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: EditsRequest,
    @Me() me: SignedIn,
  ): Promise<Saved> {
    // The reducer refuses edits that make no sense, and the document is checked after them.
    const edits = body.edits.map((e) => ({ ...e })) as unknown as Edit[];
    return this.jobs.save(id, body.baseRevision, edits, body.batchId, me);
  }

  @Get(":id/history")
  history(@Param("id", ParseUUIDPipe) id: string): Promise<HistoryItem[]> {
    return this.jobs.history(id);
  }

  @Needs("installer")
  @Post(":id/restore")
  @HttpCode(200)
  restore(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: RestoreRequest,
    @Me() me: SignedIn,
  ): Promise<Saved> {
    return this.jobs.restore(id, body.revision, me);
  }

  @Get(":id/file")
  async file(@Param("id", ParseUUIDPipe) id: string, @Res() res: Response): Promise<void> {
    const { document } = await this.jobs.read(id);
    sendFile(res, `${document.card.title}.dragonet.json`, "application/json", printJob(document));
  }

  @Get(":id/strip-sheet.pdf")
  async sheet(
    @Param("id", ParseUUIDPipe) id: string,
    @Me() me: SignedIn,
    @Res() res: Response,
  ): Promise<void> {
    const { document, revision } = await this.jobs.read(id);
    const shop = await this.people.shopName();
    const pdf = await stripSheetPdf(document, { shop, revision, units: me.preferences.units });
    sendFile(res, `${document.card.title} strip sheet.pdf`, "application/pdf", pdf, "inline");
  }

  @Needs("owner")
  @Delete(":id")
  @HttpCode(204)
  remove(@Param("id", ParseUUIDPipe) id: string): Promise<void> {
    return this.jobs.remove(id);
  }
}
