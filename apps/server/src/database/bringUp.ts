import { fileURLToPath } from "node:url";
import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import { seedDemo } from "../demo/seed.ts";
import { directUrl } from "./addresses.ts";
import type { Database } from "./database.ts";
import { log } from "../http/pinoLogger.ts";
import { unusable } from "./unusable.ts";
import * as schema from "./schema.ts";
import { upgradeDocuments } from "./upgrade.ts";

/** Whoever brings the tables up to date holds it: servers that start at one moment wait for each other. */
const LOCK = 417_041_704;

/**
 * Brings the database up to this program: tables, stored documents, and the demo shop where it is
 * asked for. One server does it and others that start meanwhile wait. Refuses in a sentence.
 */
export async function bringUp(demo: boolean): Promise<void> {
  const connectionString = directUrl();
  const client = new pg.Client({ connectionString, connectionTimeoutMillis: 10_000 });
  // Without a listener a connection that the database drops would end the process by itself.
  client.on("error", () => undefined);
  try {
    await client.connect();
    const { rows } = await client.query<{ free: boolean }>(
      "select pg_try_advisory_lock($1) as free",
      [LOCK],
    );
    if (rows[0]?.free !== true) {
      log.info("another server brings the tables up to date: waiting for it");
      await client.query("select pg_advisory_lock($1)", [LOCK]);
    }
    const db: Database = drizzle(client, { schema });
    const migrationsFolder =
      process.env.DRAGONET_MIGRATIONS ?? fileURLToPath(new URL("../drizzle", import.meta.url));
    await migrate(db, { migrationsFolder });
    await upgradeDocuments(db);
    if (demo) await seedDemo(db);
  } catch (error) {
    throw unusable(connectionString, error);
  } finally {
    // The lock goes with its connection.
    await client.end().catch(() => undefined);
  }
}
