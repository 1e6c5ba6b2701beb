/** What is asked for, line by line: sums by hand beside each. */
import {
  billAccepted,
  billPlanned,
  billTaken,
  cancelling,
  checkedCircuit,
  dayAfter,
  invoiceNumber,
  notBillable,
  plainMoney,
  printInvoicesCsv,
  quoteOf,
  readCsv,
  type Invoice,
  type Job,
  type Quote,
} from "../src/index.ts";
import { DEMO_SHELF } from "../src/demo/index.ts";
import { allOf } from "../src/index.ts";
import { jobWith } from "./helpers.ts";

const TARIFF = {
  currency: "EUR",
  hourMinor: 6600,
  taxShare: 0.19,
  markupShare: 0,
  validDays: 30,
  warrantyMonths: 0,
};
const job = (tariff: Partial<typeof TARIFF> = {}, fields: Partial<Job> = {}): Job => {
  const made = jobWith("pod-18", 2, allOf("key"));
  return { ...made, ...fields, practices: { ...made.practices, tariff: { ...TARIFF, ...tariff } } };
};
const quoteFor = (of: Job): Quote => quoteOf(of, checkedCircuit(of).circuit, DEMO_SHELF);

const PARTY = {
  street: "Lane 1",
  postcode: "100",
  city: "Tarn",
  country: "DE",
  taxId: "",
  email: "",
};
const invoiceOf = (of: ReturnType<typeof billPlanned>): Invoice => ({
  ...of,
  ...{ number: "2026-0001", issued: "2026-11-27", due: "2026-12-11", cancels: "" },
  seller: { ...PARTY, name: "Shop", iban: "", untaxed: "" },
  buyer: { ...PARTY, name: "Farm, Ltd" },
});

describe("a bill", () => {
  it("has each part once, work by its minutes, and tax once on the sum", () => {
    const one = job();
    const bill = billPlanned(one, quoteFor(one));
    const pods = bill.lines.find(({ name }) => name.includes("flood pod"));
    // Two at 19.00.
    expect(pods).toMatchObject({ count: 2, unit: "", eachMinor: 1900, netMinor: 3800 });
    for (const line of bill.lines.filter(({ unit }) => unit === "min")) {
      // 66.00 an hour is 1.10 a minute.
      expect(line.eachMinor).toBe(6600);
      expect(line.netMinor).toBe(110 * line.count);
    }
    const net = bill.lines.reduce((sum, { netMinor }) => sum + netMinor, 0);
    expect(bill.total.netMinor).toBe(net);
    expect(bill.total.taxMinor).toBe(Math.round(0.19 * net));
    expect(bill.total.grossMinor).toBe(net + bill.total.taxMinor);
    expect(bill.total).toEqual(quoteFor(one).total);
  });

  it("has the time that was written down where it goes by that", () => {
    const worked = [
      { id: "a", task: "wire" as const, minutes: 50, by: "Pim", at: "2026-11-27T10:00:00Z" },
      { id: "b", task: "wire" as const, minutes: 25.5, by: "Pim", at: "2026-11-27T12:00:00Z" },
      { id: "c", task: "aim" as const, minutes: 20, by: "Pim", at: "2026-11-27T18:00:00Z" },
    ];
    const one = job({}, { worked });
    const work = billTaken(one, quoteFor(one)).lines.filter(({ unit }) => unit === "min");
    // 75.5 min are 76 whole ones; 76 and 20 min at 1.10: 83.60 and 22.00.
    expect(work.map(({ count, netMinor }) => [count, netMinor])).toEqual([
      [76, 8360],
      [20, 2200],
    ]);
  });

  it("is what was agreed where a customer accepted, to the cent, at the tax of then", () => {
    const choice = {
      ...{ id: "b", name: "Without the horn", lowMinor: 0, highMinor: 0, means: [] },
      total: { netMinor: 10_001, taxMinor: 1900, grossMinor: 11_901 },
      parts: [
        { name: "pod", count: 2, unit: "" },
        { name: "wire 18 AWG", count: 4.456, unit: "m" },
      ],
    };
    const bill = billAccepted(job({ taxShare: 0.07 }), choice, {
      ...{ currency: "EUR", taxShare: 0.19, on: "2026-11-20" },
    });
    expect(bill.total).toEqual(choice.total);
    expect(bill.taxShare).toBe(0.19);
    expect(bill.lines).toEqual([
      {
        name: "Parts and work as agreed on 2026-11-20: Without the horn",
        note: "2 × pod; 4.46 m of wire 18 AWG",
        ...{ count: 1, unit: "", eachMinor: 10_001, netMinor: 10_001 },
      },
    ]);
  });

  it("is not made of what has no price, and says what that is", () => {
    const one = job({ hourMinor: 0 });
    const bare = quoteOf(one, checkedCircuit(one).circuit, []);
    const missing = notBillable(bare);
    expect(missing[0]).toMatch(/hour/);
    expect(missing).toContain("wire 18 AWG has no price on the shelf");
    expect(notBillable(quoteFor(job()))).toEqual([]);
  });
});

describe("an invoice that takes another back", () => {
  it("comes with it to nothing, line by line", () => {
    const one = job();
    const first = invoiceOf(billPlanned(one, quoteFor(one)));
    const back = cancelling(first, "2026-0002", "2026-12-01");
    expect(back).toMatchObject({ number: "2026-0002", cancels: "2026-0001", due: "2026-12-01" });
    back.lines.forEach((line, i) => {
      expect(line.netMinor + first.lines[i]!.netMinor).toBe(0);
      expect(line.count + first.lines[i]!.count).toBe(0);
      // No price is below nothing: EN 16931, BR-27.
      expect(line.eachMinor).toBeGreaterThanOrEqual(0);
    });
    expect(back.total.grossMinor + first.total.grossMinor).toBe(0);
  });
});

describe("the books", () => {
  it("have numbers of a year, and days by the calendar", () => {
    expect(invoiceNumber(2026, 7)).toBe("2026-0007");
    expect(invoiceNumber(2026, 12_345)).toBe("2026-12345");
    expect(dayAfter("2028-02-20", 14)).toBe("2028-03-05");
    expect(dayAfter("2026-12-31", 1)).toBe("2027-01-01");
  });

  it("have money as other programs read it, by the small coins of each currency", () => {
    expect(plainMoney(123_456, "EUR")).toBe("1234.56");
    expect(plainMoney(-5, "EUR")).toBe("-0.05");
    expect(plainMoney(1234, "JPY")).toBe("1234");
    expect(plainMoney(1234, "KWD")).toBe("1.234");
  });

  it("are a table that reads back", () => {
    const one = job();
    const first = invoiceOf(billPlanned(one, quoteFor(one)));
    const text = printInvoicesCsv([first, cancelling(first, "2026-0002", "2026-12-01")]);
    const read = readCsv(text, ["number", "buyer", "net", "gross", "cancels"]);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const [a, b] = read.value;
    expect(a).toMatchObject({
      number: "2026-0001",
      buyer: "Farm, Ltd",
      cancels: "",
      tax_percent: "19",
    });
    expect(Number(a!.gross) + Number(b!.gross)).toBe(0);
    expect(b!.cancels).toBe("2026-0001");
  });
});
