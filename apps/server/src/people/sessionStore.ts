import connectPgSimple from "connect-pg-simple";
import session, { type SessionData } from "express-session";
import type pg from "pg";

const PgStore = connectPgSimple(session);

/** How long a session just read is remembered, in ms. */
const REMEMBERED_MS = 2000;

type Callback = (error: unknown, session?: SessionData | null) => void;

/**
 * Sessions in PostgreSQL, each remembered for a moment after it was read: a page asks
 * for several things at once. Signing out, or a new session, is seen at once.
 */
export class SessionStore extends PgStore {
  private readonly recent = new Map<
    string,
    { readonly kept: SessionData; readonly until: number }
  >();

  constructor(pool: pg.Pool) {
    super({ pool, tableName: "session", disableTouch: true });
  }

  override get(sid: string, callback: Callback): void {
    const found = this.recent.get(sid);
    if (found && found.until > Date.now()) {
      callback(null, structuredClone(found.kept));
      return;
    }
    super.get(sid, (error: unknown, kept?: SessionData | null) => {
      if (kept) this.remember(sid, kept);
      callback(error, kept);
    });
  }

  private remember(sid: string, kept: SessionData): void {
    // Forgotten as a whole now and then, so that it never grows.
    if (this.recent.size > 1000) this.recent.clear();
    this.recent.set(sid, { kept: structuredClone(kept), until: Date.now() + REMEMBERED_MS });
  }

  override set(sid: string, data: SessionData, callback?: (error?: unknown) => void): void {
    this.recent.delete(sid);
    super.set(sid, data, callback);
  }

  override destroy(sid: string, callback?: (error?: unknown) => void): void {
    this.recent.delete(sid);
    super.destroy(sid, callback);
  }
}
