import { statfs } from "node:fs/promises";
import { Inject, Injectable } from "@nestjs/common";
import { sql } from "drizzle-orm";
import { DATABASE, type Database } from "../database/database.ts";
import { Superseded } from "../database/superseded.ts";

/** Free space below which the shop is not ready, in bytes. */
const LEAST_FREE = 100 * 1024 * 1024;

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
      if (await this.superseded.look()) wrong.push("a later version of Dragonet keeps this shop");
    }
    const { bavail, bsize } = await statfs(process.cwd());
    if (bavail * bsize < LEAST_FREE) wrong.push("the disk has less than 100 MB left");
    return wrong;
  }
}
