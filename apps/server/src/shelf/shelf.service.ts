import { Inject, Injectable } from "@nestjs/common";
import { eq, inArray, sql, type SQL } from "drizzle-orm";
import {
  LOAD_FAMILIES,
  PART_KINDS,
  factsOf,
  freedBy,
  insteadOf,
  isFor,
  orderList,
  shelfName,
  takenOfShelf,
  type Job,
  type Part,
  type PartKind,
} from "@dragonet/core";
import type {
  KeptPartAnswer,
  NeedsAnswer,
  PartChoicesAnswer,
  PartJobAnswer,
  PartJobsPageAnswer,
  PartRowAnswer,
  PartsPageAnswer,
  ShelfAnswer,
  ShelfKindAnswer,
  WaitingJobAnswer,
} from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { askByIndex } from "../database/byIndex.ts";
import { part } from "../database/schema.ts";
import { CatalogueLists, atHand, readCataloguePlace } from "../http/catalogueLists.ts";
import { readSize, readText, type Asked } from "../http/listQuery.ts";
import { notFound, notValid } from "../http/refusal.ts";
import { everyWord } from "../search/having.ts";
import { wordsOf } from "../search/search.service.ts";
import type { SignedIn } from "../people/access.ts";
import { JobSaves } from "../jobs/jobSaves.ts";
import { BoardService } from "../jobs/board.service.ts";
import { allJobsWithPart, jobsWithPart } from "./partJobs.ts";

/** Parts of each kind that the shelf tells. */
const OF_EACH_KIND = 25;
/** Parts of a sort that are offered at once: who wants another says a word of its name. */
const MOST_CHOICES = 200;
/** Kits hold whole circuits, each as much as a small job. */
const MOST_KITS = 30;
/** Parts with the words that are looked for, up to which they are counted. */
const MOST_FOUND = 20_000;
const ANY = { kind: "any" } as const;
/** The largest stock that a part may have. */
const MOST_STOCK = 1e6;
/** Parts that there are too few of, told at once. */
const MOST_BELOW = 500;

/** What parts are chosen by: loads by their family, others by their kind. */
const SORTS: readonly string[] = [
  ...LOAD_FAMILIES,
  ...PART_KINDS.filter((kind) => kind !== "load"),
];

/** Of these single parts come; a kit is opened, and its parts have prices of their own. */
const PRICED_SORTS = SORTS.filter((sort) => sort !== "kit");

/** What a part sends where, and what is in its box: nothing of it is in a row, and it is nine tenths of those that have it. */
const UNLISTED = ["photometry", "content"];

const kept = ({ value, revision }: typeof part.$inferSelect): KeptPartAnswer => ({
  value,
  revision,
});

/** A part as it is listed. */
const rowOf = ({ value }: KeptPartAnswer): PartRowAnswer => ({
  ...{ id: value.id, kind: value.kind, name: value.name, facts: factsOf(value) },
  ...{ note: value.note, price: value.price, stock: value.stock, least: value.least ?? 0 },
});

const ofKind = (kind: PartKind): SQL => sql`kind = ${kind}`;

function readKind(asked: Asked): PartKind | null {
  const said = readText(asked, "kind");
  const kind = PART_KINDS.find((one) => one === said) ?? null;
  if (said !== "" && !kind) throw notValid(`kind: "${said}" is none of ${PART_KINDS.join(", ")}`);
  return kind;
}

function readSorts(asked: Asked): string[] {
  const said = readText(asked, "sorts").split(",");
  const wrong = said.find((one) => !SORTS.includes(one));
  if (wrong !== undefined) throw notValid(`sorts: "${wrong}" is none of ${SORTS.join(", ")}`);
  return [...new Set(said)];
}

/** Lists of the shelf: each looks at few parts, however many there are. */
@Injectable()
export class ShelfService {
  private readonly lists: CatalogueLists<Part>;

  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(BoardService) private readonly board: BoardService,
    @Inject(JobSaves) private readonly saves: JobSaves,
  ) {
    this.lists = new CatalogueLists<Part>(db, part, "part", UNLISTED);
  }

  /** The first parts of every kind that have the words asked for. */
  async shelf(asked: Asked): Promise<ShelfAnswer> {
    const words = wordsOf(readText(asked, "q"));
    const [kinds, [any]] = await Promise.all([
      words.length === 0 ? this.everyKind() : this.kindsWith(words),
      this.db.select({ id: part.id }).from(part).limit(1),
    ]);
    return { kinds: kinds.filter(({ parts }) => parts.length > 0), any: any !== undefined };
  }

  private everyKind(): Promise<ShelfKindAnswer[]> {
    return Promise.all(
      PART_KINDS.map(async (kind) => {
        const { entries, next } = await this.lists.page(ANY, ofKind(kind), OF_EACH_KIND, null);
        const counted =
          next === ""
            ? { count: entries.length, uncounted: false }
            : await this.lists.count(ANY, ofKind(kind));
        return { kind, parts: entries.map(rowOf), ...counted };
      }),
    );
  }

  /** All that have the words are met once, whatever their kinds: most kinds have none of them. */
  private async kindsWith(words: readonly string[]): Promise<ShelfKindAnswer[]> {
    const wanted = everyWord(words);
    const { rows: found } = await askByIndex<{ kind: PartKind; count: number; ids: string[] }>(
      this.db,
      sql`
      select kind, count(*)::int as count,
        (array_agg(id order by order_name, id))[1:${sql.raw(String(OF_EACH_KIND))}] as ids
      from part
      where id in (
        select id from search_entry where kind = 'part' and stems @@ to_tsquery('simple', ${wanted})
        limit ${MOST_FOUND}
      )
      group by kind`,
    );
    const parts = await this.lists.some(found.flatMap(({ ids }) => ids));
    const byId = new Map(parts.map((one) => [one.value.id as string, one]));
    const all = found.reduce((sum, { count }) => sum + count, 0);
    return PART_KINDS.flatMap((kind) => {
      const told = found.find((one) => one.kind === kind);
      if (!told) return [];
      const rowsOf = told.ids.flatMap((id) => byId.get(id) ?? []).map(rowOf);
      return [{ kind, count: told.count, uncounted: all >= MOST_FOUND, parts: rowsOf }];
    });
  }

  /** Some parts by name, of one kind where one is asked for. */
  async page(asked: Asked): Promise<PartsPageAnswer> {
    const had = await this.lists.having(readText(asked, "q"));
    const kind = readKind(asked);
    const only = kind ? ofKind(kind) : sql`true`;
    const { entries, next } = await this.lists.page(
      had,
      only,
      readSize(asked),
      readCataloguePlace(asked),
    );
    return { parts: entries.map(rowOf), next };
  }

  /** What is offered where a part is chosen: of each sort what is there, then the rest. */
  async choices(asked: Asked): Promise<PartChoicesAnswer> {
    const sorts = readSorts(asked);
    const had = await this.lists.having(readText(asked, "q"));
    const found = await Promise.all(
      sorts.map(async (sort) => {
        const most = sort === "kit" ? MOST_KITS : MOST_CHOICES;
        const rows = await atHand(this.db, sort, had, most + 1);
        return { parts: rows.slice(0, most).map(kept), more: rows.length > most };
      }),
    );
    return {
      parts: found.flatMap(({ parts }) => parts),
      more: found.some(({ more }) => more),
    };
  }

  /** Parts that a sentence may mean. */
  async near(asked: Asked): Promise<readonly KeptPartAnswer[]> {
    return this.lists.near(readText(asked, "text", 2000));
  }

  /** Parts by the names that jobs need them by, and by their ids. */
  async named(names: readonly string[], ids: readonly string[] = []): Promise<KeptPartAnswer[]> {
    const wanted = [...new Set(names.map(shelfName))];
    const [byName, byId] = await Promise.all([
      wanted.length === 0
        ? []
        : this.db.select().from(part).where(inArray(part.orderName, wanted)).orderBy(part.id),
      ids.length === 0
        ? []
        : this.db
            .select()
            .from(part)
            .where(inArray(part.id, [...ids])),
    ]);
    return [...new Map([...byName, ...byId].map((row) => [row.id, kept(row)])).values()];
  }

  /** What is at hand of every sort, and what a job's options put in the place of others. */
  async forQuote(job: Pick<Job, "options">): Promise<readonly Part[]> {
    const [{ parts }, instead] = await Promise.all([
      this.choices({ sorts: PRICED_SORTS.join(",") }),
      this.named([], insteadOf(job)),
    ]);
    return [...new Map([...parts, ...instead].map(({ value }) => [value.id, value])).values()];
  }

  /** What open jobs take from the shelf, and what has to be ordered for them and for the shelf itself. */
  async needs(): Promise<NeedsAnswer> {
    const jobs = await this.board.open();
    const taken = takenOfShelf(jobs);
    const [wanted, below] = await Promise.all([
      this.named([...taken.keys()]),
      this.db
        .select()
        .from(part)
        .where(sql`below_least`)
        .orderBy(part.orderName, part.id)
        .limit(MOST_BELOW),
    ]);
    const shelf = new Map([...wanted, ...below.map(kept)].map(({ value }) => [value.id, value]));
    return {
      orders: orderList([...shelf.values()], jobs),
      taken: [...taken].map(([name, count]) => ({ name, count })),
    };
  }

  /** Jobs that hold a part. */
  jobsWith(id: string, asked: Asked): Promise<PartJobsPageAnswer> {
    return jobsWithPart(this.db, id, readText(asked, "lot"), asked, readSize(asked));
  }

  allJobsWith(id: string, asked: Asked): Promise<PartJobAnswer[]> {
    return allJobsWithPart(this.db, id, readText(asked, "lot"));
  }

  private async nameOf(id: string): Promise<string> {
    const [row] = await this.db.select().from(part).where(eq(part.id, id));
    if (!row) throw notFound("part", id);
    return row.value.name;
  }

  /** Jobs with work left that wait for a part by its name. */
  async waitingFor(id: string): Promise<WaitingJobAnswer[]> {
    const name = await this.nameOf(id);
    return (await this.board.open()).flatMap(({ id: jobId, title, waiting }) =>
      waiting
        .filter(({ kind, text }) => kind === "part" && isFor(text, name))
        .slice(0, 1)
        .map(({ text }) => ({ id: jobId, title, text })),
    );
  }

  /** Takes a part that has come in out of the way of jobs; answers how many waited for it. */
  async free(id: string, jobs: readonly string[], me: SignedIn): Promise<number> {
    const name = await this.nameOf(id);
    let freed = 0;
    for (const jobId of new Set(jobs)) {
      const edits = (job: Job) => freedBy(job, name);
      if (await this.saves.apply(jobId, edits, `${name} has come in`, me)) freed += 1;
    }
    return freed;
  }

  /** More of a part has come in: its stock grows by so much, whoever else changes it at that moment. */
  async arrived(id: string, count: number): Promise<KeptPartAnswer> {
    const [row] = await this.db
      .update(part)
      .set({
        value: sql`jsonb_set(value, '{stock}', to_jsonb(round(least((value->>'stock')::numeric + ${count}::numeric, ${MOST_STOCK}), 3)))`,
        revision: sql`${part.revision} + 1`,
      })
      .where(eq(part.id, id))
      .returning();
    if (!row) throw notFound("part", id);
    return kept(row);
  }
}
