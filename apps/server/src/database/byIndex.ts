import { sql, type SQL } from "drizzle-orm";
import type { QueryResultRow } from "pg";
import type { Database } from "./database.ts";

/**
 * Asks by an index, whatever the database thinks: where a limit stands, it takes a word that few have for one that
 * it will meet soon, and reads everything from the beginning.
 */
export const askByIndex = <Row extends QueryResultRow>(db: Database, query: SQL) =>
  db.transaction(
    async (tx) => {
      // Joined one by one as well: to join a few with all of a table, that would be read whole.
      await tx.execute(
        sql`select set_config('enable_seqscan', 'off', true), set_config('enable_hashjoin', 'off', true),
          set_config('enable_mergejoin', 'off', true)`,
      );
      return tx.execute<Row>(query);
    },
    { accessMode: "read only" },
  );
