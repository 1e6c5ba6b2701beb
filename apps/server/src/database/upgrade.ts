import { eq } from "drizzle-orm";
import { Logger } from "@nestjs/common";
import {
  JOB_FORMAT,
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
    const profiles = await tx.select().from(vehicleProfile);
    for (const row of profiles) {
      if (Object.hasOwn(row.value, "places")) continue;
      await tx
        .update(vehicleProfile)
        .set({ value: upgradeVehicle(row.value) as Vehicle })
        .where(eq(vehicleProfile.id, row.id));
    }
    for (const row of await tx.select().from(part)) {
      const value = upgradePart(row.value) as Part;
      if (JSON.stringify(value) === JSON.stringify(row.value)) continue;
      await tx.update(part).set({ value }).where(eq(part.id, row.id));
    }
    const shops = await tx.select().from(shop);
    for (const row of shops) {
      await tx
        .update(shop)
        .set({ practices: upgradePractices(row.practices) as Practices })
        .where(eq(shop.id, row.id));
    }
    if (old.length > 0) {
      new Logger("database").log(`${old.length} jobs brought up to ${JOB_FORMAT}`);
    }
  });
}
