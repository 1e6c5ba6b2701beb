import { Controller, Get, HttpCode, Inject, Post, Req, Res } from "@nestjs/common";
import { sql } from "drizzle-orm";
import type { Request, Response } from "express";
import { SHAPE_VERSION, jobSummary } from "@dragonet/core";
import { DATABASE, type Database } from "../database/database.ts";
import { job, jobChange, part, photo, vehicleProfile } from "../database/schema.ts";
import { sendFile } from "../http/download.ts";
import { notValid } from "../http/refusal.ts";
import { Me, Needs, type SignedIn } from "../people/access.ts";
import { developPhoto } from "../photos/develop.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { readArchive, writeArchive, type ShopArchive } from "./archive.ts";

/** The whole shop in one file, out and in. */
@Controller("api/shop/archive")
export class ArchiveController {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PhotosService) private readonly photos: PhotosService,
  ) {}

  @Needs("owner")
  @Get()
  async out(@Res() res: Response): Promise<void> {
    const jobs = await this.db.select({ id: job.id, document: job.document }).from(job);
    const withPhotos = [];
    for (const { id, document } of jobs) {
      withPhotos.push({ document, photos: await this.photos.ofJob(id) });
    }
    const parts = await this.db.select().from(part);
    const vehicles = await this.db.select().from(vehicleProfile);
    const zip = await writeArchive({
      jobs: withPhotos,
      parts: parts.map((p) => p.value),
      vehicles: vehicles.map((v) => v.value),
    });
    sendFile(res, "shop.dragonet.zip", "application/zip", zip);
  }

  /** Takes an archive in: its jobs beside those there are, its parts and profiles over theirs. */
  @Needs("owner")
  @Post()
  @HttpCode(200)
  async in(
    @Req() req: Request,
    @Me() me: SignedIn,
  ): Promise<{ jobs: number; parts: number; vehicles: number }> {
    if (!Buffer.isBuffer(req.body)) throw notValid("no archive was sent (a ZIP file)");
    const read = await readArchive(req.body);
    if (!read.ok) throw notValid("this archive cannot be read; nothing was stored", read.faults);
    const { jobs, parts, vehicles } = read.value;
    const developed: ShopArchive["jobs"][number][] = [];
    for (const { document, photos } of jobs) {
      const kept = [];
      for (const { id, bytes } of photos) kept.push({ id, bytes: await developPhoto(bytes) });
      developed.push({ document, photos: kept });
    }
    await this.db.transaction(async (tx) => {
      for (const { document, photos } of developed) {
        const [row] = await tx
          .insert(job)
          .values({ document, summary: jobSummary(document) })
          .returning();
        await tx.insert(jobChange).values({
          jobId: row!.id,
          revision: row!.revision,
          batchId: `open-${row!.id}`,
          personId: me.id,
          edits: [],
          inverse: [],
          lines: ["job taken in from an archive"],
        });
        if (photos.length > 0) {
          await tx.insert(photo).values(photos.map((p) => ({ jobId: row!.id, ...p })));
        }
      }
      if (parts.length > 0) {
        await tx
          .insert(part)
          .values(parts.map((value) => ({ id: value.id, value })))
          .onConflictDoUpdate({
            target: part.id,
            set: {
              value: sql`excluded.value`,
              shape: SHAPE_VERSION,
              revision: sql`${part.revision} + 1`,
            },
          });
      }
      if (vehicles.length > 0) {
        await tx
          .insert(vehicleProfile)
          .values(vehicles.map((value) => ({ id: value.profileId, value })))
          .onConflictDoUpdate({
            target: vehicleProfile.id,
            set: {
              value: sql`excluded.value`,
              shape: SHAPE_VERSION,
              revision: sql`${vehicleProfile.revision} + 1`,
            },
          });
      }
    });
    return { jobs: jobs.length, parts: parts.length, vehicles: vehicles.length };
  }
}
