import { Controller, Get, Inject, Post, Req, Res } from "@nestjs/common";
import type { Request, Response } from "express";
import { ArchiveAnswer } from "@dragonet/contract";
import { Answers, AnswersFile, TakesFile } from "../docs/answers.ts";
import { Audit } from "../audit/audit.ts";
import { notValid } from "../http/refusal.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { Archive } from "./archive.ts";
import { ArchiveFile } from "./archiveFile.ts";

/** The whole shop in one file, out and in. */
@RequireRole("owner")
@Controller("api/shop/archive")
export class ArchiveController {
  constructor(
    @Inject(Archive) private readonly archive: Archive,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get()
  @AnswersFile("The whole shop in one file", "application/zip")
  async out(@Res() res: Response, @CurrentUser() me: SignedIn): Promise<void> {
    res.attachment("shop.dragonet.zip").type("application/zip");
    await this.audit.note(me.name, "took out a file", "the whole shop");
    await this.archive.writeTo(res);
  }

  /** Takes an archive in: jobs that are not here yet, its parts and profiles over those there. */
  @Post()
  @TakesFile("application/zip")
  @Answers("Takes an archive in", ArchiveAnswer)
  async in(@Req() req: Request, @CurrentUser() me: SignedIn): Promise<ArchiveAnswer> {
    if (!req.is("application/zip")) throw notValid("no archive was sent (a ZIP file)");
    const file = await ArchiveFile.receive(req);
    try {
      const taken = await this.archive.takeIn(file, me);
      await this.audit.note(me.name, "took in a file", `an archive: ${taken.jobs} jobs`);
      return taken;
    } finally {
      await file.remove();
    }
  }
}
