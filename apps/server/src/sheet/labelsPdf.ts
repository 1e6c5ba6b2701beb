import type { TDocumentDefinitions } from "pdfmake/interfaces.js";
import { decimal, type CutList } from "@dragonet/core";
import { MM, setPdf } from "./pdf.ts";

const COLUMNS = 4;

/**
 * Flags for both ends of every wire, to be cut out and folded over: the simulated label
 * printer, which prints to a page.
 */
export function labelsPdf(list: CutList, title: string): Promise<Buffer> {
  const flags = list.lines.flatMap((line) =>
    [line.from, line.to].map((end) => ({
      stack: [
        { text: line.label, bold: true, fontSize: 11 },
        { text: `${line.gaugeId}, ${line.colour}, ${decimal(line.cutM * 1000, 0)} mm` },
        { text: end.at },
      ],
      margin: [4, 3, 4, 3] as [number, number, number, number],
    })),
  );
  const rows = Array.from({ length: Math.ceil(flags.length / COLUMNS) }, (_, i) =>
    Array.from({ length: COLUMNS }, (_, k) => flags[i * COLUMNS + k] ?? { text: "" }),
  );
  const document: TDocumentDefinitions = {
    info: { title: `${title}: labels`, creator: "Dragonet" },
    pageSize: "A4",
    pageMargins: [12 * MM, 14 * MM, 12 * MM, 12 * MM],
    defaultStyle: { font: "Hyperlegible", fontSize: 7, color: "#16211f" },
    content: [
      {
        text: `${title}: flags for both ends (simulated label printer)`,
        fontSize: 8,
        margin: [0, 0, 0, 6],
      },
      rows.length === 0
        ? { text: "No wire is cut on this job yet." }
        : { table: { widths: Array(COLUMNS).fill("*"), body: rows, dontBreakRows: true } },
    ],
  };
  return setPdf(document);
}
