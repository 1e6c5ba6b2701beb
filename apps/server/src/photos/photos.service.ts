import { Inject, Injectable } from "@nestjs/common";
import { and, eq, inArray, sql } from "drizzle-orm";
import { DATABASE, type Database } from "../database/database.ts";
import { job, photo } from "../database/schema.ts";
import { notFound, notValid } from "../http/refusal.ts";
import { developPhoto } from "./develop.ts";

const ID = /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/;
/** Pictures a job may keep: more than this is a film. */
const MOST_PHOTOS = 500;

/** Pictures of jobs: bytes beside the documents, under the ids that the documents use. */
@Injectable()
export class PhotosService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** Keeps a picture. Sent again under the same id it is taken once: phones retry. */
  async keep(jobId: string, id: string, bytes: unknown): Promise<void> {
    if (!ID.test(id)) throw notValid(`invalid id: "${id}" (letters, digits, - and _)`);
    const [row] = await this.db.select({ id: job.id }).from(job).where(eq(job.id, jobId));
    if (!row) throw notFound("job", jobId);
    const [count] = await this.db
      .select({ n: sql<number>`count(*)::int` })
      .from(photo)
      .where(eq(photo.jobId, jobId));
    if ((count?.n ?? 0) >= MOST_PHOTOS) {
      throw notValid(`this job has ${MOST_PHOTOS} pictures already (take some away first)`);
    }
    const kept = await developPhoto(bytes);
    await this.db.insert(photo).values({ jobId, id, bytes: kept }).onConflictDoNothing();
  }

  /** Those of a job's pictures that are there, by their ids. */
  async some(jobId: string, ids: readonly string[]): Promise<ReadonlyMap<string, Buffer>> {
    if (ids.length === 0) return new Map();
    const rows = await this.db
      .select({ id: photo.id, bytes: photo.bytes })
      .from(photo)
      .where(and(eq(photo.jobId, jobId), inArray(photo.id, [...ids])));
    return new Map(rows.map(({ id, bytes }) => [id, bytes]));
  }

  async read(jobId: string, id: string): Promise<Buffer> {
    const [row] = await this.db
      .select({ bytes: photo.bytes })
      .from(photo)
      .where(and(eq(photo.jobId, jobId), eq(photo.id, id)));
    if (!row) throw notFound("picture", id);
    return row.bytes;
  }
}
