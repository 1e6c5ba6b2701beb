import { and, asc, eq, inArray, sql } from "drizzle-orm";
import {
  foundBetween,
  vehicleFacts,
  whichOf,
  type Edit,
  type FoundOut,
  type Vehicle,
} from "@dragonet/core";
import { shopDay } from "../calendar/shopDay.ts";
import type { Database, Transaction } from "../database/database.ts";
import { jobChange, measurement, person, vehicleProfile } from "../database/schema.ts";

const ofMachine = (vehicle: Vehicle) => ({ machine: vehicle.machine, ...whichOf(vehicle) });

/** Whose word it is, and since when (ISO date). */
type Said = (found: FoundOut) => { readonly who: string; readonly day: string };

async function keep(
  db: Database | Transaction,
  jobId: string,
  vehicle: Vehicle,
  put: readonly FoundOut[],
  said: Said,
): Promise<void> {
  if (put.length === 0) return;
  const news = sql.raw;
  await db
    .insert(measurement)
    .values(
      put.map((one) => ({
        ...one,
        ...ofMachine(vehicle),
        ...{ profileId: vehicle.profileId, jobId, ...said(one), fromShop: "" },
      })),
    )
    .onConflictDoUpdate({
      target: [measurement.jobId, measurement.key],
      targetWhere: sql`job_id is not null`,
      set: {
        ...{
          value: news("excluded.value"),
          low: news("excluded.low"),
          high: news("excluded.high"),
        },
        ...{ said: news("excluded.said"), words: news("excluded.words") },
        ...{ who: news("excluded.who"), day: news("excluded.day") },
      },
    });
}

/**
 * Writes down what a change of a job's vehicle found out about its model, and takes back what it says no
 * longer: an undone measurement is none.
 */
export async function noteFound(
  db: Database | Transaction,
  jobId: string,
  before: Vehicle,
  after: Vehicle,
  who: string,
): Promise<void> {
  const { put, gone } = foundBetween(before, after);
  if (gone.length > 0) {
    await db
      .delete(measurement)
      .where(and(eq(measurement.jobId, jobId), inArray(measurement.key, [...gone])));
  }
  const [was, now] = [ofMachine(before), ofMachine(after)];
  if (was.machine !== now.machine || was.year !== now.year || was.variant !== now.variant) {
    await db.update(measurement).set(now).where(eq(measurement.jobId, jobId));
  }
  if (put.length === 0) return;
  const day = await shopDay(db);
  await keep(db, jobId, after, put, () => ({ who, day }));
}

/** The profile that a machine was copied from; itself where the shop does not have that. */
export async function profileOf(db: Database | Transaction, vehicle: Vehicle): Promise<Vehicle> {
  const [row] = await db
    .select({ value: vehicleProfile.value })
    .from(vehicleProfile)
    .where(eq(vehicleProfile.id, vehicle.profileId));
  return row?.value ?? vehicle;
}

/** Notes what a job that is new here says of its machine beyond its model's profile. */
export async function noteNew(
  db: Database | Transaction,
  jobId: string,
  vehicle: Vehicle,
  who: string,
): Promise<void> {
  const profile = await profileOf(db, vehicle);
  await noteFound(db, jobId, { ...profile, ...{ machine: vehicle.machine } }, vehicle, who);
}

/** What an edit of one field changes, to know it again by. */
function placeOf(edit: Edit): string {
  if (edit.kind === "setOnce") return `${edit.entity}.${edit.field}`;
  return edit.kind === "set" ? `${edit.entity}.${edit.id}.${edit.field}` : "";
}

/**
 * Notes what a job that was stored before models were known says of its machine: who measured it and when is
 * told by its history.
 */
export async function noteStored(
  tx: Transaction,
  jobId: string,
  vehicle: Vehicle,
  profile: Vehicle,
): Promise<void> {
  const { put } = foundBetween(profile, vehicle);
  if (put.length === 0) return;
  const changes = await tx
    .select({ at: jobChange.at, who: jobChange.who, name: person.name, edits: jobChange.edits })
    .from(jobChange)
    .leftJoin(person, eq(jobChange.personId, person.id))
    .where(eq(jobChange.jobId, jobId))
    .orderBy(asc(jobChange.revision));
  const made = new Map<string, { who: string; day: string }>();
  let last = { who: "", day: "1970-01-01" };
  for (const { at, who, name, edits } of changes) {
    last = { who: name ?? who, day: at.toISOString().slice(0, 10) };
    for (const edit of edits) made.set(placeOf(edit), last);
  }
  const places = new Map(
    vehicleFacts(vehicle).map(({ key, fact, set }) => [key, placeOf(set(fact))]),
  );
  await keep(tx, jobId, vehicle, put, ({ key }) => made.get(places.get(key) ?? "") ?? last);
}
