import {
  Controller,
  Get,
  Inject,
  Injectable,
  Module,
  ParseIntPipe,
  Query,
  Global,
} from "@nestjs/common";
import { and, desc, lt, sql } from "drizzle-orm";
import { ApiQuery } from "@nestjs/swagger";
import { AuditAnswer } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { audit } from "../database/schema.ts";
import { Answers } from "../docs/answers.ts";
import { askedWords } from "../http/askedWords.ts";
import { forLog } from "../http/forLog.ts";
import { log } from "../http/pinoLogger.ts";
import { RequireRole } from "../people/access.ts";

export const ACTIONS = [
  "signed in",
  "could not sign in",
  "signed out",
  "ended a session",
  "added a person",
  "changed a person",
  "changed a password",
  "changed settings",
  "changed practices",
  "changed the calendar",
  "changed the shelf",
  "changed vehicles",
  "took out a file",
  "took in a file",
  "made an offer",
  "made an invoice",
  "took back an invoice",
  "took back an offer",
  "accepted an offer",
  "put a job in the bin",
  "took a job out of the bin",
] as const;
export type Action = (typeof ACTIONS)[number];

/** Entries told at once; older ones are asked for by the last that was told. */
const MOST = 30;

/** Writes down what people do beside editing jobs: by whom, when, to what. */
@Injectable()
export class Audit {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** Never in the way of what is done: a record that cannot be written is logged. */
  async note(who: string, action: Action, about = ""): Promise<void> {
    await this.db
      .insert(audit)
      .values({ who: who.slice(0, 120), action, about: about.slice(0, 500) })
      .catch((error: unknown) => log.warn(forLog(error), "audit entry lost"));
  }

  /** The latest lines, or the latest before one, that have every word somewhere. */
  async list(before: number | null, words: string): Promise<AuditAnswer[]> {
    const line = sql`(${audit.who} || ' ' || ${audit.action} || ' ' || ${audit.about})`;
    const has = words.match(/\S+/g) ?? [];
    const rows = await this.db
      .select()
      .from(audit)
      .where(
        and(
          before === null ? undefined : lt(audit.id, before),
          ...has.map((word) => sql`${line} ilike ${`%${word.replace(/[\\%_]/g, "\\$&")}%`}`),
        ),
      )
      .orderBy(desc(audit.id))
      .limit(MOST);
    return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
  }
}

@RequireRole("owner")
@Controller("api/audit")
class AuditController {
  constructor(@Inject(Audit) private readonly audit: Audit) {}

  @Get()
  @ApiQuery({ name: "before", type: Number, required: false })
  @ApiQuery({ name: "q", type: String, required: false })
  @Answers("The trail, latest first, by words where some are given", [AuditAnswer])
  list(
    @Query("before", new ParseIntPipe({ optional: true })) before?: number,
    @Query("q") words?: unknown,
  ): Promise<AuditAnswer[]> {
    return this.audit.list(before ?? null, askedWords(words ?? ""));
  }
}

@Global()
@Module({ controllers: [AuditController], providers: [Audit], exports: [Audit] })
export class AuditModule {}
