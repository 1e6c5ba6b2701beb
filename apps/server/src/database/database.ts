import { fileURLToPath } from "node:url";
import { Logger, type Provider } from "@nestjs/common";
import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import * as schema from "./schema.ts";

export const CONNECTION = "CONNECTION";
export const DATABASE = "DATABASE";

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];

/** Where the database is: from the environment. */
export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error("DATABASE_URL is not set (such as postgresql://user@127.0.0.1:5432/name)");
  return url;
}

/** Opens the pool that DATABASE_URL names, and brings the tables up to date. */
async function connect(): Promise<pg.Pool> {
  const url = databaseUrl();
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 10_000 });
  const say = (error: Error): void =>
    new Logger("database").warn(`connection lost: ${error.message}`);
  // Without listeners a connection that the database drops would end the process, whether it
  // is idle (told by the pool) or somebody is in the middle of a transaction on it.
  pool.on("error", say);
  pool.on("connect", (client) => client.on("error", say));
  await pool.query("select 1").catch((error: Error) => {
    const { hostname, port } = new URL(url);
    // A refused connection carries its reasons inside and an empty message outside.
    const reasons =
      error instanceof AggregateError ? error.errors.map(String).join("; ") : error.message;
    throw new Error(`the database at ${hostname}:${port || "5432"} cannot be used: ${reasons}`);
  });
  const folder =
    process.env.DRAGONET_MIGRATIONS ?? fileURLToPath(new URL("../drizzle", import.meta.url));
  await migrate(drizzle(pool), { migrationsFolder: folder });
  return pool;
}

export const databaseProviders: Provider[] = [
  { provide: CONNECTION, useFactory: connect },
  {
    provide: DATABASE,
    useFactory: (pool: pg.Pool): Database => drizzle(pool, { schema }),
    inject: [CONNECTION],
  },
];
