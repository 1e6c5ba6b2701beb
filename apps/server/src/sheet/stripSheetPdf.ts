import type { Content, TableCell, TDocumentDefinitions } from "pdfmake/interfaces.js";
import {
  CAUTIONS,
  LAST_WORD,
  decimal,
  foundText,
  inspectorLines,
  lastsFor,
  lengthText,
  planJob,
  span,
  stripSvg,
  times,
  type Interval,
  type Finding,
  type Job,
  type JobPlan,
  type Strip,
  type UnitSystem,
} from "@dragonet/core";
import { loomPage } from "@dragonet/loom";
import { setPdf, type PaperOptions } from "./pdf.ts";
import { table } from "./table.ts";
import { testBlock } from "./testBlock.ts";

const INK = "#16211f";

const SEVERITY_WORD: Readonly<Record<Finding["severity"], string>> = {
  stop: "STOP",
  fix: "Fix",
  note: "Note",
};

const number = (text: string): TableCell => ({ text, fontFeatures: ["tnum"] });

function runBlock(strip: Strip, index: number, plan: JobPlan, units: UnitSystem): Content {
  const svg = stripSvg(strip, { fontFamily: "Hyperlegible", ink: INK });
  const own = plan.wires.filter((w) => w.runId === strip.runId);
  const choices = table(
    [42, 110, "*"],
    ["Part", "Picked", "Why"],
    plan.choices
      .filter((c) => c.runId === strip.runId)
      .map((c) => [c.kind, c.pinned ? `${c.picked} (pinned)` : c.picked, c.reason]),
  );
  const wires = table(
    [26, 44, 66, 44, "*"],
    ["Flag", "Size", "Colour", "Length", "From, to"],
    own.map((w) => [
      number(w.label),
      number(w.gaugeId),
      w.colour,
      number(lengthText(w.lengthM, units)),
      `${w.from}, ${w.to}`,
    ]),
  );
  return {
    margin: [0, 0, 0, 16],
    // A page a run: it is taped up where that run is being wired.
    ...(index > 0 ? { pageBreak: "before" as const } : {}),
    stack: [
      {
        // Only the strip is kept whole: a block taller than a page would not be set at all.
        unbreakable: true,
        stack: [
          { text: strip.name, style: "run" },
          {
            text: `On with: ${strip.when}.   Draw ${span(strip.drawA, 2)} A.   Lowest lamp ${decimal(strip.lowestV, 2)} V, drop in copper ${decimal(100 * strip.dropShare)} %, in fuse, contacts and frame ${decimal(strip.fixedV, 2)} V (source at ${decimal(strip.sourceV, 1)} V).`,
            margin: [0, 0, 0, 4],
          },
          { svg, fit: [762, 240] },
        ],
      },
      { columns: [choices, wires], columnGap: 24, fontSize: 8 },
    ],
  };
}

/** What runs share before they part: one table, as each is a fuse and a wire. */
function trunkBlock(plan: JobPlan, units: UnitSystem): Content[] {
  if (plan.trunks.length === 0) return [];
  const rows = plan.trunks.map((trunk): TableCell[] => [
    { text: trunk.name, bold: true },
    number(trunk.kind === "groundBlock" ? "" : `${decimal(trunk.givesV, 2)} V`),
    number(`${decimal(trunk.currentA, 2)} A`),
    plan.wires
      .filter((w) => w.runId === trunk.ownerId)
      .map(
        (w) =>
          `${w.label} ${w.gaugeId} ${w.colour} ${lengthText(w.lengthM, units)}: ${w.from}, ${w.to}`,
      )
      .join("\n"),
    trunk.parts
      .filter((part) => part.kind !== "wire")
      .map((part) => part.name)
      .join(", "),
    trunk.runs.join(", "),
  ]);
  return [
    { text: "Before the runs", style: "heading", pageBreak: "before" as const },
    table(
      [90, 44, 44, 230, 150, "*"],
      ["Feed or control", "Gives", "All on", "Wires", "Parts", "To"],
      rows,
    ),
  ];
}

const loomBlock = (svg: string): Content => ({
  pageBreak: "before" as const,
  stack: [
    { text: "The whole loom", style: "run" },
    { svg, fit: [762, 440] },
  ],
});

/** Minutes in the unit a person would say. */
function said(minutes: Interval): string {
  const { value, unit } = lastsFor(times(minutes, 1 / 60));
  return `${value} ${unit}`;
}

function verdicts(plan: JobPlan): Content[] {
  const { budget } = plan;
  const rows: TableCell[][] = budget.running.map((b) => [
    `${b.state}, ${decimal(b.rpm, 0)} rpm`,
    number(`${span(b.outputA)} A`),
    number(`${span(b.loadA)} A`),
    number(`${span(b.spareA)} A`),
    b.verdict,
  ]);
  const off = budget.engineOff?.minutes;
  const { parked } = budget;
  const words = [
    off ? `Engine off: ${said(off)} until it may not start.` : "",
    ...budget.own.map(({ name, usedH }) =>
      usedH ? `${name}: lasts ${said(times(usedH, 60))} as it is used.` : "",
    ),
    parked?.days
      ? `Parked: ${decimal(parked.currentA.mid * 1000, 0)} mA, ${span(parked.days, parked.days.mid < 10 ? 1 : 0)} days until it may not start.`
      : "Parked: nothing draws.",
  ].filter((t) => t !== "");
  return [
    { text: "Charging", style: "heading" },
    table(["*", 90, 90, 90, 80], ["State", "Output", "Load", "To spare", "Verdict"], rows),
    { text: words.join("   ") },
  ];
}

function findings(plan: JobPlan): Content[] {
  if (plan.causes.length === 0) {
    return [{ text: "Findings", style: "heading" }, { text: "None: nothing here to stop for." }];
  }
  return [
    { text: "Findings", style: "heading" },
    table(
      [40, 190, 190, "*"],
      ["", "What", "Where", "Why"],
      plan.causes.map((f) => [
        { text: SEVERITY_WORD[f.severity], bold: f.severity === "stop" },
        f.title,
        f.places.map(({ place, figures }) => foundText(place, figures)).join("\n"),
        f.why,
      ]),
    ),
  ];
}

function materials(plan: JobPlan): Content[] {
  return [
    { text: "To lay out", style: "heading" },
    table(
      [70, "*", "*"],
      ["Count", "What", ""],
      plan.materials.map((part) => [
        number(part.unit === "m" ? `${decimal(part.count, 1)} m` : decimal(part.count, 0)),
        part.name,
        part.detail,
      ]),
    ),
  ];
}

/** What was added, for the inspector. */
function inspector(job: Job): Content[] {
  const lines = inspectorLines(job);
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

/** The strip sheet of a job as a PDF document: a page a run, then budget, findings, parts. */
export async function stripSheetPdf(job: Job, options: PaperOptions): Promise<Buffer> {
  const plan = planJob(job, options.units);
  const strips = plan.strips.engineOff;
  const loom = await loomPage(job, options.units, {
    fontFamily: "Hyperlegible",
    ink: INK,
    paper: "#ffffff",
  });
  const stops = plan.findings.filter((f) => f.severity === "stop").length;
  const title = `${job.card.title} · ${job.vehicle.model}${job.vehicle.machine === "" ? "" : ` (${job.vehicle.machine})`}`;
  const document: TDocumentDefinitions = {
    info: { title: `${job.card.title}: strip sheet`, author: options.shop, creator: "Dragonet" },
    pageSize: "A4",
    pageOrientation: "landscape",
    pageMargins: [40, 58, 40, 46],
    defaultStyle: { font: "Hyperlegible", fontSize: 9, color: INK, lineHeight: 1.1 },
    styles: {
      title: { fontSize: 15, bold: true },
      run: { fontSize: 15, bold: true, margin: [0, 0, 0, 2] },
      heading: { fontSize: 11, bold: true, margin: [0, 8, 0, 2] },
      head: { fontSize: 8, color: "#4d5956" },
    },
    header: {
      margin: [40, 22, 40, 0],
      columns: [
        { text: title, bold: true, fontSize: 11 },
        {
          text: `${options.shop}   revision ${options.revision}`,
          alignment: "right",
        },
      ],
    },
    footer: (page: number, pages: number) => ({
      margin: [40, 8, 40, 0],
      columns: [
        { text: LAST_WORD, fontSize: 7.5, width: "*" },
        { text: `${page} / ${pages}`, alignment: "right", width: 50 },
      ],
    }),
    content: [
      ...(stops > 0
        ? [
            {
              text: `DO NOT BUILD YET: ${stops} finding${stops === 1 ? "" : "s"} to stop for. See the last page.`,
              bold: true,
              fontSize: 12,
              margin: [0, 0, 0, 6] as [number, number, number, number],
            },
          ]
        : []),
      ...(strips.length === 0
        ? [{ text: "No runs are planned on this job yet.", style: "run" }]
        : strips.map((strip, i) => runBlock(strip, i, plan, options.units))),
      ...trunkBlock(plan, options.units),
      ...(loom === "" ? [] : [loomBlock(loom)]),
      {
        pageBreak: "before" as const,
        stack: [...verdicts(plan), ...findings(plan), ...materials(plan)],
      },
      ...inspector(job),
      ...testBlock(job),
      { text: "Before and while you work", style: "heading" },
      { ul: [...CAUTIONS] },
    ],
  };
  return setPdf(document);
}
