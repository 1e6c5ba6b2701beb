import type { Content, TDocumentDefinitions } from "pdfmake/interfaces.js";
import { LAST_WORD, PAPERS, planJob, type Job, type JobPlan, type Paper } from "@dragonet/core";
import { loomPage } from "@dragonet/loom";
import type { PaperOptions } from "../paper.ts";
import { MM, setPdf } from "../pdf.ts";
import { table } from "../table.ts";
import { circuitPages, type PageRoom } from "./circuitPages.ts";
import { cutPage } from "./cutPage.ts";
import { jobPage } from "./jobPage.ts";
import { teardownBlock } from "./teardownBlock.ts";
import { testBlock } from "./testBlock.ts";
import { INK } from "./words.ts";

/** Left, top, right, bottom. */
const MARGINS = [30, 46, 30, 32] as const;
/** Heights that a page of a PDF library leaves off for rounding. */
const SLACK = 6;

/** What a landscape page has room for. */
function roomOf(paper: Paper): PageRoom {
  const { widthMm, heightMm } = PAPERS[paper];
  const [left, top, right, bottom] = MARGINS;
  return { width: heightMm * MM - left - right, height: widthMm * MM - top - bottom - SLACK };
}

/** What was added, for the inspector. */
function inspector({ inspector: lines }: JobPlan): Content[] {
  if (lines.length === 0) return [];
  return [
    { text: "For the inspector: what was added", style: "heading" },
    table(
      [170, 60, 70, "*", 150],
      ["Lamp", "Where", "Light", "On with", "Over time"],
      lines.map((l) => [l.label, l.place, l.light, l.when, l.overTime]),
    ),
  ];
}

/** What the shop reads and signs by: on pages behind the four that are taped up. */
function extra(job: Job, plan: JobPlan): Content[] {
  const blocks = [...testBlock(job), ...inspector(plan)];
  return blocks.length === 0 ? [] : [{ pageBreak: "before" as const, stack: blocks }];
}

/**
 * The wiring sheet of a job as a PDF document: the job, its circuits as lines with the loom, the
 * cut list, what comes off; then the test and what the inspector asks.
 */
export async function wiringSheetPdf(job: Job, options: PaperOptions): Promise<Buffer> {
  const plan = planJob(job, options.units);
  const paper = options.paper ?? "a4";
  const loom = await loomPage(job, options.units, {
    fontFamily: "Hyperlegible",
    ink: INK,
    paper: "#ffffff",
  });
  const stops = plan.causes.filter((f) => f.severity === "stop").length;
  const machine = job.vehicle.machine === "" ? "" : ` (${job.vehicle.machine})`;
  const title = `${job.card.title} · ${job.vehicle.model}${machine}`;
  const document: TDocumentDefinitions = {
    info: { title: `${job.card.title}: wiring sheet`, author: options.shop, creator: "Dragonet" },
    pageSize: paper === "a4" ? "A4" : "LETTER",
    pageOrientation: "landscape",
    pageMargins: [...MARGINS],
    defaultStyle: { font: "Hyperlegible", fontSize: 8, color: INK, lineHeight: 1.1 },
    styles: {
      run: { fontSize: 11, bold: true, margin: [0, 0, 0, 2] },
      heading: { fontSize: 9.5, bold: true, margin: [0, 6, 0, 1] },
      head: { fontSize: 7, color: "#4d5956" },
    },
    header: {
      margin: [30, 18, 30, 0],
      columns: [
        { text: title, bold: true, fontSize: 11 },
        { text: `${options.shop}   revision ${options.revision}`, alignment: "right" },
        // Opens the job on a phone, beside the lift.
        ...(options.url === undefined
          ? []
          : [
              {
                qr: options.url,
                fit: 34,
                width: 40,
                alignment: "right" as const,
                margin: [0, -12, 0, 0] as [number, number, number, number],
              },
            ]),
      ],
    },
    footer: (page: number, pages: number) => ({
      margin: [30, 6, 30, 0],
      columns: [
        { text: LAST_WORD, fontSize: 6.8, width: "*" },
        { text: `${page} / ${pages}`, alignment: "right", width: 50 },
      ],
    }),
    content: [
      ...(stops > 0
        ? [
            {
              text: `DO NOT BUILD YET: ${stops} finding${stops === 1 ? "" : "s"} to stop for, on the right.`,
              bold: true,
              fontSize: 11,
            },
          ]
        : []),
      jobPage(job, plan),
      ...circuitPages(plan, loom, roomOf(paper)),
      ...cutPage(job, options.units),
      ...teardownBlock(job),
      ...extra(job, plan),
    ],
  };
  return setPdf(document);
}
