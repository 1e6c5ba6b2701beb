import { Inject, Injectable } from "@nestjs/common";
import { and, asc, desc, eq, sql } from "drizzle-orm";
import { cancelling, dayAfter, invoiceNumber, type Invoice, itemAt } from "@dragonet/core";
import type {
  BillingRequest,
  JobInvoicesAnswer,
  KeptInvoiceAnswer,
  NewInvoiceRequest,
} from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { shopDay } from "../calendar/shopDay.ts";
import { DATABASE, type Database, type Transaction } from "../database/database.ts";
import { invoice, offer, shop } from "../database/schema.ts";
import { conflict, notFound, notValid } from "../http/refusal.ts";
import { BoardService } from "../jobs/board.service.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import type { SignedIn } from "../people/access.ts";
import { ShelfService } from "../shelf/shelf.service.ts";
import type { BilledFrom } from "../work/tasks.ts";
import { WorkPool } from "../work/pool.ts";

type Row = typeof invoice.$inferSelect;

const numberOf = ({ year, nth }: Row): string => invoiceNumber(year, nth);

function view(row: Row, cancelledBy: string): KeptInvoiceAnswer {
  const { id, jobId, revision, by, at, value } = row;
  return { id, jobId, revision, by, at: at.toISOString(), cancelledBy, invoice: value };
}

/** Invoices: numbered without a gap, never changed; what is wrong is taken back by another one. */
@Injectable()
export class InvoicesService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(BoardService) private readonly board: BoardService,
    @Inject(ShelfService) private readonly shelf: ShelfService,
    @Inject(WorkPool) private readonly pool: WorkPool,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  async setBilling(billing: BillingRequest, me: SignedIn): Promise<void> {
    await this.db.update(shop).set({ billing: { ...billing } });
    await this.audit.note(me.name, "changed settings", "invoices");
  }

  async billing(): Promise<BillingRequest | null> {
    const [row] = await this.db.select({ billing: shop.billing }).from(shop);
    return row?.billing ?? null;
  }

  /** A job's invoices, the latest first, and what the next one begins with. */
  async list(jobId: string): Promise<JobInvoicesAnswer> {
    const { document } = await this.jobs.read(jobId);
    const [rows, [before], billing] = await Promise.all([
      this.db.select().from(invoice).where(eq(invoice.jobId, jobId)).orderBy(desc(invoice.at)),
      this.db
        .select({ value: invoice.value })
        .from(invoice)
        .where(sql`value->'buyer'->>'name' = ${document.card.customer}`)
        .orderBy(desc(invoice.at))
        .limit(1),
      this.billing(),
    ]);
    return {
      invoices: rows.map((row) => {
        const other = rows.find(({ cancels }) => cancels === row.id);
        return view(row, other ? numberOf(other) : "");
      }),
      buyer: before?.value.buyer ?? null,
      billing,
    };
  }

  /** Makes an invoice of a job as it is saved now. */
  async make(
    jobId: string,
    { by, buyer }: NewInvoiceRequest,
    me: SignedIn,
  ): Promise<KeptInvoiceAnswer> {
    const { document, revision } = await this.jobs.read(jobId);
    const [own] = await this.db.select({ name: shop.name, billing: shop.billing }).from(shop);
    if (!own?.billing) {
      throw notValid(
        "say in Settings first what your invoices say of the shop: its address, its tax number",
      );
    }
    const { iban, untaxed, dueDays, ...address } = own.billing;
    const atHand = await this.shelf.forQuote(document);
    const from: BilledFrom = by === "accepted" ? await this.agreed(jobId) : { kind: by };
    const asked = { kind: "bill" as const, document, records: await this.board.times(), from };
    const first = await this.pool.run<"bill">({ ...asked, shelf: atHand });
    const priced = (await this.shelf.named(first.unpriced)).map(({ value }) => value);
    const { bill, missing } =
      priced.length === 0
        ? first
        : await this.pool.run<"bill">({ ...asked, shelf: [...atHand, ...priced] });
    if (missing.length > 0) {
      throw notValid(
        "this cannot be billed line by line yet",
        missing.map((message) => ({ path: "by", message })),
      );
    }
    const { taxShare } = bill;
    // EN 16931, BR-S-02 and BR-E-02: with tax and without it.
    if (address.taxId === "") {
      throw notValid("an invoice names the shop's tax number: say it in Settings");
    }
    if (taxShare === 0 && untaxed === "") {
      throw notValid("an invoice without tax says why: write the reason in Settings");
    }
    const issued = await shopDay(this.db);
    const row = await this.db.transaction((tx) =>
      this.number(tx, issued, { jobId, revision, by: me.name, cancels: null }, (number) => ({
        ...bill,
        ...{ number, issued, due: dayAfter(issued, dueDays), cancels: "" },
        seller: { ...address, name: own.name, iban, untaxed: taxShare > 0 ? "" : untaxed },
        buyer: { ...buyer },
      })),
    );
    await this.audit.note(me.name, "made an invoice", `${numberOf(row)} ${bill.title}`);
    return view(row, "");
  }

  /** Takes an invoice back by another one. */
  async cancel(jobId: string, id: string, me: SignedIn): Promise<KeptInvoiceAnswer> {
    const issued = await shopDay(this.db);
    const row = await this.db.transaction(async (tx) => {
      const [of] = await tx
        .select()
        .from(invoice)
        .where(and(eq(invoice.id, id), eq(invoice.jobId, jobId)))
        .for("update");
      if (!of) throw notFound("invoice", id);
      if (of.cancels) throw conflict("this one takes another back: make a new invoice instead");
      const [there] = await tx.select().from(invoice).where(eq(invoice.cancels, id));
      if (there) throw conflict(`${numberOf(there)} has taken it back already`);
      const { revision } = of;
      return this.number(tx, issued, { jobId, revision, by: me.name, cancels: id }, (number) =>
        cancelling(of.value, number, issued),
      );
    });
    await this.audit.note(me.name, "took back an invoice", row.value.cancels);
    return view(row, "");
  }

  async read(jobId: string, id: string): Promise<Invoice> {
    const [row] = await this.db
      .select({ value: invoice.value })
      .from(invoice)
      .where(and(eq(invoice.id, id), eq(invoice.jobId, jobId)));
    if (!row) throw notFound("invoice", id);
    return row.value;
  }

  /** Every invoice of a year in the order of their numbers, for whoever keeps the books. */
  async ofYear(year: number): Promise<Invoice[]> {
    const rows = await this.db
      .select({ value: invoice.value })
      .from(invoice)
      .where(eq(invoice.year, year))
      .orderBy(asc(invoice.nth));
    return rows.map(({ value }) => value);
  }

  /** What the customer accepted last. */
  private async agreed(jobId: string): Promise<BilledFrom> {
    const [row] = await this.db
      .select()
      .from(offer)
      .where(and(eq(offer.jobId, jobId), sql`accepted_at is not null`))
      .orderBy(desc(offer.acceptedAt))
      .limit(1);
    const choice = row?.value.choices.find(({ id }) => id === row.choice);
    if (!row?.acceptedAt || !choice) {
      throw notValid("nothing was accepted yet", [
        { path: "by", message: "must be planned or taken: no offer of this job was accepted" },
      ]);
    }
    const { currency, taxShare } = row.value;
    const on = row.acceptedAt.toISOString().slice(0, 10);
    return { kind: "accepted", choice, currency, taxShare, on };
  }

  /** Keeps an invoice under the next number of its year: who comes at the same moment waits. */
  private async number(
    tx: Transaction,
    issued: string,
    about: Pick<Row, "jobId" | "revision" | "by" | "cancels">,
    make: (number: string) => Invoice,
  ): Promise<Row> {
    const year = Number(issued.slice(0, 4));
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext('invoice'), ${year})`);
    const [last] = await tx
      .select({ nth: invoice.nth })
      .from(invoice)
      .where(eq(invoice.year, year))
      .orderBy(desc(invoice.nth))
      .limit(1);
    const nth = (last?.nth ?? 0) + 1;
    const value = make(invoiceNumber(year, nth));
    const rows = await tx
      .insert(invoice)
      .values({ ...about, year, nth, value })
      .returning();
    return itemAt(rows, 0);
  }
}
