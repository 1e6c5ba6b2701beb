import type { Content, TDocumentDefinitions } from "pdfmake/interfaces.js";
import { decimal, moneyText, type Offer, type OfferChoice } from "@dragonet/core";
import { MM, setPdf } from "./pdf.ts";

function choiceBlock(choice: OfferChoice, index: number, offer: Offer): Content {
  const money = (minor: number): string => moneyText(minor, offer.currency);
  const { netMinor, taxMinor, grossMinor } = choice.total;
  const letter = String.fromCharCode("A".charCodeAt(0) + index);
  return {
    unbreakable: true,
    margin: [0, 10, 0, 0],
    stack: [
      { text: `${letter}   ${choice.name}`, fontSize: 13, bold: true },
      ...(choice.means.length > 0 ? [{ text: `${choice.means.join("; ")}.` }] : []),
      {
        margin: [0, 3, 0, 0],
        table: {
          widths: ["*", "auto"],
          body: [
            ["Parts and work", { text: money(netMinor), alignment: "right" }],
            [
              `Tax, ${decimal(100 * offer.taxShare)} %`,
              { text: money(taxMinor), alignment: "right" },
            ],
            [
              { text: "Total", bold: true },
              { text: money(grossMinor), bold: true, alignment: "right" },
            ],
          ],
        },
        layout: "lightHorizontalLines",
      },
      {
        text: `By how long the work takes, between ${money(choice.lowMinor)} and ${money(choice.highMinor)}.`,
        fontSize: 9,
      },
    ],
  };
}

/** A quote on paper: what its customer's page shows, from the same frozen offer. */
export function quotePdf(offer: Offer): Promise<Buffer> {
  const document: TDocumentDefinitions = {
    info: { title: `${offer.title}: quote`, author: offer.shop, creator: "Dragonet" },
    pageSize: "A4",
    pageMargins: [20 * MM, 20 * MM, 20 * MM, 18 * MM],
    defaultStyle: { font: "Hyperlegible", fontSize: 11, color: "#16211f", lineHeight: 1.15 },
    footer: (page: number, pages: number) => ({
      ...{ text: `${page} / ${pages}`, alignment: "right", fontSize: 8 },
      margin: [20 * MM, 6, 20 * MM, 0],
    }),
    content: [
      { text: offer.shop, bold: true },
      { text: `Quote: ${offer.title}`, fontSize: 18, bold: true, margin: [0, 6, 0, 2] },
      { text: [offer.vehicle, offer.customer].filter((t) => t !== "").join(" · ") },
      { text: "What will be done", fontSize: 13, bold: true, margin: [0, 10, 0, 2] },
      offer.work.length === 0 ? { text: "Nothing is planned yet." } : { ul: [...offer.work] },
      ...offer.choices.map((choice, i) => choiceBlock(choice, i, offer)),
      { text: `This offer holds until ${offer.validUntil}.`, margin: [0, 12, 0, 0] },
    ],
  };
  return setPdf(document);
}
