import { sql } from "drizzle-orm";
import {
  check,
  doublePrecision,
  index,
  pgTable,
  smallint,
  text,
  uniqueIndex,
  uuid,
  varchar,
} from "drizzle-orm/pg-core";
import { job } from "./jobTables.ts";

/**
 * What was found out about machines of a model: the last word of each job, and what other shops told. Written
 * with every save, so that a model is known without reading a job.
 */
export const measurement = pgTable(
  "measurement",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    profileId: varchar("profile_id", { length: 64 }).notNull(),
    /** The job on which it was measured; null where that is another shop's, or before there were any. */
    jobId: uuid("job_id").references(() => job.id, { onDelete: "cascade" }),
    key: text("key").notNull(),
    words: text("words").notNull(),
    unit: text("unit").notNull(),
    value: doublePrecision("value"),
    low: doublePrecision("low"),
    high: doublePrecision("high"),
    said: text("said").notNull(),
    machine: text("machine").notNull(),
    year: smallint("year").notNull(),
    variant: text("variant").notNull(),
    /** The name as it was then: a person who goes stays in the record. */
    who: text("who").notNull(),
    day: varchar("day", { length: 10 }).notNull(),
    /** Name of the other shop; "" for one's own. */
    fromShop: text("from_shop").notNull(),
  },
  (t) => [
    // As it is read: all of a model, the newest first.
    index("measurement_model").on(t.profileId, t.day, t.id),
    uniqueIndex("measurement_of_job")
      .on(t.jobId, t.key)
      .where(sql`job_id is not null`),
    // What is told again is known already.
    uniqueIndex("measurement_told")
      .on(t.profileId, t.fromShop, t.machine, t.key, t.day)
      .where(sql`job_id is null`),
    check(
      "measurement_number",
      sql`(${t.value} is null) = (${t.low} is null) and (${t.value} is null) = (${t.high} is null)`,
    ),
    check("measurement_bounds", sql`${t.low} <= ${t.value} and ${t.value} <= ${t.high}`),
    check("measurement_says", sql`${t.value} is not null or ${t.said} <> ''`),
    check("measurement_year", sql`${t.year} between 0 and 2100`),
    check("measurement_own", sql`${t.jobId} is null or ${t.fromShop} = ''`),
  ],
);
