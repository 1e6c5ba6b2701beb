import type { Content, TableCell, TDocumentDefinitions } from "pdfmake/interfaces.js";
import {
  AIM_CHECKS,
  BEAM_WORDS,
  LAST_WORD,
  lengthText,
  tapeText,
  undoText,
  wallMarks,
  wallSvg,
  type Job,
  type UnitSystem,
  type WallMark,
} from "@dragonet/core";
import type { PaperOptions } from "./paper.ts";
import { MM, setPdf } from "./pdf.ts";

const INK = "#16211f";

function placeOf({ groundM, markUpM, markRightM, behind }: WallMark, units: UnitSystem): string {
  if (groundM !== null) return `meets the ground after ${lengthText(groundM, units)}`;
  const side = markRightM < 0 ? "left" : "right";
  const across =
    Math.abs(markRightM) < 0.0005
      ? "on the middle"
      : `${tapeText(Math.abs(markRightM), units)} ${side} of the middle`;
  return `${tapeText(markUpM, units)} up, ${across}${behind ? ", on a wall behind" : ""}`;
}

/** How the beam stood last, and what undoes it. */
function foundOf({ aim, mount }: WallMark, units: UnitSystem): string {
  const last = aim.errors.at(-1);
  if (!last) return "";
  const off = `${tapeText(Math.abs(last.upMm) / 1000, units)} ${last.upMm < 0 ? "low" : "high"}, ${tapeText(Math.abs(last.rightMm) / 1000, units)} ${last.rightMm < 0 ? "left" : "right"}`;
  return `${off}: ${undoText(last, aim, mount.footMm)}`;
}

const row = (mark: WallMark, i: number, units: UnitSystem): TableCell[] => [
  { text: String(i + 1), bold: true },
  `${mark.lamp.label}, ${mark.mount.side}, ${BEAM_WORDS[mark.aim.beam]}`,
  placeOf(mark, units),
  mark.groundM === null
    ? `${tapeText(Math.max(0, mark.lowUpM), units)} to ${tapeText(mark.highUpM, units)}: ${mark.rule.source}`
    : mark.rule.source,
  foundOf(mark, units),
  // Room for what is read at the wall.
  "",
];

/** What is looked at before, with who signed it, or room to sign. */
const checkLine = (job: Job, id: string, words: string): Content => {
  const signed = job.checks.find((check) => check.id === id);
  return { text: `${words}: ${signed ? signed.by : "____________________"}` };
};

/** The sheet that is taped beside the wall: where each mark belongs, what was off, room to sign. */
export function wallSheetPdf(job: Job, { shop, units }: PaperOptions): Promise<Buffer> {
  const marks = wallMarks(job);
  const { distanceM, frontSagMm, rearSagMm } = job.aiming;
  const sag = (mm: number): string => tapeText(mm / 1000, units);
  const document: TDocumentDefinitions = {
    info: { title: `${job.card.title}: wall sheet`, author: shop, creator: "Dragonet" },
    pageSize: "A4",
    pageOrientation: "landscape",
    pageMargins: [14 * MM, 14 * MM, 14 * MM, 14 * MM],
    defaultStyle: { font: "Hyperlegible", fontSize: 10, color: INK, lineHeight: 1.1 },
    footer: (page: number, pages: number) => ({
      margin: [14 * MM, 4, 14 * MM, 0],
      fontSize: 7.5,
      columns: [
        { text: LAST_WORD, width: "*" },
        { text: `${page} / ${pages}`, alignment: "right", width: 40 },
      ],
    }),
    content: [
      { text: `Wall marks: ${job.card.title}`, fontSize: 16, bold: true },
      {
        text: `${job.vehicle.model}. Wall at ${lengthText(distanceM, units)} from the lamps, square to the vehicle, over level ground. As it is ridden it stands ${sag(frontSagMm)} lower in front and ${sag(rearSagMm)} lower behind.`,
        margin: [0, 2, 0, 6],
      },
      ...(marks.length === 0
        ? [{ text: "No lamp that throws light has a place yet." }]
        : [
            {
              svg: wallSvg(marks, { fontFamily: "Hyperlegible", ink: INK, units }),
              fit: [760, 240],
            } as Content,
            {
              margin: [0, 6, 0, 6] as [number, number, number, number],
              table: {
                headerRows: 1,
                dontBreakRows: true,
                widths: [14, 150, 150, "*", 130, 90],
                body: [
                  ["", "Lamp", "Mark", "Within", "Found last, and what undoes it", "Read now"],
                  ...marks.map((mark, i) => row(mark, i, units)),
                ],
              },
              layout: "lightHorizontalLines",
            } as Content,
          ]),
      {
        unbreakable: true,
        stack: [
          { text: "Looked at before, signed by", bold: true, margin: [0, 4, 0, 2] },
          ...Object.entries(AIM_CHECKS).map(([id, words]) => checkLine(job, id, words)),
        ],
      },
    ],
  };
  return setPdf(document);
}
