import { asc, sql } from "drizzle-orm";
import type { Database } from "../database/database.ts";
import { person } from "../database/schema.ts";

/** People told at once; those after them are asked for by the last that was told. */
const MOST = 50;

/** Some people by name, or those after one of them. */
export function somePeople(
  db: Database,
  after: string | null,
): Promise<(typeof person.$inferSelect)[]> {
  const place = sql`(${person.name}, ${person.id}) > (select name, id from person where id = ${after})`;
  return db
    .select()
    .from(person)
    .where(after === null ? undefined : place)
    .orderBy(asc(person.name), asc(person.id))
    .limit(MOST);
}
