import { and, asc, eq, gt, lt, max, sql, type SQL } from "drizzle-orm";
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
import { noteStored } from "../vehicles/found.ts";
import { log } from "../http/pinoLogger.ts";
import type { Database, Transaction } from "./database.ts";
import { job, part, shop, vehicleProfile } from "./schema.ts";

/** Documents held at once: a shop of a hundred thousand jobs is brought up in little room. */
const AT_ONCE = 200;

/** Refuses documents that a later program wrote: this one would not know what is in them. */
async function refuseNewer(tx: Transaction): Promise<void> {
  for (const table of [job, part, vehicleProfile, shop]) {
    const [row] = await tx.select({ newest: max(table.shape) }).from(table);
    const newest = row?.newest ?? 0;
    if (newest <= SHAPE_VERSION) continue;
    throw new Error(
      `documents of version ${newest} were written by a later Dragonet, and this one knows up to ${SHAPE_VERSION}: start the later one, or restore a backup of before it`,
    );
  }
}

/** Writes the jobs of a kind anew, some at a time in the order of their ids; answers how many there were. */
async function rewritten(
  tx: Transaction,
  which: SQL,
  make: (document: Job) => Job,
  noted: (id: string, document: Job) => Promise<void> = () => Promise.resolve(),
): Promise<number> {
  let [done, last] = [0, ""];
  for (;;) {
    const rows = await tx
      .select({ id: job.id, document: job.document })
      .from(job)
      .where(last === "" ? which : and(which, gt(job.id, last)))
      .orderBy(asc(job.id))
      .limit(AT_ONCE);
    for (const row of rows) {
      const document = make(row.document);
      await tx
        .update(job)
        .set({ document, shape: SHAPE_VERSION, summary: jobSummary(document) })
        .where(eq(job.id, row.id));
      await noted(row.id, document);
    }
    done += rows.length;
    last = rows.at(-1)?.id ?? last;
    if (rows.length < AT_ONCE) return done;
  }
}

/** Profiles as this program's, those that were brought up by their id. */
async function upgradeProfiles(tx: Transaction): Promise<ReadonlyMap<string, Vehicle>> {
  const old = await tx.select().from(vehicleProfile).where(lt(vehicleProfile.shape, SHAPE_VERSION));
  const made = new Map<string, Vehicle>();
  for (const row of old) {
    const value = upgradeVehicle(row.value, row.shape) as Vehicle;
    made.set(row.id, value);
    await tx
      .update(vehicleProfile)
      .set({ value, shape: SHAPE_VERSION })
      .where(eq(vehicleProfile.id, row.id));
  }
  return made;
}

/**
 * Brings stored documents up to the version that this program writes, all in one
 * transaction: a shop that updates finds everything it had. Throws, and changes nothing, where a
 * later program has written some.
 */
export async function upgradeDocuments(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    await refuseNewer(tx);
    const profiles = await upgradeProfiles(tx);
    const old = await rewritten(
      tx,
      lt(job.shape, SHAPE_VERSION),
      (document) => upgradeJob({ ...document }) as unknown as Job,
      async (id, { vehicle }) =>
        noteStored(tx, id, vehicle, profiles.get(vehicle.profileId) ?? vehicle),
    );
    // A job of the same version whose summary was made before the board told as much.
    await rewritten(
      tx,
      sql`not ${job.summary} ?& ${sql.param(SUMMARY_FIELDS)}::text[]`,
      (document) => document,
    );
    const current = { shape: SHAPE_VERSION };
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
    if (old > 0) log.info(`${old} jobs brought up to ${JOB_FORMAT}`);
  });
}
