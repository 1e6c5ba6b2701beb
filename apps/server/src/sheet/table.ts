import type { Content, TableCell } from "pdfmake/interfaces.js";

const HAIR = "#9aa3a0";

const hairlines = {
  hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => HAIR,
  paddingLeft: () => 0,
  paddingRight: () => 8,
  paddingTop: () => 2,
  paddingBottom: () => 2,
};

/** A table of the strip sheet: hairlines between its rows, its head again on each page. */
export function table(widths: (number | string)[], head: string[], rows: TableCell[][]): Content {
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths,
      body: [head.map((text) => ({ text, style: "head" })), ...rows],
    },
    layout: hairlines,
    margin: [0, 2, 0, 8],
  };
}
