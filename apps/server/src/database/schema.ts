import { sql } from "drizzle-orm";
import {
  bigserial,
  boolean,
  check,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
  varchar,
  json,
} from "drizzle-orm/pg-core";
import type { Billing, Edit, Part, Practices, ShopCalendar, Vehicle } from "@dragonet/core";
import type { PreferencesRequest, Role, SearchKind } from "@dragonet/contract";
import { moment, orderText, shape } from "./columns.ts";
import { job } from "./jobTables.ts";

export * from "./jobTables.ts";
export * from "./moneyTables.ts";
export * from "./knowledgeTables.ts";

/** How a person likes things: what the request for it may say. */
export type Preferences = Readonly<PreferencesRequest>;

/** One row: the shop itself. */
export const shop = pgTable(
  "shop",
  {
    id: integer("id").primaryKey().default(1),
    name: text("name").notNull(),
    practices: jsonb("practices").$type<Practices>().notNull(),
    /** How long a session lasts without being used, and at all. */
    idleHours: integer("idle_hours").notNull().default(12),
    sessionDays: integer("session_days").notNull().default(30),
    /** Benches, hours and place; null until somebody has said them. */
    calendar: jsonb("calendar").$type<ShopCalendar>(),
    /** What its invoices say of it; null until somebody has said it. */
    billing: jsonb("billing").$type<Billing>(),
    shape: shape(),
  },
  (t) => [
    check("shop_one", sql`${t.id} = 1`),
    check("shop_idle_hours", sql`${t.idleHours} between 1 and 720`),
    check("shop_session_days", sql`${t.sessionDays} between 1 and 365`),
  ],
);

/** Keys that the server makes for itself at its first start. */
export const secret = pgTable("secret", {
  name: text("name").primaryKey(),
  value: text("value").notNull(),
});

export const person = pgTable(
  "person",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    name: text("name").notNull(),
    signIn: varchar("sign_in", { length: 40 }).notNull().unique(),
    passwordHash: text("password_hash").notNull(),
    role: text("role").$type<Role>().notNull(),
    active: boolean("active").notNull().default(true),
    preferences: jsonb("preferences").$type<Preferences>().notNull(),
    createdAt: moment("created_at"),
  },
  (t) => [
    check("person_role", sql`${t.role} in ('owner', 'installer', 'viewer')`),
    // Never a password itself, whatever else goes wrong.
    check("person_password_hash", sql`${t.passwordHash} like '$argon2id$%'`),
    check("person_name", sql`${t.name} <> ''`),
    index("person_place").on(t.name, t.id),
    index("person_at_work")
      .on(t.createdAt, t.name)
      .where(sql`active and role <> 'viewer'`),
  ],
);

/** Server-side sessions, in the form that connect-pg-simple keeps them. */
export const session = pgTable(
  "session",
  {
    sid: varchar("sid").primaryKey(),
    sess: json("sess").notNull(),
    expire: timestamp("expire", { precision: 6 }).notNull(),
  },
  (t) => [
    index("session_expire").on(t.expire),
    index("session_person").on(sql`(${t.sess}->>'personId')`),
  ],
);

/** Wrong passwords by account and by address, so that every server counts the same. */
export const signInTry = pgTable(
  "sign_in_try",
  {
    key: varchar("key", { length: 200 }).primaryKey(),
    fails: integer("fails").notNull(),
    lastAt: moment("last_at"),
  },
  (t) => [check("sign_in_try_fails", sql`${t.fails} >= 0`)],
);

/** Codes by which a person signs in another device of theirs: their hash alone. */
export const signInCode = pgTable("sign_in_code", {
  hash: varchar("hash", { length: 64 }).primaryKey(),
  personId: uuid("person_id")
    .notNull()
    .references(() => person.id, { onDelete: "cascade" }),
  until: moment("until"),
});

/** Who did what that is not an edit of a job: those have a history of their own. */
export const audit = pgTable(
  "audit",
  {
    id: bigserial("id", { mode: "number" }).primaryKey(),
    at: moment("at"),
    /** The name as it was then: a person who goes stays in the record. */
    who: text("who").notNull(),
    action: text("action").notNull(),
    about: text("about").notNull(),
  },
  (t) => [
    index("audit_at").on(t.at),
    // As it is read: any part of any word of a line is found without looking at the others.
    index("audit_words").using(
      "gin",
      sql`(${t.who} || ' ' || ${t.action} || ' ' || ${t.about}) gin_trgm_ops`,
    ),
  ],
);

export const part = pgTable(
  "part",
  {
    id: varchar("id", { length: 64 }).primaryKey(),
    value: jsonb("value").$type<Part>().notNull(),
    shape: shape(),
    revision: integer("revision").notNull().default(1),
    // What lists go by, out of the document: kept by the database itself, so that nothing can forget to.
    kind: text("kind")
      .notNull()
      .generatedAlwaysAs(sql`coalesce(value->>'kind', '')`),
    /** Of a load its family, of others their kind. */
    sort: text("sort")
      .notNull()
      .generatedAlwaysAs(sql`coalesce(value->>'family', value->>'kind', '')`),
    /** The name by which parts are ordered, and found by what jobs need. */
    orderName: orderText("order_name")
      .notNull()
      .generatedAlwaysAs(sql`regexp_replace(lower(coalesce(value->>'name', '')), ', metre$', '')`),
    /** None of it is there. */
    away: boolean("away")
      .notNull()
      .generatedAlwaysAs(sql`coalesce((value->>'stock')::float8, 0) <= 0`),
    belowLeast: boolean("below_least")
      .notNull()
      .generatedAlwaysAs(
        sql`coalesce((value->>'stock')::float8 < (value->>'least')::float8, false)`,
      ),
  },
  (t) => [
    index("part_name").on(t.orderName, t.id),
    index("part_kind").on(t.kind, t.orderName, t.id),
    index("part_sort").on(t.sort, t.away, t.orderName, t.id),
    index("part_below_least")
      .on(t.orderName, t.id)
      .where(sql`below_least`),
    check("part_revision", sql`${t.revision} >= 1`),
    check("part_own_id", sql`${t.value}->>'id' = ${t.id}`),
  ],
);

export const vehicleProfile = pgTable(
  "vehicle_profile",
  {
    id: varchar("id", { length: 64 }).primaryKey(),
    value: jsonb("value").$type<Vehicle>().notNull(),
    shape: shape(),
    revision: integer("revision").notNull().default(1),
    /** The model, as lists are ordered by it. */
    orderName: orderText("order_name")
      .notNull()
      .generatedAlwaysAs(sql`lower(coalesce(value->>'model', ''))`),
  },
  (t) => [
    index("vehicle_profile_name").on(t.orderName, t.id),
    check("vehicle_profile_revision", sql`${t.revision} >= 1`),
    check("vehicle_profile_own_id", sql`${t.value}->>'profileId' = ${t.id}`),
  ],
);

/** What somebody said about when and where a job is done: what the plan of the benches goes round. */
export const booking = pgTable(
  "booking",
  {
    jobId: uuid("job_id")
      .primaryKey()
      .references(() => job.id, { onDelete: "cascade" }),
    /** By the shop's clocks, "2026-12-02T08:30"; "" for wherever it fits. */
    start: varchar("start", { length: 16 }).notNull(),
    bench: varchar("bench", { length: 60 }).notNull(),
    /** A day; "" for nothing that it waits for. */
    notBefore: varchar("not_before", { length: 10 }).notNull(),
    by: text("by").notNull(),
    at: moment("at"),
  },
  (t) => [
    check("booking_start", sql`${t.start} ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2})?$'`),
    check("booking_bench", sql`(${t.start} = '') = (${t.bench} = '')`),
    check("booking_not_before", sql`${t.notBefore} ~ '^([0-9]{4}-[0-9]{2}-[0-9]{2})?$'`),
  ],
);

/** How one drill or hidden fault of somebody's training went; its id is the page's own. */
export const trainingResult = pgTable(
  "training_result",
  {
    id: uuid("id").primaryKey(),
    personId: uuid("person_id")
      .notNull()
      .references(() => person.id, { onDelete: "cascade" }),
    topic: varchar("topic", { length: 60 }).notNull(),
    correct: boolean("correct").notNull(),
    score: integer("score"),
    about: text("about").notNull(),
    at: moment("at"),
  },
  (t) => [
    index("training_result_person").on(t.personId, t.at.desc()),
    check("training_result_score", sql`${t.score} between 0 and 100`),
  ],
);

const tsvector = customType<{ data: string }>({ dataType: () => "tsvector" });

/**
 * What can be searched for: a line for each job outside the bin, part and vehicle profile. Triggers of the
 * database keep it, so that nothing that writes a document can forget to.
 */
export const searchEntry = pgTable(
  "search_entry",
  {
    kind: varchar("kind", { length: 8 }).$type<SearchKind>().notNull(),
    id: text("id").notNull(),
    title: text("title").notNull(),
    about: text("about").notNull(),
    /** Everything that a person wrote in it. */
    words: text("words").notNull(),
    /** Its words for the index: of weight A those of the title, of weight B those of what it is about. */
    stems: tsvector("stems").notNull(),
    at: moment("at"),
  },
  (t) => [
    primaryKey({ columns: [t.kind, t.id] }),
    check("search_entry_kind", sql`${t.kind} in ('job', 'part', 'vehicle')`),
    index("search_entry_stems").using("gin", t.stems),
    // Parts and vehicles are looked for by themselves, too: a word of theirs may be in every job.
    index("search_entry_part_stems")
      .using("gin", t.stems)
      .where(sql`kind = 'part'`),
    index("search_entry_vehicle_stems")
      .using("gin", t.stems)
      .where(sql`kind = 'vehicle'`),
    index("search_entry_at").on(t.at),
  ],
);

/** Every word that search entries have had: by it a word that is written nearly right is taken for one of them. */
export const searchWord = pgTable("search_word", { word: text("word").primaryKey() }, (t) => [
  index("search_word_like").using("gin", t.word.op("gin_trgm_ops")),
  check("search_word_some", sql`${t.word} <> ''`),
]);

/** One saved batch of edits: history, and what a latecomer has missed. */
export const jobChange = pgTable(
  "job_change",
  {
    jobId: uuid("job_id")
      .notNull()
      .references(() => job.id, { onDelete: "cascade" }),
    /** The revision that this batch made. */
    revision: integer("revision").notNull(),
    batchId: varchar("batch_id", { length: 64 }).notNull(),
    personId: uuid("person_id").references(() => person.id, { onDelete: "set null" }),
    /** Who it was where the person is none of this shop, as in a history from an archive. */
    who: text("who").notNull().default(""),
    /** Names of the acts that it took, and of those that their person gave up for it. */
    acts: text("acts").array().notNull().default([]),
    edits: jsonb("edits").$type<readonly Edit[]>().notNull(),
    inverse: jsonb("inverse").$type<readonly Edit[]>().notNull(),
    lines: jsonb("lines").$type<readonly string[]>().notNull(),
    at: moment("at"),
  },
  (t) => [
    primaryKey({ columns: [t.jobId, t.revision] }),
    uniqueIndex("job_change_batch_once").on(t.jobId, t.batchId),
    check("job_change_revision", sql`${t.revision} >= 1`),
  ],
);
