import { fileURLToPath } from "node:url";
import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import { seedDemo } from "../demo/seed.ts";
import { directUrl } from "./addresses.ts";
import type { Database } from "./database.ts";
import { log } from "../http/pinoLogger.ts";
import * as schema from "./schema.ts";
import { upgradeDocuments } from "./upgrade.ts";

/** Whoever brings the tables up to date holds it: servers that start at one moment wait for each other. */
const LOCK = 417_041_704;

/** What PostgreSQL's words mean to whoever starts a server, by their code. */
const MEANT: Readonly<Record<string, string>> = {
  "42501":
    "its user may not make tables there: make it the owner of the database, or grant it that",
  "25006": "it is a standby and takes no writes: name the one that it follows",
  "53100": "its disk is full: free some space and start again",
};

function sentence(error: Error & { readonly code?: string; readonly cause?: unknown }): string {
  // A refused connection carries its reasons inside and an empty message outside; a query that
  // failed carries the database's own words inside.
  if (error instanceof AggregateError) return error.errors.map(String).join("; ");
  const { cause } = error;
  if (cause instanceof Error) return sentence(cause);
  return MEANT[error.code ?? ""] ?? error.message;
}

/**
 * Brings the database up to this program: tables, stored documents, and the demo shop where it is
 * asked for. One server does it and others that start meanwhile wait. Refuses in a sentence.
 */
export async function bringUp(demo: boolean): Promise<void> {
  const connectionString = directUrl();
  const { hostname, port } = new URL(connectionString);
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
    const reason = error instanceof Error ? sentence(error) : String(error);
    throw new Error(`the database at ${hostname}:${port || "5432"} cannot be used: ${reason}`, {
      cause: error,
    });
  } finally {
    // The lock goes with its connection.
    await client.end().catch(() => undefined);
  }
}
