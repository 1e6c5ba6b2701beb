import type { Content, TDocumentDefinitions, TableCell } from "pdfmake/interfaces.js";
import { decimal, moneyText, type Invoice, type InvoiceLine, type Party } from "@dragonet/core";
import { MM, setPdf } from "./pdf.ts";

const addressOf = ({ name, street, postcode, city, country }: Party): string[] =>
  [name, street, [postcode, city].filter((t) => t !== "").join(" "), country].filter(
    (line) => line !== "",
  );

function countText({ count, unit }: InvoiceLine): string {
  if (unit === "min") return `${decimal(count, 0)} min`;
  return unit === "m" ? `${decimal(count, 2)} m` : decimal(count, 2);
}

const right = (text: string, bold = false): TableCell => ({ text, bold, alignment: "right" });

function lines(invoice: Invoice): Content {
  const money = (minor: number): string => moneyText(minor, invoice.currency);
  const { netMinor, taxMinor, grossMinor } = invoice.total;
  const sum = (words: string, minor: number, bold = false): TableCell[] => [
    { text: words, bold, colSpan: 3 },
    {},
    {},
    right(money(minor), bold),
  ];
  const body: TableCell[][] = [
    [
      { text: "What", bold: true },
      right("How much", true),
      right("Of one", true),
      right("Without tax", true),
    ],
    ...invoice.lines.map((line) => [
      {
        stack: [
          { text: line.name },
          ...(line.note === "" ? [] : [{ text: line.note, fontSize: 8.5 }]),
        ],
      },
      right(countText(line)),
      right(`${money(line.eachMinor)}${line.unit === "min" ? " an hour" : ""}`),
      right(money(line.netMinor)),
    ]),
    sum("Without tax", netMinor),
    sum(
      invoice.taxShare > 0
        ? `Tax, ${decimal(100 * invoice.taxShare)} %`
        : `No tax: ${invoice.seller.untaxed}`,
      taxMinor,
    ),
    sum("To pay", grossMinor, true),
  ];
  return {
    margin: [0, 10, 0, 0],
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: ["*", "auto", "auto", "auto"],
      body,
    },
    layout: "lightHorizontalLines",
  };
}

/** An invoice on paper: the same that its UBL says. */
export function invoicePdf(invoice: Invoice): Promise<Buffer> {
  const { seller, buyer, cancels } = invoice;
  const title = cancels === "" ? `Invoice ${invoice.number}` : `Cancellation ${invoice.number}`;
  const document: TDocumentDefinitions = {
    info: { title, author: seller.name, creator: "Dragonet" },
    pageSize: "A4",
    pageMargins: [20 * MM, 20 * MM, 20 * MM, 20 * MM],
    defaultStyle: { font: "Hyperlegible", fontSize: 10, color: "#16211f", lineHeight: 1.15 },
    footer: (page: number, pages: number) => ({
      ...{ text: `${title}   ${page} / ${pages}`, alignment: "right", fontSize: 8 },
      margin: [20 * MM, 6, 20 * MM, 0],
    }),
    content: [
      { text: addressOf(seller).join(" · "), fontSize: 8.5 },
      { text: addressOf(buyer).join("\n"), margin: [0, 24, 0, 20] },
      ...(buyer.taxId === "" ? [] : [{ text: `Tax number: ${buyer.taxId}` }]),
      { text: title, fontSize: 18, bold: true, margin: [0, 6, 0, 2] },
      ...(cancels === "" ? [] : [{ text: `It takes back invoice ${cancels} whole.`, bold: true }]),
      { text: [invoice.title, invoice.vehicle].filter((t) => t !== "").join(" · ") },
      { text: `Issued ${invoice.issued}, done by then.` },
      lines(invoice),
      ...(cancels === ""
        ? [
            {
              margin: [0, 12, 0, 0] as [number, number, number, number],
              text: `To be paid by ${invoice.due}${seller.iban === "" ? "" : ` to ${seller.iban}, saying ${invoice.number}`}.`,
            },
          ]
        : []),
      {
        margin: [0, 12, 0, 0],
        fontSize: 8.5,
        text: [seller.email, seller.taxId === "" ? "" : `tax number ${seller.taxId}`]
          .filter((t) => t !== "")
          .join(" · "),
      },
    ],
  };
  return setPdf(document);
}
