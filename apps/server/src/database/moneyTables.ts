import { sql } from "drizzle-orm";
import {
  check,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
  varchar,
  type AnyPgColumn,
} from "drizzle-orm/pg-core";
import type { Invoice, Offer } from "@dragonet/core";
import { moment } from "./columns.ts";
import { job } from "./jobTables.ts";

/**
 * A quote as it was put before a customer, frozen. Its link is known by its hash alone; what was
 * accepted is never changed again.
 */
export const offer = pgTable(
  "offer",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    jobId: uuid("job_id")
      .notNull()
      .references(() => job.id, { onDelete: "cascade" }),
    tokenHash: varchar("token_hash", { length: 64 }).notNull().unique(),
    /** Of the job that it was made of. */
    revision: integer("revision").notNull(),
    value: jsonb("value").$type<Offer>().notNull(),
    by: text("by").notNull(),
    at: moment("at"),
    validUntil: varchar("valid_until", { length: 10 }).notNull(),
    revokedAt: timestamp("revoked_at", { withTimezone: true }),
    acceptedAt: timestamp("accepted_at", { withTimezone: true }),
    /** Who accepted, as they wrote it, and which choice; "" is the plan itself. */
    acceptedBy: text("accepted_by"),
    choice: varchar("choice", { length: 64 }),
  },
  (t) => [
    index("offer_job").on(t.jobId),
    check("offer_revision", sql`${t.revision} >= 1`),
    check("offer_valid_until", sql`${t.validUntil} ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}$'`),
    // Accepted is by somebody, and one of the choices; what is accepted is not taken back.
    check(
      "offer_accepted",
      sql`(${t.acceptedAt} is null) = (${t.acceptedBy} is null) and (${t.acceptedAt} is null) = (${t.choice} is null)`,
    ),
    check("offer_one_end", sql`${t.acceptedAt} is null or ${t.revokedAt} is null`),
  ],
);

/**
 * An invoice as it was sent, kept whatever becomes of its job. Numbers of a year have no gap; what is
 * wrong is taken back by another one.
 */
export const invoice = pgTable(
  "invoice",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    year: integer("year").notNull(),
    /** Place in its year, from 1. */
    nth: integer("nth").notNull(),
    jobId: uuid("job_id").references(() => job.id, { onDelete: "set null" }),
    /** Of the job that it was made of. */
    revision: integer("revision").notNull(),
    value: jsonb("value").$type<Invoice>().notNull(),
    /** The one that it takes back, once. */
    cancels: uuid("cancels")
      .unique()
      .references((): AnyPgColumn => invoice.id),
    by: text("by").notNull(),
    at: moment("at"),
  },
  (t) => [
    uniqueIndex("invoice_number").on(t.year, t.nth),
    index("invoice_job").on(t.jobId),
    // To whom the last one went, where a customer comes again.
    index("invoice_buyer").on(sql`(${t.value}->'buyer'->>'name')`, t.at),
    check("invoice_nth", sql`${t.nth} >= 1`),
    check("invoice_revision", sql`${t.revision} >= 1`),
    check(
      "invoice_own_number",
      sql`${t.value}->>'number' = ${t.year} || '-' || lpad(${t.nth}::text, greatest(4, length(${t.nth}::text)), '0')`,
    ),
    check("invoice_not_itself", sql`${t.cancels} <> ${t.id}`),
  ],
);
