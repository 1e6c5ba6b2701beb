import type { Content, TableCell } from "pdfmake/interfaces.js";
import {
  cutListOf,
  decimal,
  inchesText,
  lengthText,
  synthesise,
  type CutLine,
  type Job,
  type UnitSystem,
} from "@dragonet/core";
import { table } from "../table.ts";
import { number } from "./words.ts";

/** Millimetres, or inches as a tape has them; the column says which. */
const lengthOf = (metres: number, units: UnitSystem): string =>
  units === "us" ? inchesText(metres) : decimal(metres * 1000, 0);

/** What goes on a wire's end in few letters: most lines are one line then. */
const SHORT: readonly (readonly [RegExp, string])[] = [
  [/ terminal /, " "],
  [/ 6\.3 mm$/, " 6.3"],
  [/^crimp (splice|to holder)$/, "crimp"],
  [/^terminal of the plug$/, "contact"],
  [/^as the part has it$/, "own lead"],
];

const endOf = ({ at, terminal }: CutLine["from"]): string =>
  `${at} (${SHORT.reduce((words, [long, short]) => words.replace(long, short), terminal)})`;

/** A wire: what is on its flag, what is cut, what goes on its ends. */
const row = (
  { label, gaugeId, colour, cutM, from, to }: CutLine,
  units: UnitSystem,
): TableCell[] => [
  { text: label, bold: true },
  `${gaugeId} ${colour}`,
  number(lengthOf(cutM, units)),
  endOf(from),
  endOf(to),
];

const cutTable = (lines: readonly CutLine[], units: UnitSystem): Content =>
  table(
    [22, 62, units === "us" ? 36 : 28, "*", "*"],
    ["Flag", "Wire", units === "us" ? "in" : "mm", "From", "To"],
    lines.map((line) => row(line, units)),
    1,
  );

/** Every wire to cut, in two columns of as many, and those that come made up. */
export function cutPage(job: Job, units: UnitSystem): Content[] {
  const { lines, readyMade, spools } = cutListOf(job, synthesise(job));
  if (lines.length === 0 && readyMade.length === 0) return [];
  const half = Math.ceil(lines.length / 2);
  const harnesses = [...new Set(readyMade.map((line) => line.harness))];
  return [
    { text: "Cut list", style: "run", pageBreak: "before" as const },
    {
      columns: [
        cutTable(lines.slice(0, half), units),
        ...(half < lines.length ? [cutTable(lines.slice(half), units)] : []),
      ],
      columnGap: 18,
      fontSize: 6.4,
    },
    {
      text: spools
        .map((s) => `${s.gaugeId} ${s.colour}: ${lengthText(s.totalM, units)}`)
        .join("   "),
      fontSize: 7,
      margin: [0, 0, 0, 4],
    },
    ...(harnesses.length === 0
      ? []
      : [{ text: `Come made up: ${harnesses.join(", ")}.`, fontSize: 7 }]),
  ];
}
