import type { Column, Content, TDocumentDefinitions } from "pdfmake/interfaces.js";
import {
  LAST_WORD,
  checkedCircuit,
  decimal,
  openGates,
  ownerSheet,
  testReport,
  type Job,
  type OwnerSheet,
} from "@dragonet/core";
import type { PaperOptions } from "./paper.ts";
import { MM, jpegUrl, setPdf } from "./pdf.ts";

const section = (title: string, lines: readonly Content[]): Content[] =>
  lines.length === 0
    ? []
    : [
        {
          // A heading is never parted from the first line of its list.
          unbreakable: true,
          stack: [{ text: title, style: "heading" }, { ul: lines.slice(0, 1) }],
        },
        ...(lines.length > 1 ? [{ ul: lines.slice(1) }] : []),
      ];

const fuseLine = (fuse: OwnerSheet["fuses"][number]): Content => ({
  text: [
    { text: `${decimal(fuse.ratingA)} A${fuse.resets ? " breaker" : ""}`, bold: true },
    ` ${fuse.protects}: ${fuse.where}`,
  ],
});

/** Two side by side, each with what it shows. */
function photoRows(photos: OwnerSheet["photos"], pictures: PaperOptions["pictures"]): Content[] {
  const there = photos.flatMap(({ id, caption }): Column[] => {
    const bytes = pictures?.get(id);
    if (!bytes) return [];
    const image: Content = { image: jpegUrl(bytes), fit: [82 * MM, 62 * MM] };
    return [{ stack: [image, { text: caption, fontSize: 10 }], width: 84 * MM }];
  });
  return there.flatMap((photo, i) =>
    i % 2 === 1
      ? []
      : [{ unbreakable: true, columns: [photo, there[i + 1] ?? ""], margin: [0, 6, 0, 0] }],
  );
}

/** The owner's sheet: large print, one or two pages, for the glove box. */
export function ownerSheetPdf(job: Job, { shop, units, pictures }: PaperOptions): Promise<Buffer> {
  const { circuit, findings } = checkedCircuit(job);
  const sheet = ownerSheet(
    job,
    { circuit, gates: openGates(job, findings, testReport(job)) },
    units,
  );
  const signed = sheet.handedOver;
  const document: TDocumentDefinitions = {
    info: { title: `${sheet.title}: owner's sheet`, author: shop, creator: "Dragonet" },
    pageSize: "A4",
    pageMargins: [18 * MM, 18 * MM, 18 * MM, 20 * MM],
    defaultStyle: { font: "Hyperlegible", fontSize: 13, color: "#16211f", lineHeight: 1.15 },
    styles: { heading: { fontSize: 15, bold: true, margin: [0, 9, 0, 2] } },
    footer: (page: number, pages: number) => ({
      margin: [18 * MM, 6, 18 * MM, 0],
      fontSize: 8,
      columns: [
        { text: LAST_WORD, width: "*" },
        { text: `${page} / ${pages}`, alignment: "right", width: 40 },
      ],
    }),
    content: [
      { text: sheet.title, fontSize: 20, bold: true },
      { text: [sheet.vehicle, sheet.customer, shop].filter((t) => t !== "").join(" · ") },
      ...section(
        "What was added, and what turns it on",
        sheet.added.map((a): Content => ({
          text: [{ text: a.name, bold: true }, `: ${a.lamps}. On with ${a.when}.`],
        })),
      ),
      ...section("Which fuse is where", sheet.fuses.map(fuseLine)),
      ...section("Battery", [...sheet.battery]),
      ...section("On the road", [...sheet.road]),
      ...section("What to look after", [...sheet.check]),
      ...section("What was proved", [...sheet.proved]),
      ...section(
        "Handed over without",
        sheet.without.map((s) => `${s.of}: ${s.reason} (${s.name}, ${s.at.slice(0, 10)})`),
      ),
      ...section("Warranty", [...sheet.warranty]),
      signed
        ? {
            text: `Handed over on ${signed.at.slice(0, 10)} by ${signed.name}.`,
            margin: [0, 12, 0, 0],
          }
        : { text: "Not handed over yet.", bold: true, margin: [0, 12, 0, 0] },
      ...photoRows(sheet.photos, pictures),
    ],
  };
  return setPdf(document);
}
