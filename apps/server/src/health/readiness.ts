import { statfs } from "node:fs/promises";
import { Inject, Injectable } from "@nestjs/common";
import { sql } from "drizzle-orm";
import { DATABASE, type Database } from "../database/database.ts";
import { Superseded } from "../database/superseded.ts";

/** Free space below which the shop is not ready, in bytes. */
const LEAST_FREE = 100 * 1024 * 1024;

/** A save that has waited longer than this for the standby is not merely slow, in s. */
const LONG_WAIT_S = 5;

interface Held {
  /** Saves that wait. */
  readonly saves: number;
  /** How long the first of them has, in s. */
  readonly longest: number | null;
}

/** Whether the server can do its work. */
@Injectable()
export class Readiness {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(Superseded) private readonly superseded: Superseded,
  ) {}

  /** What stands in its way, each in a sentence; empty where nothing does. */
  async wrong(): Promise<string[]> {
    const wrong: string[] = [];
    const [state] = await this.db
      .execute<{ standby: boolean }>(sql`select pg_is_in_recovery() as standby`)
      .then(({ rows }) => rows)
      .catch(() => []);
    if (!state) wrong.push("the database does not answer");
    else if (state.standby) wrong.push("the database is a standby and takes no writes");
    else {
      const tables = await this.db
        .execute(sql`select 1 from audit limit 0`)
        .then(() => true)
        .catch(() => false);
      if (!tables) wrong.push("the tables are not up to date");
      const held = await this.heldByStandby();
      if (held) wrong.push(held);
      if (await this.superseded.look()) wrong.push("a later version of Dragonet keeps this shop");
    }
    const { bavail, bsize } = await statfs(process.cwd());
    if (bavail * bsize < LEAST_FREE) wrong.push("the disk has less than 100 MB left");
    return wrong;
  }

  /** Saves that are on one machine and wait to be on two, where they have waited long; null where none has. */
  private async heldByStandby(): Promise<string | null> {
    const { rows } = await this.db
      .execute<Held & Record<string, unknown>>(
        sql`select count(*)::int as saves,
            extract(epoch from max(clock_timestamp() - query_start))::float8 as longest
          from pg_stat_activity where wait_event = 'SyncRep' and datname = current_database()`,
      )
      // One that has stopped answering since a moment ago is told of by the next look.
      .catch(() => ({ rows: [] }));
    const { saves = 0, longest = null } = rows[0] ?? {};
    if (longest === null || longest < LONG_WAIT_S) return null;
    const waiting = saves === 1 ? "a save waits" : `${saves} saves wait`;
    return `${waiting} for the standby, ${Math.floor(longest)} s by now: it is gone, far behind, or its disk is full`;
  }
}
