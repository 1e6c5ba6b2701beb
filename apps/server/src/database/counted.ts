import { sql, type SQL } from "drizzle-orm";
import type { PgTable } from "drizzle-orm/pg-core";
import type { Database } from "./database.ts";

/** Rows that are counted; of more it is told that there are more. */
export const MOST_COUNTED = 1000;

/** How many, or that they are more than were counted. */
export interface Counted {
  readonly count: number;
  readonly uncounted: boolean;
}

export const countedOf = (count: number): Counted => ({
  count: Math.min(count, MOST_COUNTED),
  uncounted: count > MOST_COUNTED,
});

/** Counts rows of a table as far as that is worth while. */
export async function countSome(db: Database, table: PgTable, where: SQL): Promise<Counted> {
  const some = db
    .select({ one: sql<number>`1`.as("one") })
    .from(table)
    .where(where)
    .limit(MOST_COUNTED + 1)
    .as("some");
  const [row] = await db.select({ count: sql<number>`count(*)::int` }).from(some);
  return countedOf(row?.count ?? 0);
}
