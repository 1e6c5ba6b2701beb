import { Inject, Injectable } from "@nestjs/common";
import { sql, type SQL } from "drizzle-orm";
import type { FoundAnswer } from "@dragonet/contract";
import { DATABASE, type Database, type Transaction } from "../database/database.ts";

/** Things told at once: who wants more says more. */
const MOST_FOUND = 20;
/** Words of a question that are looked at. */
const MOST_WORDS = 8;
/** A word this short has too few groups of three letters to be nearly right. */
const SHORTEST_GUESS = 4;
/** Words that one may have been meant for. */
const MOST_MEANT = 3;
/** How like a word must be to be looked at closer, 0–1 of its groups of three letters. */
const LIKENESS = 0.25;
/** Letters wrong, left out or too many; two changed over are two. */
const MOST_WRONG = 2;
/**
 * Of what a word is everywhere in, so many of the latest are looked through, and so many of all: where there
 * are more, more words are wanted, not more lines.
 */
const LATEST = 400;
const MOST_LOOKED_AT = 400;
/** Letters of the place that are told. */
const LONGEST_WHERE = 120;

/**
 * Settings of the database for one search. It takes the comparing of words for as cheap as that of numbers, and
 * would read every line of a large shop; an index is there for whatever is asked.
 */
const SETTINGS = sql`select set_config('pg_trgm.similarity_threshold', ${String(LIKENESS)}, true),
  set_config('enable_seqscan', 'off', true)`;

/** The words of a question, in small letters and without what stands between them. */
export const wordsOf = (question: string, most = MOST_WORDS): readonly string[] =>
  question
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== "")
    .slice(0, most);

/** A word of a question, and what it may have been meant for where nothing begins with it. */
type Asked = { readonly word: string; readonly meant: readonly string[] };

/** Whatever begins with a word, or is one that was meant. */
const anyOf = ({ word, meant }: Asked, weight = ""): string =>
  `(${[`${word}:*${weight}`, ...meant.map((other) => `${other}${weight && `:${weight}`}`)].join(" | ")})`;

const query = (asked: readonly Asked[], weight = ""): SQL =>
  sql`to_tsquery('simple', ${asked.map((each) => anyOf(each, weight)).join(" & ")})`;

/** Finds jobs, parts and vehicle profiles by what was written in them. */
@Injectable()
export class SearchService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** Those that have every word, the best first; none for a question without a word. */
  async find(question: string): Promise<FoundAnswer[]> {
    const words = wordsOf(question);
    if (words.length === 0) return [];
    return this.db.transaction(
      async (tx) => {
        await tx.execute(SETTINGS);
        return this.look(tx, await this.meant(tx, words));
      },
      { accessMode: "read only" },
    );
  }

  /** What each word may have been meant for: known words that are spelled nearly so. */
  private async meant(tx: Transaction, words: readonly string[]): Promise<readonly Asked[]> {
    const list = sql.join(
      words.map((word) => sql`(${word})`),
      sql`, `,
    );
    const { rows } = await tx.execute<Asked>(sql`
      select asked.word,
        case when length(asked.word) < ${SHORTEST_GUESS} or exists (
          select 1 from search_word known where known.word collate "C" >= asked.word
            and known.word collate "C" < asked.word || chr(1114111)
        ) then array[]::text[] else array(
          select known.word from search_word known
          where known.word % asked.word
            and levenshtein_less_equal(known.word, asked.word, ${MOST_WRONG}) <= ${MOST_WRONG}
          order by levenshtein(known.word, asked.word), similarity(known.word, asked.word) desc, known.word
          limit ${MOST_MEANT}
        ) end as meant
      from (values ${list}) as asked (word)`);
    return rows;
  }

  private async look(tx: Transaction, asked: readonly Asked[]): Promise<FoundAnswer[]> {
    const every = query(asked);
    // What stands in the title is meant most often, then customer and vehicle.
    const score = sql.join(
      asked.map(
        (each) => sql`case when stems @@ ${query([each], "A")} then 3
          when stems @@ ${query([each], "B")} then 2 else 1 end`,
      ),
      sql` + `,
    );
    // Where the words stand that title, customer and vehicle do not say.
    const place = sql.join(
      asked.map(
        (each) => sql`case when stems @@ ${query([each], "AB")} then 0
          else (stems_of(piece) @@ ${query([each])})::int end`,
      ),
      sql` + `,
    );
    // The lines themselves are fetched for those alone that are told.
    const { rows } = await tx.execute<FoundAnswer & Record<string, unknown>>(sql`
      select entry.kind, entry.id, entry.title, entry.about,
        case when position(best.piece in entry.title || ' · ' || entry.about) > 0 then ''
             else left(best.piece, ${LONGEST_WHERE}) end as "where"
      from (
        select kind, id, at, max(${score}) as score from (
          select kind, id, at, stems from (
            select kind, id, at, stems from search_entry order by at desc limit ${LATEST}
          ) as latest where stems @@ ${every}
          union all
          (select kind, id, at, stems from search_entry where stems @@ ${every} limit ${MOST_LOOKED_AT})
        ) as looked_at
        group by kind, id, at order by score desc, at desc, kind, id limit ${MOST_FOUND}
      ) as found
      join search_entry as entry on entry.kind = found.kind and entry.id = found.id,
      lateral (
        select piece from string_to_table(entry.words, ' · ') with ordinality as pieces (piece, nr)
        order by ${place} desc, nr limit 1
      ) as best
      order by found.score desc, found.at desc, entry.kind, entry.id`);
    return rows;
  }
}
