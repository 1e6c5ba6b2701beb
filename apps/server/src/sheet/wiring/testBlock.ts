import type { Content, TableCell } from "pdfmake/interfaces.js";
import { testReport, type Job, type TestLine } from "@dragonet/core";
import { table } from "../table.ts";

/** What was read; an empty cell is for a pen. */
const readCell = ({ read, waived, off }: TestLine): TableCell => ({
  text: waived ? `left out: ${read}` : off ? `${read}  OFF` : read,
  bold: off,
});

/** The test on the vehicle for paper: each step with what is right and what was read. */
export function testBlock(job: Job): Content[] {
  const { lines, mends, total, unread } = testReport(job);
  if (total === 0) return [];
  const said =
    unread === total
      ? "not read yet: fill in by hand"
      : unread === 0
        ? "every step read or left out with a reason"
        : `${unread} of ${total} steps not read`;
  return [
    { text: `Test on the vehicle: ${said}`, style: "heading" },
    table(
      [150, "*", 90, 130],
      ["With", "Tips, clamp or eye", "Right", "Read"],
      lines.map((line) => [line.controls, line.words, line.expected, readCell(line)]),
    ),
    ...(mends.length === 0
      ? []
      : [{ ul: mends.map(({ what, done, by }) => `${what}: ${done} (${by})`) }]),
  ];
}
