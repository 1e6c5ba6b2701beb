import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { Inject, Injectable } from "@nestjs/common";
import { asc, eq, inArray, isNull, sql } from "drizzle-orm";
import { ZipFile } from "yazl";
import { SHAPE_VERSION, jobSummary, printJob, type Job } from "@dragonet/core";
import type { ArchiveAnswer } from "@dragonet/contract";
import { DATABASE, type Database, type Transaction } from "../database/database.ts";
import {
  booking,
  job,
  jobChange,
  part,
  person,
  photo,
  shop,
  vehicleProfile,
} from "../database/schema.ts";
import type { SignedIn } from "../people/access.ts";
import { keepPhoto } from "../photos/develop.ts";
import { noteStored, profileOf } from "../vehicles/found.ts";
import { WorkPool } from "../work/pool.ts";
import type { ArchiveFile } from "./archiveFile.ts";
import { FORMAT, checkShop, folderOf, photoOf, readHistory, type ShopHead } from "./readShop.ts";

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

const json = (value: unknown): Buffer => Buffer.from(`${JSON.stringify(value, null, 2)}\n`);

/** An entry's bytes, asked for when its turn in the archive comes. */
function lazily(zip: ZipFile, name: string, bytes: () => Promise<Buffer>): void {
  zip.addReadStreamLazy(name, (give) => {
    bytes().then(
      (made) => give(null, Readable.from([made])),
      (error: unknown) => give(error, Readable.from([])),
    );
  });
}

/** The whole shop as one open file, and back: jobs with their history, pictures, shelf, vehicles. */
@Injectable()
export class Archive {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(WorkPool) private readonly pool: WorkPool,
  ) {}

  /** Writes the shop, a job at a time: memory does not grow with the years. */
  async writeTo(out: NodeJS.WritableStream): Promise<void> {
    const zip = new ZipFile();
    const [head] = await this.db
      .select({ name: shop.name, practices: shop.practices, calendar: shop.calendar })
      .from(shop);
    const { start, bench, notBefore } = booking;
    const bookings = await this.db
      .select({ jobId: booking.jobId, start, bench, notBefore })
      .from(booking)
      .innerJoin(job, eq(booking.jobId, job.id))
      .where(isNull(job.removedAt))
      .orderBy(asc(booking.jobId));
    zip.addBuffer(json({ format: FORMAT, shape: SHAPE_VERSION, ...head, bookings }), "shop.json");
    const list = async (table: typeof part | typeof vehicleProfile): Promise<Buffer> => {
      const rows = await this.db.select({ value: table.value }).from(table).orderBy(asc(table.id));
      return json(rows.map((row) => row.value));
    };
    lazily(zip, "parts.json", () => list(part));
    lazily(zip, "vehicles.json", () => list(vehicleProfile));
    // What is in the bin is none of the shop's work any more; a backup keeps it.
    const jobs = await this.db
      .select({ id: job.id })
      .from(job)
      .where(isNull(job.removedAt))
      .orderBy(asc(job.createdAt));
    const photos = await this.db
      .select({ jobId: photo.jobId, id: photo.id })
      .from(photo)
      .innerJoin(job, eq(photo.jobId, job.id))
      .where(isNull(job.removedAt));
    for (const { id } of jobs) {
      lazily(zip, `jobs/${id}/job.dragonet.json`, () => this.jobFile(id));
      lazily(zip, `jobs/${id}/history.json`, () => this.history(id));
    }
    for (const { jobId, id } of photos) {
      lazily(zip, `jobs/${jobId}/photos/${id}.jpg`, () => this.photo(jobId, id));
    }
    zip.end();
    const failed = new Promise<never>((_, fail) => zip.once("error", fail));
    await Promise.race([pipeline(zip.outputStream, out), failed]);
  }

  private async jobFile(id: string): Promise<Buffer> {
    const [row] = await this.db.select({ document: job.document }).from(job).where(eq(job.id, id));
    return Buffer.from(row ? printJob(row.document) : "");
  }

  private async history(id: string): Promise<Buffer> {
    const rows = await this.db
      .select({
        revision: jobChange.revision,
        batchId: jobChange.batchId,
        at: jobChange.at,
        who: sql<string>`coalesce(${person.name}, ${jobChange.who})`,
        acts: jobChange.acts,
        edits: jobChange.edits,
        inverse: jobChange.inverse,
        lines: jobChange.lines,
      })
      .from(jobChange)
      .leftJoin(person, eq(jobChange.personId, person.id))
      .where(eq(jobChange.jobId, id))
      .orderBy(asc(jobChange.revision));
    return json(rows);
  }

  private async photo(jobId: string, id: string): Promise<Buffer> {
    const [row] = await this.db
      .select({ bytes: photo.bytes })
      .from(photo)
      .where(sql`${photo.jobId} = ${jobId} and ${photo.id} = ${id}`);
    return row?.bytes ?? Buffer.alloc(0);
  }

  /**
   * Takes an archive in: looked through whole first, then stored whole or not at all. A job
   * that is here already stays as it is, so that the same archive can be taken in twice.
   */
  async takeIn(file: ArchiveFile, me: SignedIn): Promise<ArchiveAnswer> {
    const head = await checkShop(file, (text) =>
      this.pool.run<"jobFile">({ kind: "jobFile", text }),
    );
    return this.db.transaction(async (tx) => {
      const there = await this.thereAlready(tx, head.jobs);
      const ids = await this.store(tx, file, there, me);
      await this.storeLists(tx, head);
      await this.storeBookings(tx, head, ids, me);
      await this.storeFound(tx, [...ids.values()]);
      const jobs = head.jobs.length - there.size;
      // A shop that is built up from an archive works as the one it came from.
      const others = (await tx.$count(job)) - jobs;
      if (others === 0) {
        if (head.practices) await tx.update(shop).set({ practices: head.practices });
        if (head.calendar) await tx.update(shop).set({ calendar: head.calendar });
      }
      return {
        jobs,
        there: there.size,
        parts: head.parts.length,
        vehicles: head.vehicles.length,
      };
    });
  }

  private async thereAlready(tx: Transaction, folders: readonly string[]): Promise<Set<string>> {
    const ids = folders.filter((folder) => UUID.test(folder));
    if (ids.length === 0) return new Set();
    const rows = await tx.select({ id: job.id }).from(job).where(inArray(job.id, ids));
    return new Set(rows.map((row) => row.id));
  }

  /** What the jobs that came with it found out about their models. */
  private async storeFound(tx: Transaction, ids: readonly string[]): Promise<void> {
    for (const id of ids) {
      const [row] = await tx.select({ document: job.document }).from(job).where(eq(job.id, id));
      const vehicle = row?.document.vehicle;
      if (vehicle) await noteStored(tx, id, vehicle, await profileOf(tx, vehicle));
    }
  }

  /** Jobs, histories and pictures in whatever order the archive has them. */
  private async store(
    tx: Transaction,
    file: ArchiveFile,
    there: ReadonlySet<string>,
    me: SignedIn,
  ): Promise<ReadonlyMap<string, string>> {
    const ids = new Map<string, string>();
    const histories = new Set<string>();
    const jobs = async (name: string, bytes: Buffer): Promise<void> => {
      const folder = folderOf(name);
      if (folder === null || there.has(folder) || !name.endsWith("/job.dragonet.json")) return;
      const read = await this.pool.run<"jobFile">({
        kind: "jobFile",
        text: bytes.toString("utf8"),
      });
      if (read.ok) ids.set(folder, await this.insert(tx, folder, read.value));
    };
    const beside = async (name: string, bytes: Buffer): Promise<void> => {
      const folder = folderOf(name);
      const id = folder === null ? undefined : ids.get(folder);
      if (folder === null || id === undefined) return;
      const photoId = photoOf(name);
      if (photoId !== null) {
        await tx.insert(photo).values({ jobId: id, id: photoId, bytes: await keepPhoto(bytes) });
      } else if (name.endsWith("/history.json")) {
        histories.add(folder);
        await this.insertHistory(tx, id, name, bytes);
      }
    };
    await file.each(jobs);
    await file.each(beside);
    for (const [folder, jobId] of ids) {
      if (histories.has(folder)) continue;
      await tx.insert(jobChange).values({
        ...{ jobId, revision: 1, batchId: `open-${jobId}`, personId: me.id },
        ...{ edits: [], inverse: [], lines: ["job taken in from an archive"] },
      });
    }
    return ids;
  }

  /** What was said about the jobs that came with it; a job that was here already keeps its own. */
  private async storeBookings(
    tx: Transaction,
    { bookings }: ShopHead,
    ids: ReadonlyMap<string, string>,
    me: SignedIn,
  ): Promise<void> {
    for (const { jobId: folder, start, bench, notBefore } of bookings) {
      const jobId = ids.get(folder);
      if (jobId === undefined) continue;
      await tx.insert(booking).values({ jobId, start, bench, notBefore, by: me.name });
    }
  }

  private async insert(tx: Transaction, folder: string, document: Job): Promise<string> {
    const [row] = await tx
      .insert(job)
      .values({
        ...(UUID.test(folder) && { id: folder }),
        document,
        summary: jobSummary(document),
      })
      .returning({ id: job.id });
    if (!row) throw new Error("the database kept no row");
    return row.id;
  }

  private async insertHistory(
    tx: Transaction,
    jobId: string,
    name: string,
    bytes: Buffer,
  ): Promise<void> {
    const changes = readHistory(name, bytes);
    for (const change of changes) {
      const acts = [...change.acts];
      await tx.insert(jobChange).values({ ...change, acts, jobId, at: new Date(change.at) });
    }
    await tx.update(job).set({ revision: changes.length }).where(eq(job.id, jobId));
  }

  private async storeLists(tx: Transaction, head: ShopHead): Promise<void> {
    const over = (table: typeof part | typeof vehicleProfile) => ({
      target: table.id,
      set: {
        value: sql`excluded.value`,
        shape: SHAPE_VERSION,
        revision: sql`${table.revision} + 1`,
      },
      setWhere: sql`${table.value} <> excluded.value`,
    });
    if (head.parts.length > 0) {
      await tx
        .insert(part)
        .values(head.parts.map((value) => ({ id: value.id, value })))
        .onConflictDoUpdate(over(part));
    }
    if (head.vehicles.length > 0) {
      await tx
        .insert(vehicleProfile)
        .values(head.vehicles.map((value) => ({ id: value.profileId, value })))
        .onConflictDoUpdate(over(vehicleProfile));
    }
  }
}
