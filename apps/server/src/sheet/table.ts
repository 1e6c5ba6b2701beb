import type { Content, TableCell } from "pdfmake/interfaces.js";

const HAIR = "#9aa3a0";

const hairlines = {
  hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => HAIR,
  paddingLeft: () => 0,
  paddingRight: () => 8,
};

/** A table of a sheet: hairlines between its rows, its head again on each page. */
export function table(
  widths: (number | string)[],
  head: string[],
  rows: TableCell[][],
  /** Above and below each row, in points. */
  paddingPt = 2,
): Content {
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths,
      body: [head.map((text) => ({ text, style: "head" })), ...rows],
    },
    layout: { ...hairlines, paddingTop: () => paddingPt, paddingBottom: () => paddingPt },
    margin: [0, 2, 0, 8],
  };
}
