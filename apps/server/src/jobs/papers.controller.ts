import { Controller, Get, Inject, Param, ParseUUIDPipe, Res } from "@nestjs/common";
import type { Response } from "express";
import { ownerPhotos } from "@dragonet/core";
import { AnswersFile } from "../docs/answers.ts";
import { sendFile } from "../http/download.ts";
import { Me, type SignedIn } from "../people/access.ts";
import { PeopleService } from "../people/people.service.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { WorkPool } from "../work/pool.ts";
import { JobsService } from "./jobs.service.ts";

/** Papers of a job, by the last word of their address. */
const PAPERS = {
  "strip-sheet": { kind: "stripSheet", name: "strip sheet" },
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

  @Get("strip-sheet.pdf")
  @AnswersFile("Taking apart and putting together, on paper", "application/pdf")
  strip(@Param("id", ParseUUIDPipe) id: string, @Me() me: SignedIn, @Res() res: Response) {
    return this.send("strip-sheet", id, me, res);
  }

  @Get("owner-sheet.pdf")
  @AnswersFile("What the owner is given", "application/pdf")
  owner(@Param("id", ParseUUIDPipe) id: string, @Me() me: SignedIn, @Res() res: Response) {
    return this.send("owner-sheet", id, me, res);
  }

  @Get("wall-sheet.pdf")
  @AnswersFile("Marks for aiming at a wall, to scale", "application/pdf")
  wall(@Param("id", ParseUUIDPipe) id: string, @Me() me: SignedIn, @Res() res: Response) {
    return this.send("wall-sheet", id, me, res);
  }

  private async send(
    which: keyof typeof PAPERS,
    id: string,
    me: SignedIn,
    res: Response,
  ): Promise<void> {
    const { kind, name } = PAPERS[which];
    const { document, revision } = await this.jobs.read(id);
    const shown = kind === "ownerSheet" ? ownerPhotos(document) : [];
    const options = {
      ...{ shop: await this.people.shopName(), revision, units: me.preferences.units },
      pictures: await this.photos.some(
        id,
        shown.map((photo) => photo.id),
      ),
    };
    const pdf = await this.pool.run<typeof kind>({ kind, document, options });
    sendFile(res, `${document.card.title} ${name}.pdf`, "application/pdf", pdf, "inline");
  }
}
