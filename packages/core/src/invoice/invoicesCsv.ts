import { plainMoney } from "../money/index.ts";
import { printCsv } from "../format/csv.ts";
import type { Invoice } from "./invoice.ts";

/** Columns of a year's invoices, for whoever keeps the books. */
const COLUMNS = [
  ...["number", "issued", "due", "cancels", "buyer", "country", "tax_id", "what"],
  ...["currency", "net", "tax_percent", "tax", "gross"],
];

/** Invoices as a table, a row each; money with a point before its small coins. */
export const printInvoicesCsv = (invoices: readonly Invoice[]): string =>
  printCsv(
    COLUMNS,
    invoices.map(({ number, issued, due, cancels, buyer, title, currency, taxShare, total }) => ({
      ...{ number, issued, due, cancels, what: title, currency },
      ...{ buyer: buyer.name, country: buyer.country, tax_id: buyer.taxId },
      net: plainMoney(total.netMinor, currency),
      tax_percent: String(Math.round(1e4 * taxShare) / 100),
      tax: plainMoney(total.taxMinor, currency),
      gross: plainMoney(total.grossMinor, currency),
    })),
  );
