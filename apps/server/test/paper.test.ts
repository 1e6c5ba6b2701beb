/** Every paper, as the built server sets it, read by another library. */
import {
  AIM_CHECKS,
  CALENDAR_FORMAT,
  DAY_MIN,
  LAST_WORD,
  checkedCircuit,
  moneyText,
  cutListOf,
  decimal,
  lengthText,
  offerOf,
  openGates,
  ownerSheet,
  signedFor,
  synthesise,
  tapeText,
  testReport,
  wallMarks,
  workedQuote,
  type CalendarFile,
  type Invoice,
  type Job,
  type UnitSystem,
} from "@dragonet/core";
import { DEMO_SHELF } from "@dragonet/core/demo";
import type { Task } from "../src/work/tasks.ts";
import { allText, expectAll, jobThat, options, pagesText } from "./paperWords.ts";
import { readWords, type Box, type Page } from "./readWords.ts";

const signed = jobThat((job) => signedFor(job, "") !== null);
const unsigned = jobThat((job) => signedFor(job, "") === null && job.bonds.length > 0);

const offer = offerOf(signed, workedQuote(signed, DEMO_SHELF), {
  ...{ shop: "The shop", today: new Date("2026-03-01T12:00:00Z") },
});

const party = { street: "Beck Lane 3", postcode: "12345", city: "Tarn", country: "DE" };
const invoice: Invoice = {
  ...{ title: "Two pods", vehicle: "A quad", currency: "EUR", taxShare: 0.19 },
  lines: [
    { name: "Pod", note: "in front", count: 2, unit: "", eachMinor: 4999, netMinor: 9998 },
    { name: "Wire", note: "", count: 3.5, unit: "m", eachMinor: 120, netMinor: 420 },
    { name: "Fitting", note: "", count: 90, unit: "min", eachMinor: 6000, netMinor: 9000 },
  ],
  total: { netMinor: 19_418, taxMinor: 3689, grossMinor: 23_107 },
  ...{ number: "2026-0007", issued: "2026-03-01", due: "2026-03-15", cancels: "" },
  seller: {
    ...{ ...party, name: "The shop", taxId: "DE123456789", email: "shop@example.org" },
    ...{ iban: "DE89 3704 0044 0532 0130 00", untaxed: "" },
  },
  buyer: { ...party, name: "Scar Top Farm", city: "Fell", taxId: "", email: "" },
};
const cancelled: Invoice = {
  ...{ ...invoice, number: "2026-0008", cancels: "2026-0007", taxShare: 0 },
  seller: { ...invoice.seller, untaxed: "small trader", iban: "", taxId: "", email: "" },
  buyer: { ...invoice.buyer, taxId: "DE999" },
};

const open = Array.from({ length: 7 }, (_, i) =>
  i < 5 ? { open: 480, close: 1020 } : { open: 0, close: 0 },
);
const calendar = (fitMin: number, benches: number): CalendarFile => ({
  ...{ format: CALENDAR_FORMAT, now: "2026-11-30T08:00", people: ["Pim", "Ansa"] },
  calendar: {
    ...{ zone: "UTC", latitude: 54, longitude: -2, week: open, closed: [], latest: DAY_MIN - 120 },
    benches: Array.from({ length: benches }, (_, i) => `Bench ${i + 1}`),
  },
  jobs: ["Bar", "Pods", "Horn"].map((title, i) => ({
    ...{ id: title, title, promised: i === 0 ? "2026-12-02" : "", bench: "", notBefore: "" },
    ...{ provided: [], pin: null },
    work: { fitMin: fitMin + i, cureH: 0, closeMin: 0, aimMin: 0, handOverMin: 0 },
  })),
});

const aimed = jobThat((job) => job.aims.some((aim) => aim.errors.length > 0));
const cut = jobThat((job) => job.runs.length > 2 && job.runs.length < 6);
const bare: Job = { ...cut, runs: [], lamps: [], mounts: [] };

const TASKS = {
  owner: { kind: "ownerSheet", document: signed, options: options("metric") },
  ownerOpen: { kind: "ownerSheet", document: unsigned, options: options("us") },
  wall: { kind: "wallSheet", document: aimed, options: options("metric") },
  wallUs: { kind: "wallSheet", document: aimed, options: options("us") },
  wallBare: { kind: "wallSheet", document: bare, options: options("metric") },
  labels: { kind: "labels", list: cutListOf(cut, synthesise(cut)), title: "Some job" },
  noLabels: {
    kind: "labels",
    list: { ...cutListOf(cut, synthesise(cut)), lines: [] },
    title: "None",
  },
  quote: { kind: "quoteSheet", offer },
  noWork: { kind: "quoteSheet", offer: { ...offer, work: [], choices: [] } },
  invoice: { kind: "invoiceSheet", invoice },
  cancelled: { kind: "invoiceSheet", invoice: cancelled },
  week: { kind: "weekSheet", file: calendar(120, 1), shop: "The shop" },
  weekWide: { kind: "weekSheet", file: calendar(900, 7), shop: "The shop" },
} satisfies Record<string, Task>;

describe("on paper", () => {
  let read: Record<keyof typeof TASKS, Page[]>;
  beforeAll(() => {
    const names = Object.keys(TASKS) as (keyof typeof TASKS)[];
    const all = readWords(names.map((name) => TASKS[name]));
    read = Object.fromEntries(names.map((name, i) => [name, all[i]])) as typeof read;
  });

  it("nothing is off the page, and each has some words", () => {
    for (const [name, pages] of Object.entries(read)) {
      for (const page of pages) {
        expect([name, page.words.length > 0]).toEqual([name, true]);
        const off = page.words.filter(
          ({ box }) =>
            box[0] < 10 || box[1] < 5 || box[2] > page.width - 10 || box[3] > page.height,
        );
        expect([name, off.map(({ str }) => str)]).toEqual([name, []]);
      }
    }
  });

  describe("the owner's sheet", () => {
    const sheetOf = (job: Job, units: UnitSystem) => {
      const { circuit, findings } = checkedCircuit(job);
      return ownerSheet(job, { circuit, gates: openGates(job, findings, testReport(job)) }, units);
    };

    it("says all that the sheet holds, under its headings", () => {
      for (const [pages, job, units] of [
        [read.owner, signed, "metric"],
        [read.ownerOpen, unsigned, "us"],
      ] as const) {
        const sheet = sheetOf(job, units);
        expectAll(pages, [
          ...[sheet.title, sheet.vehicle, sheet.customer, "The shop", LAST_WORD],
          ...sheet.added.map((a) => `${a.name}: ${a.lamps}. On with ${a.when}.`),
          ...sheet.fuses.map(
            (f) => `${decimal(f.ratingA)} A${f.resets ? " breaker" : ""} ${f.protects}: ${f.where}`,
          ),
          ...[sheet.battery, sheet.road, sheet.check, sheet.proved, sheet.warranty].flat(),
          ...sheet.without.map((s) => `${s.of}: ${s.reason} (${s.name}, ${s.at.slice(0, 10)})`),
        ]);
        const headings = [
          ["What was added, and what turns it on", sheet.added],
          ["Which fuse is where", sheet.fuses],
          ["On the road", sheet.road],
          ["What to look after", sheet.check],
          ["What was proved", sheet.proved],
          ["Handed over without", sheet.without],
          ["Warranty", sheet.warranty],
        ] as const;
        const text = allText(pages);
        for (const [title, lines] of headings) {
          expect([title, text.includes(title)]).toEqual([title, lines.length > 0]);
        }
        pagesText(pages);
      }
    });

    it("says who handed it over and when, or that nobody has", () => {
      const { name, at } = signedFor(signed, "")!;
      expect(allText(read.owner)).toContain(`Handed over on ${at.slice(0, 10)} by ${name}.`);
      expect(allText(read.owner)).not.toContain("Not handed over yet");
      expect(allText(read.ownerOpen)).toContain("Not handed over yet.");
    });
  });

  describe("the sheet for the wall", () => {
    it("has each lamp with its mark, its bounds and what was found last, in both units", () => {
      const { distanceM, frontSagMm, rearSagMm } = aimed.aiming;
      for (const [pages, units] of [
        [read.wall, "metric"],
        [read.wallUs, "us"],
      ] as const) {
        const tape = (m: number): string => tapeText(m, units);
        const marks = wallMarks(aimed);
        expect(marks.length).toBeGreaterThan(0);
        expectAll(pages, [
          `Wall marks: ${aimed.card.title}`,
          `Wall at ${lengthText(distanceM, units)} from the lamps`,
          `it stands ${tape(frontSagMm / 1000)} lower in front and ${tape(rearSagMm / 1000)} lower behind.`,
          ...marks.flatMap((m) => [m.lamp.label, m.rule.source]),
          ...marks.map((m) =>
            m.groundM === null
              ? `${tape(m.markUpM)} up,`
              : `meets the ground after ${lengthText(m.groundM, units)}`,
          ),
          ...marks.flatMap((m) => {
            const last = m.aim.errors.at(-1);
            if (!last) return [];
            return [
              `${tape(Math.abs(last.upMm) / 1000)} ${last.upMm < 0 ? "low" : "high"}, ${tape(Math.abs(last.rightMm) / 1000)} ${last.rightMm < 0 ? "left" : "right"}:`,
            ];
          }),
        ]);
        const sides = marks.filter((m) => Math.abs(m.markRightM) > 0.001 && m.groundM === null);
        expectAll(
          pages,
          sides.map(
            (m) =>
              `${tape(Math.abs(m.markRightM))} ${m.markRightM < 0 ? "left" : "right"} of the middle`,
          ),
        );
        expect(pages[0]!.width).toBeGreaterThan(pages[0]!.height);
        pagesText(pages);
      }
      // Each thing that is looked at before has who signed for it, or room to sign.
      expectAll(
        read.wall,
        Object.entries(AIM_CHECKS).map(([id, words]) => {
          const by = aimed.checks.find((check) => check.id === id)?.by;
          return `${words}: ${by ?? "____________________"}`;
        }),
      );
    });

    it("says so where no lamp has a place", () => {
      expect(allText(read.wallBare)).toContain("No lamp that throws light has a place yet.");
      expect(allText(read.wallBare)).not.toContain("What undoes it");
    });
  });

  it("labels are two for every wire, each with its end; none is told as none", () => {
    const { lines } = TASKS.labels.list;
    expect(lines.length).toBeGreaterThan(8);
    for (const line of lines) {
      const own = read.labels
        .flatMap((p) => p.words)
        .filter(({ str }) => str.trim() === line.label);
      expect([line.label, own.length]).toEqual([line.label, 2]);
      expectAll(read.labels, [
        ...[line.from.at, line.to.at],
        `${line.gaugeId}, ${line.colour}, ${decimal(line.cutM * 1000, 0)} mm`,
      ]);
    }
    expectAll(read.labels, ["Some job: flags for both ends (simulated label printer)"]);
    // Four in a row.
    const { words } = read.labels[0]!;
    const tops = words.filter(({ str }) => lines.some((l) => l.label === str.trim()));
    const row = tops.filter(({ box }) => Math.abs(box[1] - tops[0]!.box[1]) < 1);
    expect(row).toHaveLength(4);
    expect(allText(read.noLabels)).toContain("No wire is cut on this job yet.");
  });

  it("a quote says what is done and what each way costs, with its bounds and its day", () => {
    const money = (minor: number): string => moneyText(minor, offer.currency);
    expect(offer.choices.length).toBeGreaterThan(0);
    expectAll(read.quote, [
      ...["The shop", `Quote: ${offer.title}`, offer.vehicle, offer.customer, ...offer.work],
      ...offer.choices.flatMap((c, i) => [
        `${"ABCDEF"[i]} ${c.name}`,
        ...(c.means.length > 0 ? [`${c.means.join("; ")}.`] : []),
        `Parts and work ${money(c.total.netMinor)}`,
        `Tax, ${decimal(100 * offer.taxShare)} % ${money(c.total.taxMinor)}`,
        `Total ${money(c.total.grossMinor)}`,
        `between ${money(c.lowMinor)} and ${money(c.highMinor)}.`,
      ]),
      `This offer holds until ${offer.validUntil}.`,
    ]);
    pagesText(read.quote);
    expect(allText(read.noWork)).toContain("Nothing is planned yet.");
    expect(allText(read.noWork)).not.toContain("Total");
  });

  it("an invoice has both parties, each line, its sums and where to pay; a cancellation says what it takes back", () => {
    expectAll(read.invoice, [
      "The shop · Beck Lane 3 · 12345 Tarn · DE",
      ...["Scar Top Farm", "12345 Fell", "Invoice 2026-0007", "Two pods · A quad"],
      "Issued 2026-03-01, done by then.",
      "Pod in front 2 49.99 EUR 99.98 EUR",
      ...["Wire 3.5 m 1.20 EUR 4.20 EUR", "Fitting 90 min 60.00 EUR an hour 90.00 EUR"],
      ...["Without tax 194.18 EUR", "Tax, 19 % 36.89 EUR", "To pay 231.07 EUR"],
      "To be paid by 2026-03-15 to DE89 3704 0044 0532 0130 00, saying 2026-0007.",
      "shop@example.org · tax number DE123456789",
    ]);
    expect(allText(read.invoice)).not.toContain("Tax number:");
    expect(allText(read.invoice)).not.toContain("takes back");
    pagesText(read.invoice);
    expectAll(read.cancelled, [
      ...["Cancellation 2026-0008", "It takes back invoice 2026-0007 whole."],
      ...["Tax number: DE999", "No tax: small trader"],
    ]);
    expect(allText(read.cancelled)).not.toContain("To be paid by");
    expect(allText(read.cancelled)).not.toContain("tax number");
  });

  describe("the shop's week", () => {
    it("is one landscape page with its days down and its benches across, each stretch at its time", () => {
      expect(read.week).toHaveLength(1);
      const [page] = read.week;
      expect(page!.width).toBeGreaterThan(page!.height);
      expectAll(read.week, [
        ...["The shop: the next days", "Monday 30.11.", "Friday 04.12.", "Bench 1", "1 / 1"],
        ...[
          "08:00–10:00 Bar",
          "Promised 2026-12-02: Bar",
          "As planned 2026-11-30 08:00; a plan changes with the work.",
        ],
      ]);
      const xOf = (words: string): number =>
        page!.words.find(({ str }) => str.includes(words))!.box[0];
      expect(xOf("Monday")).toBeLessThan(xOf("Bench"));
      // No day is broken within its name.
      for (const day of ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday"]) {
        expect(page!.words.map(({ str }) => str)).toContain(day);
      }
      expect(allText(read.week)).not.toContain("Late");
    });

    it("of many benches has its days across, in letters that are still read", () => {
      const [page] = read.weekWide;
      expect(read.weekWide).toHaveLength(1);
      const at = (words: string): Box => page!.words.find(({ str }) => str.startsWith(words))!.box;
      expect(at("Monday")[1]).toBeLessThan(at("Bench")[1]);
      const heights = page!.words.map(({ box }) => (box[3] - box[1]) / 0.68);
      expect(Math.min(...heights)).toBeGreaterThanOrEqual(7.9);
    });
  });
});
