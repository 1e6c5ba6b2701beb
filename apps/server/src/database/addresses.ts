/** Where the database is: from the environment. */
export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error("DATABASE_URL is not set (such as postgresql://user@127.0.0.1:5432/name)");
  return url;
}

/**
 * Where it is without a pooler between: what listens, and what holds a lock of its own, needs one
 * connection from beginning to end.
 */
export const directUrl = (): string => process.env.DATABASE_DIRECT_URL || databaseUrl();
