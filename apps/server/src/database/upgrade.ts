import { eq, lt, sql } from "drizzle-orm";
import { Logger } from "@nestjs/common";
import {
  JOB_FORMAT,
  SHAPE_VERSION,
  SUMMARY_FIELDS,
  jobSummary,
  upgradeJob,
  upgradePart,
  upgradePractices,
  upgradeVehicle,
  type Job,
  type Part,
  type Practices,
  type Vehicle,
} from "@dragonet/core";
import type { Database } from "./database.ts";
import { job, part, shop, vehicleProfile } from "./schema.ts";

/**
 * Brings stored documents up to the version that this program writes, all in one
 * transaction: a shop that updates finds everything it had.
 */
export async function upgradeDocuments(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    const jobs = await tx.select({ id: job.id, document: job.document }).from(job);
    const old = jobs.filter((row) => (row.document.format as string) !== JOB_FORMAT);
    for (const row of old) {
      const document = upgradeJob({ ...row.document }) as unknown as Job;
      await tx
        .update(job)
        .set({ document, summary: jobSummary(document) })
        .where(eq(job.id, row.id));
    }
    // A job of the same version whose summary was made before the board told as much.
    const unplanned = await tx
      .select({ id: job.id, document: job.document })
      .from(job)
      .where(sql`not ${job.summary} ?& ${sql.param(SUMMARY_FIELDS)}::text[]`);
    for (const { id, document } of unplanned) {
      await tx
        .update(job)
        .set({ summary: jobSummary(document) })
        .where(eq(job.id, id));
    }
    const current = { shape: SHAPE_VERSION };
    for (const row of await tx
      .select()
      .from(vehicleProfile)
      .where(lt(vehicleProfile.shape, SHAPE_VERSION))) {
      const value = upgradeVehicle(row.value, row.shape) as Vehicle;
      await tx
        .update(vehicleProfile)
        .set({ value, ...current })
        .where(eq(vehicleProfile.id, row.id));
    }
    for (const row of await tx.select().from(part).where(lt(part.shape, SHAPE_VERSION))) {
      const value = upgradePart(row.value, row.shape) as Part;
      await tx
        .update(part)
        .set({ value, ...current })
        .where(eq(part.id, row.id));
    }
    for (const row of await tx.select().from(shop).where(lt(shop.shape, SHAPE_VERSION))) {
      const practices = upgradePractices(row.practices, row.shape) as Practices;
      await tx
        .update(shop)
        .set({ practices, ...current })
        .where(eq(shop.id, row.id));
    }
    if (old.length > 0) {
      new Logger("database").log(`${old.length} jobs brought up to ${JOB_FORMAT}`);
    }
  });
}
