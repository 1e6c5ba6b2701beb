import { sql, type SQL } from "drizzle-orm";
import { PART_PLACES } from "@dragonet/core";
import type { PartJobAnswer, PartJobsPageAnswer } from "@dragonet/contract";
import type { Database } from "../database/database.ts";
import { printPlace, readPlace, type Asked } from "../http/listQuery.ts";

/** Rows told at once where all are asked for: who holds more than that many has them by their words. */
const MOST_TOLD = 20_000;

interface Place {
  /** A moment as the database says it. */
  readonly at: string;
  readonly id: string;
}

const readPlaceOf = (asked: Asked): Place | null =>
  readPlace(asked, ([at, id]) =>
    typeof at === "string" && !Number.isNaN(Date.parse(at)) && /^[0-9a-f-]{36}$/.test(String(id))
      ? { at, id: String(id) }
      : null,
  );

type PartJobRow = Omit<PartJobAnswer, "updatedAt"> & { at: string };

/** Jobs in which a part is used, those changed last first. */
async function holding(db: Database, partId: string, lot: string, after: SQL, most: number) {
  const vars = JSON.stringify({ part: partId });
  const counted = sql.join(
    PART_PLACES.map(
      ([list, field]) =>
        sql`jsonb_array_length(jsonb_path_query_array(document, ${`$.${list}[*].${field} ? (@ == $part)`}::jsonpath, ${vars}::jsonb))`,
    ),
    sql` + `,
  );
  const ofLot = lot === "" ? sql`true` : sql`lots @> ${JSON.stringify([lot])}::jsonb`;
  const { rows } = await db.execute<PartJobRow>(sql`
    select id, lots, summary->>'title' as title, summary->>'customer' as customer,
      summary->>'model' as model, summary->>'machine' as machine, summary->>'stage' as stage,
      updated_at::text as at, count
    from job, lateral (select ${counted} as count, jsonb_path_query_array(
        document, '$.lots[*] ? (@.partId == $part).lot', ${vars}::jsonb) as lots) as counted
    where removed_at is null and count > 0 and ${after} and ${ofLot}
      and jsonb_path_query_array(document, '$.parts[*].id') @> ${JSON.stringify([partId])}::jsonb
    order by updated_at desc, id desc limit ${most}`);
  return rows;
}

const told = ({ at, ...job }: Awaited<ReturnType<typeof holding>>[number]): PartJobAnswer => ({
  ...job,
  updatedAt: new Date(at).toISOString(),
});

/** Some jobs that hold a part, of one lot where that is said. */
export async function jobsWithPart(
  db: Database,
  partId: string,
  lot: string,
  asked: Asked,
  size: number,
): Promise<PartJobsPageAnswer> {
  const place = readPlaceOf(asked);
  const after = place
    ? sql`(updated_at, id) < (${place.at}::timestamptz, ${place.id}::uuid)`
    : sql`true`;
  const rows = await holding(db, partId, lot, after, size + 1);
  const some = rows.slice(0, size);
  const last = some.at(-1);
  return {
    jobs: some.map(told),
    next: rows.length > size && last ? printPlace([last.at, last.id]) : "",
  };
}

/** All of them, for letters. */
export const allJobsWithPart = async (
  db: Database,
  partId: string,
  lot: string,
): Promise<PartJobAnswer[]> => (await holding(db, partId, lot, sql`true`, MOST_TOLD)).map(told);
