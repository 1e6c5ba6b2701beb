import { create } from "xmlbuilder2";
import {
  plainMoney,
  type Invoice,
  type InvoiceLine,
  type InvoiceUnit,
  type Party,
} from "@dragonet/core";

/** Namespaces of OASIS UBL 2.1. */
const UBL = "urn:oasis:names:specification:ubl:schema:xsd";
/** What of UBL is spoken: the European core invoice. */
const EN_16931 = "urn:cen.eu:en16931:2017";

/** UNTDID 1001: an invoice, and one that corrects another. */
const [INVOICE, CORRECTED] = ["380", "384"];
/** UNTDID 4461: a transfer to an account. */
const TRANSFER = "30";
/** Units by UN/ECE recommendation 20. */
const UNIT_CODES: Readonly<Record<InvoiceUnit, string>> = { "": "C62", m: "MTR", min: "MIN" };
/** UNTDID 5305: standard rate, and exempt for a reason that is told. */
const [TAXED, EXEMPT] = ["S", "E"];
const HOUR_MIN = 60;

type Node = { readonly [name: string]: unknown };

/** What is said, and nothing where it is not. */
const said = (name: string, value: string): Node => (value === "" ? {} : { [name]: value });

/** A number for value added tax begins with its country (EN 16931, BR-CO-09); others are known by where they stand. */
const isVat = (taxId: string): boolean => /^[A-Z]{2}/.test(taxId);

const taxScheme = (taxId: string, scheme: string): Node => ({
  "cac:PartyTaxScheme": { "cbc:CompanyID": taxId, "cac:TaxScheme": { "cbc:ID": scheme } },
});

/** Who sells has another tax number where theirs is none for value added tax; who buys, one as a company. */
function party(
  { name, street, postcode, city, country, taxId, email }: Party,
  sells: boolean,
): Node {
  const vat = isVat(taxId);
  return {
    "cac:Party": {
      "cac:PartyName": { "cbc:Name": name },
      "cac:PostalAddress": {
        ...said("cbc:StreetName", street),
        ...said("cbc:CityName", city),
        ...said("cbc:PostalZone", postcode),
        "cac:Country": { "cbc:IdentificationCode": country },
      },
      ...(taxId !== "" && (vat || sells) && taxScheme(taxId, vat ? "VAT" : "TAX")),
      "cac:PartyLegalEntity": {
        "cbc:RegistrationName": name,
        ...said("cbc:CompanyID", vat || sells ? "" : taxId),
      },
      ...(email !== "" && { "cac:Contact": { "cbc:ElectronicMail": email } }),
    },
  };
}

/** Category of the tax, with its percentage; why none is asked stands with the sum alone. */
const category = ({ taxShare }: Invoice, more: Node = {}): Node => ({
  "cbc:ID": taxShare > 0 ? TAXED : EXEMPT,
  "cbc:Percent": String(Math.round(1e4 * taxShare) / 100),
  ...more,
  "cac:TaxScheme": { "cbc:ID": "VAT" },
});

function lineOf(invoice: Invoice, line: InvoiceLine, nr: number): Node {
  const amount = (minor: number): Node => money(invoice, minor);
  const unitCode = UNIT_CODES[line.unit];
  return {
    "cbc:ID": String(nr),
    "cbc:InvoicedQuantity": { "@unitCode": unitCode, "#": String(line.count) },
    "cbc:LineExtensionAmount": amount(line.netMinor),
    "cac:Item": {
      ...said("cbc:Description", line.note),
      "cbc:Name": line.name,
      "cac:ClassifiedTaxCategory": category(invoice),
    },
    "cac:Price": {
      "cbc:PriceAmount": amount(line.eachMinor),
      ...(line.unit === "min" && {
        "cbc:BaseQuantity": { "@unitCode": unitCode, "#": String(HOUR_MIN) },
      }),
    },
  };
}

const money = ({ currency }: Invoice, minor: number): Node => ({
  "@currencyID": currency,
  "#": plainMoney(minor, currency),
});

/**
 * An invoice as other programs read it: OASIS UBL 2.1 of the European core invoice (EN 16931-1),
 * its elements in the order of the schema.
 */
export function printUbl(invoice: Invoice): string {
  const { seller, buyer, total, cancels } = invoice;
  const amount = (minor: number): Node => money(invoice, minor);
  const document = {
    Invoice: {
      "@xmlns": `${UBL}:Invoice-2`,
      "@xmlns:cac": `${UBL}:CommonAggregateComponents-2`,
      "@xmlns:cbc": `${UBL}:CommonBasicComponents-2`,
      "cbc:CustomizationID": EN_16931,
      "cbc:ID": invoice.number,
      "cbc:IssueDate": invoice.issued,
      "cbc:DueDate": invoice.due,
      "cbc:InvoiceTypeCode": cancels === "" ? INVOICE : CORRECTED,
      "cbc:Note": [invoice.title, invoice.vehicle].filter((words) => words !== "").join(", "),
      "cbc:DocumentCurrencyCode": invoice.currency,
      ...(cancels !== "" && {
        "cac:BillingReference": { "cac:InvoiceDocumentReference": { "cbc:ID": cancels } },
      }),
      "cac:AccountingSupplierParty": party(seller, true),
      "cac:AccountingCustomerParty": party(buyer, false),
      ...(seller.iban !== "" && {
        "cac:PaymentMeans": {
          "cbc:PaymentMeansCode": TRANSFER,
          "cbc:PaymentID": invoice.number,
          "cac:PayeeFinancialAccount": { "cbc:ID": seller.iban.replaceAll(" ", "") },
        },
      }),
      "cac:TaxTotal": {
        "cbc:TaxAmount": amount(total.taxMinor),
        "cac:TaxSubtotal": {
          "cbc:TaxableAmount": amount(total.netMinor),
          "cbc:TaxAmount": amount(total.taxMinor),
          "cac:TaxCategory": category(
            invoice,
            invoice.taxShare > 0 ? {} : said("cbc:TaxExemptionReason", seller.untaxed),
          ),
        },
      },
      "cac:LegalMonetaryTotal": {
        "cbc:LineExtensionAmount": amount(total.netMinor),
        "cbc:TaxExclusiveAmount": amount(total.netMinor),
        "cbc:TaxInclusiveAmount": amount(total.grossMinor),
        "cbc:PayableAmount": amount(total.grossMinor),
      },
      "cac:InvoiceLine": invoice.lines.map((line, i) => lineOf(invoice, line, i + 1)),
    },
  };
  return `${create({ encoding: "UTF-8" }, document).end({ prettyPrint: true })}\n`;
}
