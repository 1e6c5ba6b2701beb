import type { Content, TableCell, TDocumentDefinitions } from "pdfmake/interfaces.js";
import {
  planCalendar,
  weekSheetOf,
  type CalendarFile,
  type WeekLine,
  type WeekSheet,
  present,
} from "@dragonet/core";
import { MM, setPdf } from "./pdf.ts";

const WEEKDAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];

const dayText = (day: string): string =>
  `${WEEKDAYS[new Date(`${day}T00:00Z`).getUTCDay()]} ${day.slice(8)}.${day.slice(5, 7)}.`;

const lineOf = ({ time, title, what }: WeekLine): Content => ({
  margin: [0, 0, 0, 3],
  text: [
    { text: time === "" ? "" : `${time} `, bold: true },
    title,
    { text: ` ${what}`, color: "#40504c" },
  ],
});

/** Letters in points, the largest first: it is read from where people stand. */
const SIZES = [12, 10, 8];
/** Days across: fewer where more would make the letters too small to be read on a wall. */
const DAYS = [5, 4, 3, 2, 1];

/** Most columns in which a line is still wide enough to be read. */
const MOST_COLUMNS = 5;

const told = (title: string, lines: readonly string[]): Content[] =>
  lines.length === 0 ? [] : [{ text: title, bold: true, margin: [0, 5, 0, 0] }, { ul: [...lines] }];

/** Room for the table and what is told below it, in points. */
const ROOM = { width: 842 - 20 * MM - 60, height: 595 - 22 * MM - 60 };
/** The longest day's name in bold, as a share of its letters' size. */
const WEEKDAY = 5.8;
/** Width of a letter and height of a line, as shares of their size. */
const [LETTER, LINE] = [0.52, 1.25];

/** How high a sheet would be about, in points: setting one takes longer than many guesses. */
function heightOf(sheet: WeekSheet, size: number): number {
  const across = sheet.rows.length <= MOST_COLUMNS;
  const columns = Math.max(1, across ? sheet.rows.length : sheet.days.length);
  const letters = ROOM.width / columns / (size * LETTER);
  const cell = (lines: readonly WeekLine[]): number =>
    lines.reduce(
      (sum, { time, title, what }) =>
        sum + Math.ceil((time.length + title.length + what.length + 2) / letters) * size * LINE + 3,
      0,
    );
  const bands = across
    ? sheet.days.map((_, i) => sheet.rows.map((row) => cell(row.days[i] ?? [])))
    : sheet.rows.map((row) => row.days.map(cell));
  const list = (lines: readonly string[]): number =>
    lines.reduce(
      (sum, line) => sum + Math.ceil((line.length * size * LETTER) / (ROOM.width / 2)),
      lines.length === 0 ? 0 : 1.5,
    ) *
    size *
    LINE;
  const below = Math.max(
    list(sheet.promised) + list(sheet.late),
    list(sheet.waits) + list(sheet.away),
  );
  return bands.reduce((sum, band) => sum + Math.max(size * LINE, ...band) + 6, 0) + below;
}

/** The next days on one sheet for the shop's wall: benches, days, what is promised and what waits. */
export async function weekSheetPdf(file: CalendarFile, shop: string): Promise<Buffer> {
  const plan = planCalendar(file);
  // As many days, and letters as large, as one page has room for; a day that none has room for goes over two.
  const ways = DAYS.flatMap((days) => {
    const sheet = weekSheetOf(plan, file, days);
    return SIZES.map((size) => ({ sheet, size, over: heightOf(sheet, size) / ROOM.height }));
  });
  const fitting = ways.filter(({ over }) => over <= 1);
  const tried = fitting.length > 0 ? fitting : ways.slice(-1);
  let last: Buffer | null = null;
  for (const { sheet, size } of tried) {
    const { bytes, pages } = await setAt(size, sheet, shop, file.now);
    if (pages === 1) return bytes;
    last = bytes;
  }
  return present(last, "a size that was tried");
}

const cellOf = (lines: readonly WeekLine[] = []): TableCell =>
  lines.length === 0 ? "" : { stack: lines.map(lineOf) };

/** Days down and benches across, or the other way round where there are many benches. */
function tableOf({ rows, days }: WeekSheet) {
  const bold = (text: string): TableCell => ({ text, bold: true });
  const dates = days.map(dayText);
  const names = rows.map(({ name }) => name);
  const across = names.length <= MOST_COLUMNS;
  const columns = across ? names : dates;
  const body = across
    ? dates.map((date, i) => [bold(date), ...rows.map((row) => cellOf(row.days[i]))])
    : rows.map((row) => [bold(row.name), ...row.days.map(cellOf)]);
  return { columns, body: [["", ...columns.map(bold)], ...body] };
}

async function setAt(size: number, sheet: WeekSheet, shop: string, made: string) {
  let count = 1;
  const table = tableOf(sheet);
  const document: TDocumentDefinitions = {
    info: { title: `${shop}: the next days`, author: shop, creator: "Dragonet" },
    pageSize: "A4",
    pageOrientation: "landscape",
    pageMargins: [10 * MM, 10 * MM, 10 * MM, 12 * MM],
    defaultStyle: { font: "Hyperlegible", fontSize: size, color: "#16211f" },
    footer: (page: number, pages: number) => {
      count = pages;
      return {
        margin: [10 * MM, 6, 10 * MM, 0],
        fontSize: 8,
        columns: [
          {
            text: `As planned ${made.replace("T", " ")}; a plan changes with the work.`,
            width: "*",
          },
          { text: `${page} / ${pages}`, alignment: "right", width: 40 },
        ],
      };
    },
    content: [
      { text: `${shop}: the next days`, fontSize: 18, bold: true, margin: [0, 0, 0, 4] },
      {
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: [Math.max(60, size * WEEKDAY), ...table.columns.map(() => "*")],
          body: table.body,
        },
        layout: "lightHorizontalLines",
      },
      {
        columns: [
          { stack: [...told("Promised", sheet.promised), ...told("Late", sheet.late)] },
          { stack: [...told("Waits for", sheet.waits), ...told("Away", sheet.away)] },
        ],
        columnGap: 20,
      },
    ],
  };
  return { bytes: await setPdf(document), pages: count };
}
