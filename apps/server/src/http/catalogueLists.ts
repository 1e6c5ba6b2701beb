import { and, asc, eq, inArray, sql, type SQL } from "drizzle-orm";
import { FILLERS } from "@dragonet/core";
import type { SearchKind } from "@dragonet/contract";
import { askByIndex } from "../database/byIndex.ts";
import { countSome, type Counted } from "../database/counted.ts";
import type { Database } from "../database/database.ts";
import { part, vehicleProfile } from "../database/schema.ts";
import { hasWords, having, ofKind, type Having } from "../search/having.ts";
import { wordsOf } from "../search/search.service.ts";
import type { Versioned } from "./catalogue.ts";
import { printPlace, readPlace, type Asked } from "./listQuery.ts";

/** Some things of a list, and what is asked for to see those after them; "" at the end. */
export interface Page<T> {
  readonly entries: readonly Versioned<T>[];
  readonly next: string;
}

/** Where a list goes on. */
interface Place {
  readonly orderName: string;
  readonly id: string;
}

/** Things near a sentence that are told. */
const MOST_NEAR = 40;
/** Words of a sentence that are looked for, and things with each of them that are looked at. */
const MOST_SAID = 24;
const MOST_OF_EACH = 60;

export const readCataloguePlace = (asked: Asked): Place | null =>
  readPlace(asked, ([orderName, id]) =>
    typeof orderName === "string" && typeof id === "string" ? { orderName, id } : null,
  );

type Table = typeof part | typeof vehicleProfile;

/** Lists of what a shop keeps: each looks at few rows, however many there are. */
export class CatalogueLists<T> {
  constructor(
    private readonly db: Database,
    private readonly table: Table,
    private readonly of: SearchKind,
    /** Fields that a row of a list has nothing to tell of, and that are most of what some things are. */
    private readonly unlisted: readonly string[] = [],
  ) {}

  /** What is there, without what no list tells. */
  private get listed() {
    const { table, unlisted } = this;
    const { id, orderName, revision, value: whole } = table;
    const without = sql<T>`${whole} - ${sql.param([...unlisted])}::text[]`;
    return { id, orderName, revision, value: unlisted.length === 0 ? whole : without };
  }

  private kept(row: { value: unknown; revision: number }): Versioned<T> {
    return { value: row.value as T, revision: row.revision };
  }

  /** Those with every word of a question. */
  having(words: string): Promise<Having> {
    return having(this.db, this.of, words);
  }

  /** Some of them by name, after a place. `only` says which are looked at. */
  async page(had: Having, only: SQL, size: number, after: Place | null): Promise<Page<T>> {
    const { table } = this;
    const place = after
      ? sql`(order_name, id) > (${after.orderName} collate "C", ${after.id})`
      : sql`true`;
    const rows = await this.db
      .select(this.listed)
      .from(table)
      .where(and(only, place, ...hasWords(had, table.id, "text")))
      .orderBy(asc(table.orderName), asc(table.id))
      .limit(size + 1);
    const told = rows.slice(0, size);
    const last = told.at(-1);
    return {
      entries: told.map((row) => this.kept(row)),
      next: rows.length > size && last ? printPlace([last.orderName, last.id]) : "",
    };
  }

  /** Those of some ids, as a list tells them, in no order. */
  async some(ids: readonly string[]): Promise<readonly Versioned<T>[]> {
    if (ids.length === 0) return [];
    const { table } = this;
    const rows = await this.db
      .select(this.listed)
      .from(table)
      .where(inArray(table.id, [...ids]));
    return rows.map((row) => this.kept(row));
  }

  /** How many there are, as far as they are counted. */
  count(had: Having, only: SQL): Promise<Counted> {
    const { table } = this;
    return countSome(this.db, table, and(only, ...hasWords(had, table.id, "text")) ?? only);
  }

  /**
   * Those that have the most words of a sentence in their name: one of them may be meant by it. Of what a word
   * is in everywhere some are looked at, and those that have two or three that stand together.
   */
  async near(sentence: string): Promise<readonly Versioned<T>[]> {
    const words = wordsOf(sentence, MOST_SAID).filter(
      (word) => /\d/.test(word) || (word.length > 2 && !FILLERS.has(word)),
    );
    if (words.length === 0) return [];
    // Of "pods" a pod, too.
    const asked = words.map((word) =>
      /..s$/.test(word) ? `(${word}:A | ${word.slice(0, -1)}:A)` : `${word}:A`,
    );
    const together = [1, 2, 3].flatMap((size) =>
      asked.slice(size - 1).map((_, i) => asked.slice(i, i + size).join(" & ")),
    );
    const some = together.map(
      (query) => sql`(select id, stems from search_entry
        where ${ofKind(this.of)} and stems @@ to_tsquery('simple', ${query}) limit ${MOST_OF_EACH})`,
    );
    const { rows } = await askByIndex(
      this.db,
      sql`
          select id from (${sql.join(some, sql` union all `)}) as met
          group by id, stems
          order by ts_rank(stems, to_tsquery('simple', ${asked.join(" | ")})) desc, id
          limit ${MOST_NEAR}`,
    );
    const ids = rows.map(({ id }) => id as string);
    if (ids.length === 0) return [];
    const found = await this.db.select().from(this.table).where(inArray(this.table.id, ids));
    const order = new Map(ids.map((id, i) => [id, i]));
    return found
      .toSorted((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0))
      .map((row) => this.kept(row));
  }
}

/** Parts of one sort, those that are there before those that are not: what is offered to be chosen. */
export async function atHand(
  db: Database,
  sort: string,
  had: Having,
  most: number,
): Promise<(typeof part.$inferSelect)[]> {
  return db
    .select()
    .from(part)
    .where(and(eq(part.sort, sort), ...hasWords(had, part.id, "text")))
    .orderBy(asc(part.away), asc(part.orderName), asc(part.id))
    .limit(most);
}
