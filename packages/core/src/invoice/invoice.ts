import type { Job } from "../job/index.ts";
import { sumMinor, timesMinor } from "../money/index.ts";
import { DAY_MIN, printDay, readShopTime } from "../schedule/index.ts";
import { vehicleName } from "../vehicle/index.ts";
import { TASK_WORDS } from "../quote/plannedTime.ts";
import type { OfferChoice } from "../quote/offer.ts";
import { billedMin, workMinor, type Quote, type Totals } from "../quote/quoteOf.ts";

/** Who sells or buys, as an invoice names them. */
export interface Party {
  readonly name: string;
  readonly street: string;
  readonly postcode: string;
  readonly city: string;
  /** ISO 3166-1, two letters. */
  readonly country: string;
  /** Number for tax, with its country; "" for none. */
  readonly taxId: string;
  readonly email: string;
}

/** What a shop's invoices say of it, and how they are paid. */
export interface Billing extends Omit<Party, "name"> {
  /** ISO 13616; "" for none. */
  readonly iban: string;
  /** Days to pay in. */
  readonly dueDays: number;
  /** Why no tax is asked, where the shop's tariff has none; "" where it has. */
  readonly untaxed: string;
}

/** Pieces, metres, or minutes of work. */
export type InvoiceUnit = "" | "m" | "min";

/** One line of an invoice: sums in the smallest coin of its currency. */
export interface InvoiceLine {
  readonly name: string;
  readonly note: string;
  readonly count: number;
  readonly unit: InvoiceUnit;
  /** Price of one; of work, of an hour. In the currency's smallest unit, without tax. */
  readonly eachMinor: number;
  /** Price of the line, rounded by itself. */
  readonly netMinor: number;
}

/** What is asked for, before it has a number. */
export interface Bill {
  readonly title: string;
  readonly vehicle: string;
  readonly currency: string;
  readonly taxShare: number;
  readonly lines: readonly InvoiceLine[];
  readonly total: Totals;
}

/** An invoice as it was sent: never changed again. */
export interface Invoice extends Bill {
  readonly number: string;
  /** Days, ISO 8601. */
  readonly issued: string;
  readonly due: string;
  readonly seller: Party & Pick<Billing, "iban" | "untaxed">;
  readonly buyer: Party;
  /** Number of the invoice that this one takes back; "" for none. */
  readonly cancels: string;
}

/** The tax is rounded once, on the sum of the lines: EN 16931, BR-CO-14 and BR-S-09. */
function bill(
  job: Job,
  { currency, taxShare }: Pick<Quote, "currency" | "taxShare">,
  lines: readonly InvoiceLine[],
): Bill {
  const netMinor = sumMinor(
    lines.map((line) => line.netMinor),
    currency,
  );
  const taxMinor = timesMinor(netMinor, taxShare, currency);
  return {
    ...{ title: job.card.title, vehicle: vehicleName(job.vehicle), currency, taxShare, lines },
    total: { netMinor, taxMinor, grossMinor: netMinor + taxMinor },
  };
}

/** Of what a job takes in parts each its line; without those that have no price. */
const partLines = (quote: Quote): InvoiceLine[] =>
  quote.parts.flatMap(({ name, count, unit, eachMinor, netMinor }) =>
    eachMinor === null || netMinor === null
      ? []
      : [{ name, note: "", count, unit, eachMinor, netMinor }],
  );

function workLine(name: string, minutes: number, hourMinor: number, currency: string): InvoiceLine {
  return {
    ...{ name, note: "", count: billedMin(minutes), unit: "min", eachMinor: hourMinor },
    netMinor: workMinor(hourMinor, minutes, currency),
  };
}

/** A bill of a job as it stands: its parts, and its work as it was planned. */
export function billPlanned(job: Job, quote: Quote): Bill {
  const { hourMinor } = job.practices.tariff;
  const work = quote.work.map(({ task, minutes }) =>
    workLine(TASK_WORDS[task], minutes.mid, hourMinor, quote.currency),
  );
  return bill(job, quote, [...partLines(quote), ...work.filter(({ count }) => count > 0)]);
}

/** A bill of a job as it stands: its parts, and the time that was written down at the lift. */
export function billTaken(job: Job, quote: Quote): Bill {
  const { hourMinor } = job.practices.tariff;
  const tasks = [...new Set(job.worked.map(({ task }) => task))];
  const work = tasks.map((task) => {
    const minutes = job.worked.reduce((sum, w) => (w.task === task ? sum + w.minutes : sum), 0);
    return workLine(TASK_WORDS[task], minutes, hourMinor, quote.currency);
  });
  return bill(job, quote, [...partLines(quote), ...work]);
}

/** A bill of what a customer accepted: one line at the price that was agreed, what is in it beside it. */
export function billAccepted(
  job: Job,
  choice: OfferChoice,
  agreed: { readonly currency: string; readonly taxShare: number; readonly on: string },
): Bill {
  const { netMinor } = choice.total;
  const what = choice.parts.map(
    ({ name, count, unit }) =>
      `${Math.round(100 * count) / 100}${unit === "" ? " ×" : ` ${unit} of`} ${name}`,
  );
  const line: InvoiceLine = {
    name: `Parts and work as agreed on ${agreed.on}: ${choice.name}`,
    note: what.join("; "),
    ...{ count: 1, unit: "", eachMinor: netMinor, netMinor },
  };
  // The tax that was agreed, though the shop's may be another by now.
  return { ...bill(job, agreed, [line]), total: choice.total };
}

/** Why a job cannot be billed line by line; none where it can. */
export function notBillable(quote: Quote): string[] {
  return [
    ...(quote.hourKnown ? [] : ["what an hour costs is not said in Settings"]),
    ...quote.unpriced.map((name) => `${name} has no price on the shelf`),
  ];
}

/** The invoice that takes another one back: the same lines the other way round. */
export function cancelling(of: Invoice, number: string, issued: string): Invoice {
  const { netMinor, taxMinor, grossMinor } = of.total;
  const minus = (x: number): number => (x === 0 ? 0 : -x);
  return {
    ...of,
    ...{ number, issued, due: issued, cancels: of.number },
    lines: of.lines.map((line) => ({
      ...line,
      ...{ count: minus(line.count), netMinor: minus(line.netMinor) },
    })),
    total: {
      netMinor: minus(netMinor),
      taxMinor: minus(taxMinor),
      grossMinor: minus(grossMinor),
    },
  };
}

/** Shop's invoices by year, without a gap: "2026-0007". */
export const invoiceNumber = (year: number, nth: number): string =>
  `${year}-${String(nth).padStart(4, "0")}`;

/** A day so many after another, both ISO 8601. */
export function dayAfter(day: string, days: number): string {
  const at = readShopTime(day);
  if (at === null) throw new RangeError(`invalid day: "${day}" (such as 2026-12-02)`);
  return printDay(at + days * DAY_MIN);
}
