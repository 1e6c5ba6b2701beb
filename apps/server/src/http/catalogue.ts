import { asc, eq, inArray, sql } from "drizzle-orm";
import type { part, vehicleProfile } from "../database/schema.ts";
import type { Database, Transaction } from "../database/database.ts";
import type { Checked, ImportedAnswer } from "@dragonet/contract";
import { SHAPE_VERSION, type CsvResult, itemAt } from "@dragonet/core";
import { conflict, notFound, notValid, superseded } from "./refusal.ts";

export interface Versioned<T> {
  readonly value: T;
  readonly revision: number;
}

interface CatalogueKind<T> {
  readonly table: typeof part | typeof vehicleProfile;
  readonly what: string;
  readonly idOf: (value: T) => string;
  readonly check: (plain: unknown) => Checked<T>;
  readonly readCsv: (text: string) => CsvResult<readonly T[]>;
}

/**
 * A list of things the shop keeps (parts, vehicle profiles): each a checked document with
 * a revision, so that two people who change the same one are told.
 */
export class Catalogue<T extends object> {
  constructor(
    private readonly db: Database,
    private readonly kind: CatalogueKind<T>,
  ) {}

  async list(): Promise<Versioned<T>[]> {
    const { table } = this.kind;
    const rows = await this.db.select().from(table).orderBy(asc(table.id));
    return rows.map((r) => ({ value: r.value as unknown as T, revision: r.revision }));
  }

  async read(id: string): Promise<Versioned<T>> {
    const { table, what } = this.kind;
    const [row] = await this.db.select().from(table).where(eq(table.id, id));
    if (!row) throw notFound(what, id);
    return { value: row.value as unknown as T, revision: row.revision };
  }

  /**
   * Keeps a new or changed entry. `revision` is the one it was changed on, 0 for a new one. `beside` is stored
   * with it, or not at all.
   */
  async keep(
    id: string,
    plain: unknown,
    revision: number,
    beside: (tx: Transaction) => Promise<void> = () => Promise.resolve(),
  ): Promise<Versioned<T>> {
    const { table, what, idOf, check } = this.kind;
    const checked = check(plain);
    if (!checked.ok) {
      const { path, message } = itemAt(checked.faults, 0);
      throw notValid(`${path}: ${message}; nothing was stored`, checked.faults);
    }
    if (idOf(checked.value) !== id) throw notValid(`the ${what}'s id is not "${id}"`);
    return this.db.transaction(async (tx) => {
      const [row] = await tx.select().from(table).where(eq(table.id, id)).for("update");
      if (row && row.shape > SHAPE_VERSION) throw superseded();
      if (row && row.revision !== revision) {
        throw conflict(`this ${what} was changed meanwhile; here it is as it stands now`, {
          current: { value: row.value, revision: row.revision },
        });
      }
      const next = { id, value: checked.value as never, revision: (row?.revision ?? 0) + 1 };
      await tx
        .insert(table)
        .values(next)
        .onConflictDoUpdate({
          target: table.id,
          set: { value: next.value, revision: next.revision, shape: SHAPE_VERSION },
        });
      await beside(tx);
      return { value: checked.value, revision: next.revision };
    });
  }

  async remove(id: string): Promise<void> {
    const { table, what } = this.kind;
    const gone = await this.db.delete(table).where(eq(table.id, id)).returning({ id: table.id });
    if (gone.length === 0) throw notFound(what, id);
  }

  /** Takes a CSV in: all of it, or nothing with every fault and its line. */
  async importCsv(text: string): Promise<ImportedAnswer> {
    const { table, idOf, check, readCsv } = this.kind;
    const read = readCsv(text);
    if (!read.ok) {
      throw notValid(
        "this file cannot be read; nothing was stored",
        read.faults.map((f) => ({
          path: `line ${f.line}${f.column === "" ? "" : `, ${f.column}`}`,
          message: f.message,
        })),
      );
    }
    const faults = read.value.flatMap((value) => {
      const checked = check(value);
      return checked.ok
        ? []
        : checked.faults.map((f) => ({ path: `${idOf(value)}: ${f.path}`, message: f.message }));
    });
    if (faults.length > 0) throw notValid("this file cannot be read; nothing was stored", faults);
    if (read.value.length === 0) return { added: 0, changed: 0 };
    return this.db.transaction(async (tx) => {
      const ids = read.value.map(idOf);
      const known = await tx.select({ id: table.id }).from(table).where(inArray(table.id, ids));
      await tx
        .insert(table)
        .values(
          read.value.map((value) => ({ id: idOf(value), value: value as never, revision: 1 })),
        )
        .onConflictDoUpdate({
          target: table.id,
          set: {
            value: sql`excluded.value`,
            shape: SHAPE_VERSION,
            revision: sql`${table.revision} + 1`,
          },
        });
      return { added: ids.length - known.length, changed: known.length };
    });
  }
}
