/**
 * Invoices: numbers without a gap, what is refused, and the electronic invoice against the schema of the
 * European core invoice (EN 16931) as a library has it (@e-invoice-eu/core; the registry has no XSD of UBL).
 */
import { invoiceSchema } from "@e-invoice-eu/core";
import { Ajv2019 } from "ajv/dist/2019.js";
import addFormats from "ajv-formats";
import { XMLParser } from "fast-xml-parser";
import type { Agent } from "supertest";
import type { Invoice } from "@dragonet/core";
import { printUbl } from "../src/invoices/ubl.ts";
import { bytesOf } from "./bytesOf.ts";
import { readPdf } from "./readPdf.ts";
import { Shop } from "./shop.ts";

const BILLING = {
  ...{
    street: "Beck Lane 3",
    postcode: "12345",
    city: "Tarn",
    country: "DE",
    taxId: "DE123456789",
  },
  // Example of ISO 13616 as the trade prints it.
  ...{ email: "shop@example.org", iban: "DE89 3704 0044 0532 0130 00", dueDays: 14, untaxed: "" },
};
const BUYER = {
  ...{
    name: "Scar <Farm> & Sons",
    street: "Hill 1",
    postcode: "54321",
    city: "Fen",
    country: "AT",
  },
  ...{ taxId: "ATU12345678", email: "farm@example.org" },
};

type Node = Readonly<Record<string, unknown>>;

interface Schema {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
}

/** UBL as the library's schema has it: attributes beside what they are of, lists where more may come. */
function asSchema(node: unknown, schema: Schema | undefined): unknown {
  if (schema?.type === "array") return [node].flat().map((one) => asSchema(one, schema.items));
  if (typeof node !== "object" || node === null || Array.isArray(node)) return node;
  const out: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(node)) {
    if (name.startsWith("@xmlns")) continue;
    const text = (value as Node)["#text"];
    out[name] = text ?? asSchema(value, schema?.properties?.[name]);
    if (text === undefined) continue;
    for (const [attribute, said] of Object.entries(value as Node)) {
      if (attribute.startsWith("@")) out[`${name}${attribute}`] = said;
    }
  }
  return out;
}

const SCHEMA = (invoiceSchema as unknown as Schema).properties!["ubl:Invoice"]!;

const parser = new XMLParser({
  ...{ ignoreAttributes: false, attributeNamePrefix: "@", parseTagValue: false },
  ...{ parseAttributeValue: false, ignoreDeclaration: true, processEntities: true },
});
const ajv = new Ajv2019({ strict: false, allErrors: true });
addFormats.default(ajv);
const isValid = ajv.compile(invoiceSchema);

/** An invoice's XML, its elements, and what the schema has against them. */
function checked(xml: string) {
  const { Invoice: root } = parser.parse(xml) as { Invoice: Node };
  const document = asSchema(root, SCHEMA) as Node;
  isValid({ "ubl:Invoice": document });
  const faults = (isValid.errors ?? []).map((e) => `${e.instancePath} ${e.message ?? ""}`);
  return { root, document, faults };
}

/** The elements of a document in its order are in the order of the schema. */
function outOfOrder(node: Node, { properties }: Schema, at = "Invoice"): string[] {
  if (!properties) return [];
  const order = Object.keys(properties);
  const names = Object.keys(node).filter((name) => !name.startsWith("@"));
  const places = names.map((name) => order.indexOf(name));
  const wrong = places.some((place, i) => place < 0 || (i > 0 && place < places[i - 1]!));
  return [
    ...(wrong ? [`${at}: ${names.join(" ")}`] : []),
    ...names.flatMap((name) => {
      const below = [node[name]].flat()[0];
      const of = properties[name]!;
      return typeof below === "object" && below !== null
        ? outOfOrder(below as Node, of.items ?? of, name)
        : [];
    }),
  ];
}

describe("invoices", () => {
  let shop: Shop;
  let owner: Agent;
  let pim: Agent;
  let jobId: string;
  const at = (path = "") => `/api/jobs/${jobId}/invoices${path}`;
  const make = (body: object) => pim.post(at()).send(body);

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    [owner, pim] = [await shop.person("ansa"), await shop.person("pim")];
    const { body } = await pim.get("/api/jobs?size=1000").expect(200);
    jobId = (body as { id: string; title: string }[]).find(({ title }) =>
      /Aux pods/.test(title),
    )!.id;
    await shop.query("update shop set billing = null");
  });
  afterAll(() => shop.close());

  it("are not made before the shop has said what they say of it, field by field", async () => {
    const early = await make({ by: "planned", buyer: BUYER }).expect(422);
    expect(early.body.message).toMatch(/Settings/);
    expect((await owner.get("/api/invoices/billing").expect(200)).body).toEqual({ billing: null });
    const put = (change: object) =>
      owner.put("/api/invoices/billing").send({ ...BILLING, ...change });
    for (const [field, value] of [
      ["iban", "DE89 3704 0044 0532 0130 01"],
      ["country", "Germany"],
      ["email", "shop"],
      ["street", ""],
      ["dueDays", -1],
    ] as const) {
      const { body } = await put({ [field]: value }).expect(422);
      expect(body.faults.map(({ path }: { path: string }) => path)).toEqual([field]);
    }
    await put({}).expect(204);
    expect((await owner.get("/api/invoices/billing").expect(200)).body.billing).toEqual(BILLING);
    // With tax or without it, the shop's tax number is named.
    await put({ taxId: "" }).expect(204);
    expect((await make({ by: "planned", buyer: BUYER }).expect(422)).body.message).toMatch(
      /tax number/,
    );
    await put({}).expect(204);
    const buyer = { ...BUYER, name: "", country: "XX" };
    const { body } = await make({ by: "planned", buyer }).expect(422);
    expect(body.faults.map(({ path }: { path: string }) => path).toSorted()).toEqual([
      "buyer.country",
      "buyer.name",
    ]);
    const { body: none } = await make({ by: "accepted", buyer: BUYER }).expect(422);
    expect(none.faults[0].path).toBe("by");
    expect((await pim.get(at()).expect(200)).body.invoices).toEqual([]);
  });

  it("have numbers without a gap, though many are made at one moment", async () => {
    const made = await Promise.all(
      Array.from({ length: 5 }, () => make({ by: "planned", buyer: BUYER }).expect(201)),
    );
    // By the demo shop's clocks, London's.
    const year = new Intl.DateTimeFormat("en-GB", {
      timeZone: "Europe/London",
      year: "numeric",
    }).format();
    expect(made.map(({ body }) => body.invoice.number).toSorted()).toEqual(
      [1, 2, 3, 4, 5].map((n) => `${year}-000${n}`),
    );
    const { body } = await pim.get(at()).expect(200);
    expect(body.invoices).toHaveLength(5);
    await expect(shop.query(`update invoice set nth = 1 where nth = 2`)).rejects.toThrow(
      /invoice_own_number|invoice_number/,
    );
  });

  it("are taken back by another, once", async () => {
    const [first] = (await pim.get(at()).expect(200)).body.invoices;
    const back = await pim.post(at(`/${first.id}/cancel`)).expect(200);
    expect(back.body.invoice.cancels).toBe(first.invoice.number);
    expect(back.body.invoice.total.grossMinor).toBe(-first.invoice.total.grossMinor);
    await pim.post(at(`/${first.id}/cancel`)).expect(409);
    await pim.post(at(`/${back.body.id}/cancel`)).expect(409);
    const { invoices } = (await pim.get(at()).expect(200)).body;
    const now = invoices.find(({ id }: { id: string }) => id === first.id);
    expect(now.cancelledBy).toBe(back.body.invoice.number);
    // Under another job it is not there.
    const { body } = await pim.get("/api/jobs?size=2").expect(200);
    const other = (body as { id: string }[]).find(({ id }) => id !== jobId)!;
    await pim.get(`/api/jobs/${other.id}/invoices/${first.id}/invoice.pdf`).expect(404);
    await pim.post(`/api/jobs/${other.id}/invoices/${first.id}/cancel`).expect(404);
  });

  it("say what was agreed where a customer accepted, and know the address the next time", async () => {
    const { body: offered } = await pim.post(`/api/jobs/${jobId}/offers`).expect(201);
    const choice = offered.offer.choices[0];
    await shop
      .stranger()
      .post(`/api/offers/${offered.token}/accept`)
      .send({ choice: choice.id, name: "Scar" })
      .expect(200);
    const document = (await pim.get(`/api/jobs/${jobId}`).expect(200)).body.document;
    const buyer = { ...BUYER, name: document.card.customer };
    const { body } = await make({ by: "accepted", buyer }).expect(201);
    expect(body.invoice.total).toEqual(choice.total);
    expect((await pim.get(at()).expect(200)).body.buyer).toEqual(buyer);
  });

  it("are the same on paper, as UBL and in the books", async () => {
    const { invoices } = (await pim.get(at()).expect(200)).body;
    for (const { id, invoice } of invoices as { id: string; invoice: Invoice }[]) {
      const xml = await pim.get(at(`/${id}/invoice.xml`)).expect(200);
      expect(xml.headers["content-type"]).toContain("application/xml");
      const { root, document, faults } = checked(xml.text);
      expect(faults).toEqual([]);
      expect(outOfOrder(root, SCHEMA)).toEqual([]);
      expect(document["cbc:ID"]).toBe(invoice.number);
      const sums = document["cac:LegalMonetaryTotal"] as Record<string, string>;
      const lines = document["cac:InvoiceLine"] as Record<
        string,
        Record<string, string> & string
      >[];
      const cents = (text: string): number => Math.round(100 * Number(text));
      // Sums of EN 16931: BR-CO-10, BR-CO-13, BR-CO-15, BR-CO-17; each line by its price.
      const net = lines.reduce((sum, line) => sum + cents(line["cbc:LineExtensionAmount"]!), 0);
      expect(cents(sums["cbc:LineExtensionAmount"]!)).toBe(net);
      expect(cents(sums["cbc:TaxExclusiveAmount"]!)).toBe(net);
      const [tax] = document["cac:TaxTotal"] as Record<string, string>[];
      const rate = 100 * invoice.taxShare;
      expect(cents(tax!["cbc:TaxAmount"]!)).toBe(Math.round((net * rate) / 100));
      expect(cents(sums["cbc:TaxInclusiveAmount"]!)).toBe(net + cents(tax!["cbc:TaxAmount"]!));
      for (const line of lines) {
        const { "cbc:PriceAmount": price, "cbc:BaseQuantity": base = "1" } = line["cac:Price"]!;
        const exact = (Number(line["cbc:InvoicedQuantity"]) * cents(price!)) / Number(base);
        expect(Math.abs(cents(line["cbc:LineExtensionAmount"]!) - exact)).toBeLessThanOrEqual(0.51);
      }
      const pages = readPdf(await bytesOf(pim, at(`/${id}/invoice.pdf`)));
      const text = pages.map((page) => page.text).join(" ");
      expect(text).toContain(invoice.number);
      expect(text).toContain(invoice.buyer.name);
    }
    const year = Number(invoices[0].invoice.number.slice(0, 4));
    const { text } = await owner.get(`/api/invoices/${year}/file`).expect(200);
    const rows = text.trim().split("\n").slice(1);
    expect(rows.map((row) => row.split(",")[0])).toEqual(
      invoices.map((one: { invoice: Invoice }) => one.invoice.number).toSorted(),
    );
    expect(
      (await owner.get("/api/invoices/1999/file").expect(200)).text.trim().split("\n"),
    ).toHaveLength(1);
  });

  it("without tax say why, in the schema's own place", () => {
    const untaxed: Invoice = {
      ...{ number: "2026-0009", issued: "2026-11-27", due: "2026-12-11", cancels: "" },
      ...{ title: "Bar", vehicle: "Quad", currency: "JPY", taxShare: 0 },
      lines: [
        { name: "Bar", note: "", count: 1, unit: "", eachMinor: 1234, netMinor: 1234 },
        { name: "Wire", note: "red", count: 2.5, unit: "m", eachMinor: 100, netMinor: 250 },
      ],
      total: { netMinor: 1484, taxMinor: 0, grossMinor: 1484 },
      seller: { ...BUYER, name: "Shop", taxId: "", iban: "", untaxed: "Small business" },
      buyer: { ...BUYER, taxId: "", email: "", street: "", city: "", postcode: "" },
    };
    const { document, faults } = checked(printUbl(untaxed));
    expect(faults).toEqual([]);
    const [tax] = document["cac:TaxTotal"] as { "cac:TaxSubtotal": Node[] }[];
    expect(tax!["cac:TaxSubtotal"][0]).toMatchObject({
      "cbc:TaxableAmount": "1484",
      "cac:TaxCategory": {
        "cbc:ID": "E",
        "cbc:Percent": "0",
        "cbc:TaxExemptionReason": "Small business",
      },
    });
    // Numbers that are none for value added tax stand where the norm has them.
    const plain = { ...untaxed.seller, taxId: "12 345/67890" };
    const other = checked(
      printUbl({ ...untaxed, seller: plain, buyer: { ...BUYER, taxId: "77-1" } }),
    );
    expect(other.faults).toEqual([]);
    const partyOf = (who: string) =>
      (other.document[`cac:Accounting${who}Party`] as Record<string, Node>)["cac:Party"]!;
    expect(partyOf("Supplier")["cac:PartyTaxScheme"]).toEqual([
      { "cbc:CompanyID": "12 345/67890", "cac:TaxScheme": { "cbc:ID": "TAX" } },
    ]);
    expect(partyOf("Customer")).not.toHaveProperty("cac:PartyTaxScheme");
    expect(partyOf("Customer")["cac:PartyLegalEntity"]).toMatchObject({ "cbc:CompanyID": "77-1" });
    // What the schema refuses is seen to be refused.
    expect(
      checked(printUbl({ ...untaxed, currency: "EUR", buyer: { ...BUYER, country: "XX" } })).faults,
    ).not.toEqual([]);
  });
});
