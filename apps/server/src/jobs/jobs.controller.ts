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
import { Audit } from "../audit/audit.ts";
import { sendFile } from "../http/download.ts";
import { Me, Needs, type SignedIn } from "../people/access.ts";
import { benchCalendar } from "./calendar.ts";
import {
  JobsService,
  type BinItem,
  type HistoryItem,
  type JobListItem,
  type JobView,
} from "./jobs.service.ts";
import { namedActs } from "./namedActs.ts";
import { JobSaves, type Saved } from "./jobSaves.ts";

@Controller("api/jobs")
export class JobsController {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(JobSaves) private readonly saves: JobSaves,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get()
  list(): Promise<JobListItem[]> {
    return this.jobs.list();
  }

  @Needs("owner")
  @Get("bin")
  bin(): Promise<BinItem[]> {
    return this.jobs.bin();
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
    return this.saves.changesSince(id, since);
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
    const { batchId, baseRevision, follows = [], givenUp = [], known = baseRevision } = body;
    const acts = namedActs(body, edits);
    const request = { id: batchId, madeOn: baseRevision, follows, givenUp, acts };
    return this.saves.save(id, request, known, me);
  }

  @Get(":id/history")
  history(
    @Param("id", ParseUUIDPipe) id: string,
    @Query("before", new ParseIntPipe({ optional: true })) before?: number,
  ): Promise<HistoryItem[]> {
    return this.jobs.history(id, before ?? null);
  }

  @Needs("installer")
  @Post(":id/restore")
  @HttpCode(200)
  restore(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: RestoreRequest,
    @Me() me: SignedIn,
  ): Promise<Saved> {
    return this.saves.restore(id, body.revision, me);
  }

  @Get(":id/file")
  async file(
    @Param("id", ParseUUIDPipe) id: string,
    @Me() me: SignedIn,
    @Res() res: Response,
  ): Promise<void> {
    const { document } = await this.jobs.read(id);
    await this.audit.note(me.name, "took out a file", document.card.title);
    sendFile(res, `${document.card.title}.dragonet.json`, "application/json", printJob(document));
  }

  @Needs("owner")
  @Delete(":id")
  @HttpCode(204)
  async remove(@Param("id", ParseUUIDPipe) id: string, @Me() me: SignedIn): Promise<void> {
    await this.audit.note(me.name, "put a job in the bin", await this.jobs.remove(id, me));
  }

  @Needs("owner")
  @Post(":id/take-out")
  @HttpCode(204)
  async takeOut(@Param("id", ParseUUIDPipe) id: string, @Me() me: SignedIn): Promise<void> {
    await this.audit.note(me.name, "took a job out of the bin", await this.jobs.takeOut(id));
  }
}
