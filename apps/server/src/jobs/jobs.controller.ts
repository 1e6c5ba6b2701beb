import {
  Body,
  Controller,
  Delete,
  Get,
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
import { ApiQuery } from "@nestjs/swagger";
import {
  BinnedJobAnswer,
  ChangesAnswer,
  EditsRequest,
  JobAnswer,
  JobOnBoardAnswer,
  LedgerBeforeAnswer,
  NewJobRequest,
  RestoreRequest,
  RevisionAnswer,
  JobFileRequest,
} from "@dragonet/contract";
import { Answers, AnswersFile, AnswersNew, AnswersNothing } from "../docs/answers.ts";
import { Audit } from "../audit/audit.ts";
import { sendFile } from "../http/download.ts";
import { AsksForPages, linkNext, readSize } from "../http/listQuery.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { AsksForJobs } from "./board.controller.ts";
import { BoardService } from "./board.service.ts";
import { readBoardQuery, readJobPlace } from "./boardQuery.ts";
import { JobsService } from "./jobs.service.ts";
import { namedActs } from "./namedActs.ts";
import { JobSaves } from "./jobSaves.ts";

@Controller("api/jobs")
export class JobsController {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(BoardService) private readonly board: BoardService,
    @Inject(JobSaves) private readonly saves: JobSaves,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get()
  @AsksForJobs()
  @AsksForPages()
  @Answers(
    "Jobs as the board lists them; a Link header (RFC 8288) says where those after them are",
    [JobOnBoardAnswer],
  )
  async list(
    @Query() asked: Record<string, unknown>,
    @Res({ passthrough: true }) res: Response,
  ): Promise<readonly JobOnBoardAnswer[]> {
    const size = readSize(asked);
    const { jobs, next } = await this.board.page(readBoardQuery(asked), size, readJobPlace(asked));
    linkNext(res, "/api/jobs", asked, next);
    return jobs;
  }

  @RequireRole("owner")
  @Get("bin")
  @Answers("Jobs in the bin", [BinnedJobAnswer])
  bin(): Promise<BinnedJobAnswer[]> {
    return this.jobs.bin();
  }

  @RequireRole("installer")
  @Post()
  @AnswersNew("Opens a job", JobAnswer)
  create(@Body() body: NewJobRequest, @CurrentUser() me: SignedIn): Promise<JobAnswer> {
    return this.jobs.create(body, me);
  }

  @RequireRole("installer")
  @Post("import")
  @AnswersNew("Opens a job from a job file", JobAnswer)
  importFile(@Body() body: JobFileRequest, @CurrentUser() me: SignedIn): Promise<JobAnswer> {
    return this.jobs.importFile(body, me);
  }

  @Get(":id")
  @Answers("A job with its document", JobAnswer)
  async read(@Param("id", ParseUUIDPipe) id: string, @Res() res: Response): Promise<void> {
    res.type("application/json").send(await this.jobs.readText(id));
  }

  /** What the last other job on the same model found out about it. */
  @Get(":id/ledger-before")
  @Answers("What the last other job on the same model can hand on", LedgerBeforeAnswer)
  async ledgerBefore(@Param("id", ParseUUIDPipe) id: string): Promise<LedgerBeforeAnswer> {
    const { document } = await this.jobs.read(id);
    return (await this.jobs.ledgerBefore(document.vehicle.profileId, id)) ?? {};
  }

  @Get(":id/changes")
  @Answers("What came after a revision", ChangesAnswer)
  changes(
    @Param("id", ParseUUIDPipe) id: string,
    @Query("since", ParseIntPipe) since: number,
  ): Promise<ChangesAnswer> {
    return this.saves.changesSince(id, since);
  }

  @RequireRole("installer")
  @Post(":id/edits")
  @Answers("Saves edits: all of them, or none", ChangesAnswer)
  save(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: EditsRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<ChangesAnswer> {
    // The reducer refuses edits that make no sense, and the document is checked after them.
    const edits = body.edits.map((e) => ({ ...e })) as unknown as Edit[];
    const { batchId, baseRevision, follows = [], givenUp = [], known = baseRevision } = body;
    const acts = namedActs(body, edits);
    const request = { id: batchId, madeOn: baseRevision, follows, givenUp, acts };
    return this.saves.save(id, request, known, me);
  }

  @Get(":id/history")
  @ApiQuery({ name: "before", type: Number, required: false })
  @Answers("A job's revisions in words, latest first", [RevisionAnswer])
  history(
    @Param("id", ParseUUIDPipe) id: string,
    @Query("before", new ParseIntPipe({ optional: true })) before?: number,
  ): Promise<RevisionAnswer[]> {
    return this.jobs.history(id, before ?? null);
  }

  @RequireRole("installer")
  @Post(":id/restore")
  @Answers("Sets a job back to an earlier revision, as a new one", ChangesAnswer)
  restore(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: RestoreRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<ChangesAnswer> {
    return this.saves.restore(id, body.revision, me);
  }

  @Get(":id/file")
  @AnswersFile("The job as a file", "application/json")
  async file(
    @Param("id", ParseUUIDPipe) id: string,
    @CurrentUser() me: SignedIn,
    @Res() res: Response,
  ): Promise<void> {
    const { document } = await this.jobs.read(id);
    await this.audit.note(me.name, "took out a file", document.card.title);
    sendFile(res, `${document.card.title}.dragonet.json`, "application/json", printJob(document));
  }

  @RequireRole("owner")
  @Delete(":id")
  @AnswersNothing("Puts a job in the bin")
  async remove(@Param("id", ParseUUIDPipe) id: string, @CurrentUser() me: SignedIn): Promise<void> {
    await this.audit.note(me.name, "put a job in the bin", await this.jobs.remove(id, me));
  }

  @RequireRole("owner")
  @Post(":id/take-out")
  @AnswersNothing("Takes a job out of the bin")
  async takeOut(
    @Param("id", ParseUUIDPipe) id: string,
    @CurrentUser() me: SignedIn,
  ): Promise<void> {
    await this.audit.note(me.name, "took a job out of the bin", await this.jobs.takeOut(id));
  }
}
