import { createHash } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import connectPgSimple from "connect-pg-simple";
import { and, eq, ne, sql, type SQL } from "drizzle-orm";
import type { Request } from "express";
import session from "express-session";
import type pg from "pg";
import type { OwnSessionAnswer } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { session as sessionTable, shop, signInCode } from "../database/schema.ts";
import { notFound } from "../http/refusal.ts";

declare module "express-session" {
  interface SessionData {
    personId: string;
    /** When it was begun, and when it was last used, ms since 1970. */
    begunAt: number;
    seenAt: number;
    agent: string;
    address: string;
  }
}

const PgStore = connectPgSimple(session);

/** Sessions in PostgreSQL and nowhere else: one that is ended is ended on every server. */
export const sessionStore = (pool: pg.Pool): session.Store =>
  new PgStore({ pool, tableName: "session", disableTouch: true });

/** The cookie that a session is known by. */
export const SESSION_COOKIE = "dragonet.session";

/** How often use is written down, in ms: not with every request. */
const NOTED_MS = 5 * 60_000;
const HOUR_MS = 3_600_000;

const shownId = (sid: string): string =>
  createHash("sha256").update(sid).digest("hex").slice(0, 16);

const ofPerson = (personId: string): SQL => sql`${sessionTable.sess}->>'personId' = ${personId}`;

/** Sessions of people: begun anew at sign-in, ended by time, by hand, or with a person's rights. */
@Injectable()
export class Sessions {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** A fresh session: a new id, so that one planted before sign-in is worth nothing. */
  async begin(req: Request, personId: string): Promise<void> {
    await new Promise<void>((done, fail) => {
      req.session.regenerate((error?: unknown) => (error ? fail(error) : done()));
    });
    const now = Date.now();
    req.session.personId = personId;
    req.session.begunAt = now;
    req.session.seenAt = now;
    req.session.agent = (req.get("user-agent") ?? "").slice(0, 200);
    req.session.address = req.ip ?? "";
    await this.save(req);
  }

  /** The person of a request's session, or null; a session past its time is ended. */
  async personOf(req: Request): Promise<string | null> {
    const { personId, begunAt = 0, seenAt = 0 } = req.session;
    if (personId === undefined) return null;
    const now = Date.now();
    // Well within the shortest limit that can be set: most requests need not ask for it.
    if (now - seenAt < NOTED_MS && now - begunAt < HOUR_MS) return personId;
    const { idleHours, sessionDays } = await this.limits();
    const over = now - seenAt > idleHours * HOUR_MS || now - begunAt > sessionDays * 24 * HOUR_MS;
    if (over) {
      await this.end(req);
      return null;
    }
    if (now - seenAt >= NOTED_MS) {
      req.session.seenAt = now;
      await this.save(req);
    }
    return personId;
  }

  async limits(): Promise<{ readonly idleHours: number; readonly sessionDays: number }> {
    const [row] = await this.db
      .select({ idleHours: shop.idleHours, sessionDays: shop.sessionDays })
      .from(shop);
    return row ?? { idleHours: 12, sessionDays: 30 };
  }

  async end(req: Request): Promise<void> {
    await new Promise<void>((done) => req.session.destroy(() => done()));
  }

  /** Ends all sessions of a person, on every server, but for one that is given. */
  async endAll(personId: string, butSid: string | null = null): Promise<void> {
    const others = butSid === null ? undefined : ne(sessionTable.sid, butSid);
    await this.db.delete(sessionTable).where(and(ofPerson(personId), others));
    await this.db.delete(signInCode).where(eq(signInCode.personId, personId));
  }

  async list(personId: string, currentSid: string): Promise<OwnSessionAnswer[]> {
    const rows = await this.db
      .select()
      .from(sessionTable)
      .where(and(ofPerson(personId), sql`${sessionTable.expire} > now()`));
    return rows
      .map(({ sid, sess }) => {
        const kept = sess as Partial<session.SessionData>;
        return {
          id: shownId(sid),
          begunAt: new Date(kept.begunAt ?? 0).toISOString(),
          seenAt: new Date(kept.seenAt ?? 0).toISOString(),
          agent: kept.agent ?? "",
          address: kept.address ?? "",
          current: sid === currentSid,
        };
      })
      .sort((a, b) => (a.seenAt < b.seenAt ? 1 : -1));
  }

  /** Ends one of a person's own sessions, by the id that the list shows. */
  async endOne(personId: string, id: string): Promise<void> {
    const rows = await this.db
      .select({ sid: sessionTable.sid })
      .from(sessionTable)
      .where(ofPerson(personId));
    const found = rows.find(({ sid }) => shownId(sid) === id);
    if (!found) throw notFound("session", id);
    await this.db.delete(sessionTable).where(eq(sessionTable.sid, found.sid));
  }

  private async save(req: Request): Promise<void> {
    await new Promise<void>((done, fail) => {
      req.session.save((error?: unknown) => (error ? fail(error) : done()));
    });
  }
}
