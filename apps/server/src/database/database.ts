import { Logger, type Provider } from "@nestjs/common";
import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import pg from "pg";
import { databaseUrl } from "./addresses.ts";
import * as schema from "./schema.ts";
import { unusable } from "./unusable.ts";

export const CONNECTION = "CONNECTION";
export const DATABASE = "DATABASE";

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];

/** Opens the pool that DATABASE_URL names; refuses in a sentence where nothing answers there. */
async function connect(): Promise<pg.Pool> {
  const connectionString = databaseUrl();
  const pool = new pg.Pool({ connectionString, max: 10, connectionTimeoutMillis: 10_000 });
  const say = (error: Error): void =>
    new Logger("database").warn(`connection lost: ${error.message}`);
  // Without listeners a connection that the database drops would end the process, whether it
  // is idle (told by the pool) or somebody is in the middle of a transaction on it.
  pool.on("error", say);
  pool.on("connect", (client) => client.on("error", say));
  await pool.query("select 1").catch((error: unknown) => {
    throw unusable(connectionString, error);
  });
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
