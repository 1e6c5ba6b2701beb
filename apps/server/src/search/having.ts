import { sql, type SQL } from "drizzle-orm";
import type { AnyPgColumn } from "drizzle-orm/pg-core";
import { itemAt } from "@dragonet/core";
import type { SearchKind } from "@dragonet/contract";
import { askByIndex } from "../database/byIndex.ts";
import type { Database } from "../database/database.ts";
import { wordsOf } from "./search.service.ts";

/** Things with the words of a question up to which they are listed one by one. */
const MOST_LISTED = 2000;
/** Jobs that are looked at first: their ids are by chance, so that these are as good as any. */
const SAMPLED = 300;
/** By how much a guess from those has to be above `MOST_LISTED` to be taken. */
const SURELY = 2;

/** Things that have every word that is asked for. */
export type Having =
  | { readonly kind: "any" }
  /** Few: these. */
  | { readonly kind: "few"; readonly ids: readonly string[] }
  /** So many that they are met soon wherever a list begins: each is looked at when it is come to. */
  | { readonly kind: "many"; readonly of: SearchKind; readonly wanted: string };

/** What the index is asked for where all words are to be there, each by how it begins. */
export const everyWord = (words: readonly string[]): string =>
  words.map((word) => `${word}:*`).join(" & ");

/** Entries of a kind, said as the indexes have it: what is a parameter is not known to be the same. */
export const ofKind = (kind: SearchKind): SQL => sql.raw(`kind = '${kind}'`);

/** About how many jobs have words, by some of them and by how many things the database last counted. */
async function guessedJobs(db: Database, wanted: string): Promise<number> {
  const { rows } = await askByIndex<{ had: number; looked_at: number; things: number }>(
    db,
    sql`select count(*) filter (where stems @@ to_tsquery('simple', ${wanted}))::int as had,
        count(*)::int as looked_at,
        (select reltuples::int from pg_class where oid = 'search_entry'::regclass) as things
      from (
        select stems from search_entry where ${ofKind("job")} order by kind, id limit ${SAMPLED}
      ) as sampled`,
  );
  const { had, looked_at: lookedAt, things } = itemAt(rows, 0);
  return lookedAt > 0 ? (had / lookedAt) * things : 0;
}

/** Which things of a kind have every word of a question. */
export async function having(db: Database, of: SearchKind, words: string): Promise<Having> {
  const asked = wordsOf(words);
  if (asked.length === 0) return { kind: "any" };
  const wanted = everyWord(asked);
  // To count what nearly every job has, the index would have to gather every one of them.
  if (of === "job" && (await guessedJobs(db, wanted)) > SURELY * MOST_LISTED) {
    return { kind: "many", of, wanted };
  }
  const { rows } = await askByIndex(
    db,
    sql`select id from search_entry where ${ofKind(of)} and stems @@ to_tsquery('simple', ${wanted})
      limit ${MOST_LISTED + 1}`,
  );
  if (rows.length > MOST_LISTED) return { kind: "many", of, wanted };
  return { kind: "few", ids: rows.map(({ id }) => id as string) };
}

/** The same for a query over the things themselves; nothing where any will do. */
export function hasWords(having: Having, id: AnyPgColumn, type: "uuid" | "text"): SQL[] {
  switch (having.kind) {
    case "any":
      return [];
    case "few":
      return [sql`${id} = any(${sql.param(having.ids)}::${sql.raw(type)}[])`];
    case "many":
      return [
        sql`entry_has_words(${having.of}, ${id}::text, to_tsquery('simple', ${having.wanted}))`,
      ];
  }
}
