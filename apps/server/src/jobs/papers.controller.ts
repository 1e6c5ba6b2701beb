import { Controller, Get, Inject, Param, ParseUUIDPipe, Query, Req, Res } from "@nestjs/common";
import { ApiQuery } from "@nestjs/swagger";
import type { Request, Response } from "express";
import { PAPERS, ownerPhotos } from "@dragonet/core";
import { AnswersFile } from "../docs/answers.ts";
import { sendFile } from "../http/download.ts";
import { notValid } from "../http/refusal.ts";
import { CurrentUser, type SignedIn } from "../people/access.ts";
import { PeopleService } from "../people/people.service.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { isPaper, type PaperOptions } from "../sheet/paper.ts";
import { WorkPool } from "../work/pool.ts";
import { JobsService } from "./jobs.service.ts";

/** Papers of a job, by the last word of their address. */
const SHEETS = {
  "wiring-sheet": { kind: "wiringSheet", name: "wiring sheet" },
  "owner-sheet": { kind: "ownerSheet", name: "owner sheet" },
  "wall-sheet": { kind: "wallSheet", name: "wall sheet" },
} as const;

/** What of a job is printed as it stands: each set in a thread of its own. */
@Controller("api/jobs/:id")
export class PapersController {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(PeopleService) private readonly people: PeopleService,
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(WorkPool) private readonly pool: WorkPool,
  ) {}

  @Get("wiring-sheet.pdf")
  @ApiQuery({ name: "paper", enum: Object.keys(PAPERS), required: false })
  @AnswersFile("The job, its circuits, the cut list, what comes off, the test", "application/pdf")
  wiring(
    @Param("id", ParseUUIDPipe) id: string,
    @CurrentUser() me: SignedIn,
    @Req() req: Request,
    @Res() res: Response,
    @Query("paper") paper: string = me.preferences.units === "us" ? "letter" : "a4",
  ) {
    if (!isPaper(paper)) {
      throw notValid(`invalid paper: "${paper}" (one of ${Object.keys(PAPERS).join(", ")})`);
    }
    // For a phone beside the lift: the job, at its circuit.
    const url = `${req.protocol}://${req.get("host") ?? ""}/jobs/${id}/circuit`;
    return this.send("wiring-sheet", id, me, res, { paper, url });
  }

  @Get("owner-sheet.pdf")
  @AnswersFile("What the owner is given", "application/pdf")
  owner(@Param("id", ParseUUIDPipe) id: string, @CurrentUser() me: SignedIn, @Res() res: Response) {
    return this.send("owner-sheet", id, me, res);
  }

  @Get("wall-sheet.pdf")
  @AnswersFile("Marks for aiming at a wall, to scale", "application/pdf")
  wall(@Param("id", ParseUUIDPipe) id: string, @CurrentUser() me: SignedIn, @Res() res: Response) {
    return this.send("wall-sheet", id, me, res);
  }

  private async send(
    which: keyof typeof SHEETS,
    id: string,
    me: SignedIn,
    res: Response,
    more: Pick<PaperOptions, "paper" | "url"> = {},
  ): Promise<void> {
    const { kind, name } = SHEETS[which];
    const { document, revision } = await this.jobs.read(id);
    const shown = kind === "ownerSheet" ? ownerPhotos(document) : [];
    const options = {
      ...{ shop: await this.people.shopName(), revision, units: me.preferences.units, ...more },
      pictures: await this.photos.some(
        id,
        shown.map((photo) => photo.id),
      ),
    };
    const pdf = await this.pool.run<typeof kind>({ kind, document, options });
    sendFile(res, `${document.card.title} ${name}.pdf`, "application/pdf", pdf, "inline");
  }
}
