import { Body, Controller, Get, Inject, Param, Post, Query, Res } from "@nestjs/common";
import type { Response } from "express";
import { printPartJobsCsv } from "@dragonet/core";
import {
  ArrivedRequest,
  FreeJobsRequest,
  FreedAnswer,
  KeptPartAnswer,
  NamedPartsRequest,
  NeedsAnswer,
  PartChoicesAnswer,
  PartJobsPageAnswer,
  PartsPageAnswer,
  ShelfAnswer,
  WaitingJobAnswer,
} from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { Answers, AnswersFile } from "../docs/answers.ts";
import { sendFile } from "../http/download.ts";
import { AsksFor, AsksForPages, type Asked } from "../http/listQuery.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { ShelfService } from "./shelf.service.ts";

/** The shelf as it is looked at and chosen from; one part by itself is at api/parts. */
@Controller("api/shelf")
export class ShelfController {
  constructor(
    @Inject(ShelfService) private readonly shelf: ShelfService,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get()
  @AsksFor("q")
  @Answers("The first parts of every kind, and how many there are", ShelfAnswer)
  read(@Query() asked: Asked): Promise<ShelfAnswer> {
    return this.shelf.shelf(asked);
  }

  @Get("page")
  @AsksFor("q", "kind")
  @AsksForPages()
  @Answers("Some parts by name, and what is asked for to see those after them", PartsPageAnswer)
  page(@Query() asked: Asked): Promise<PartsPageAnswer> {
    return this.shelf.page(asked);
  }

  @Get("choices")
  @AsksFor("sorts", "q")
  @Answers("What is offered where a part is chosen, what is in stock first", PartChoicesAnswer)
  choices(@Query() asked: Asked): Promise<PartChoicesAnswer> {
    return this.shelf.choices(asked);
  }

  @Get("near")
  @AsksFor("text")
  @Answers("Parts that a sentence may mean, the nearest first", [KeptPartAnswer])
  near(@Query() asked: Asked): Promise<readonly KeptPartAnswer[]> {
    return this.shelf.near(asked);
  }

  @Get("needs")
  @Answers("What open jobs take from the shelf, and what has to be ordered", NeedsAnswer)
  needs(): Promise<NeedsAnswer> {
    return this.shelf.needs();
  }

  /** Asked in a body, for there may be many of them. */
  @Post("named")
  @Answers("Parts by their names, and by their ids", [KeptPartAnswer])
  named(@Body() { names, ids }: NamedPartsRequest): Promise<KeptPartAnswer[]> {
    return this.shelf.named(names, ids);
  }

  @Get(":id/jobs")
  @AsksFor("lot")
  @AsksForPages()
  @Answers("Jobs that hold a part, those changed last first", PartJobsPageAnswer)
  jobs(@Param("id") id: string, @Query() asked: Asked): Promise<PartJobsPageAnswer> {
    return this.shelf.jobsWith(id, asked);
  }

  @Get(":id/jobs/file")
  @AsksFor("lot")
  @AnswersFile("Whom to tell where a part is called back, as a table", "text/csv")
  async jobsFile(
    @Param("id") id: string,
    @Query() asked: Asked,
    @Res() res: Response,
    @CurrentUser() me: SignedIn,
  ): Promise<void> {
    const text = printPartJobsCsv(await this.shelf.allJobsWith(id, asked));
    await this.audit.note(me.name, "took out a file", `jobs with ${id}`);
    sendFile(res, `jobs with ${id}.csv`, "text/csv", text);
  }

  @Get(":id/waiting")
  @Answers("Jobs that wait for a part by its name", [WaitingJobAnswer])
  waiting(@Param("id") id: string): Promise<WaitingJobAnswer[]> {
    return this.shelf.waitingFor(id);
  }

  @RequireRole("installer")
  @Post(":id/free")
  @Answers("Takes a part that has come in out of the way of jobs", FreedAnswer)
  async free(
    @Param("id") id: string,
    @Body() { jobs }: FreeJobsRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<FreedAnswer> {
    return { freed: await this.shelf.free(id, jobs, me) };
  }

  @RequireRole("installer")
  @Post(":id/arrived")
  @Answers("Puts what came in on the shelf", KeptPartAnswer)
  async arrived(
    @Param("id") id: string,
    @Body() { count }: ArrivedRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<KeptPartAnswer> {
    const kept = await this.shelf.arrived(id, count);
    await this.audit.note(me.name, "changed the shelf", `${id}: ${count} arrived`);
    return kept;
  }
}
