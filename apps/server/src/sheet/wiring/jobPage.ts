import type { Content, TableCell } from "pdfmake/interfaces.js";
import {
  CAUTIONS,
  decimal,
  foundText,
  lastsFor,
  span,
  synthesise,
  times,
  toolsOf,
  type Interval,
  type Job,
  type JobPlan,
} from "@dragonet/core";
import { table } from "../table.ts";
import { SEVERITY_WORD, number } from "./words.ts";

/** Columns that things to lay out stand in. */
const COLUMNS = 2;

/** Below this a control gives no volts: it ties to ground. */
const LEAST_V = 0.1;

/** Minutes in the unit a person would say. */
function said(minutes: Interval): string {
  const { value, unit } = lastsFor(times(minutes, 1 / 60));
  return `${value} ${unit}`;
}

/** What turns it on, and what it is fed from where that is not the battery. */
const fedFrom = (when: string, feed: string): string =>
  feed === "battery +" || feed === "" ? when : `${when}; from ${feed}`;

/** Each circuit in a line: what turns it on, its fuse, its thickest wire, what it draws. */
function circuits(plan: JobPlan): Content[] {
  if (plan.strips.engineOff.length === 0) {
    return [{ text: "No circuits are planned on this job yet.", style: "heading" }];
  }
  const picked = (runId: string, kind: string): string =>
    plan.choices.find((c) => c.runId === runId && c.kind === kind)?.picked ?? "";
  return [
    { text: "Circuits", style: "heading" },
    table(
      [88, "*", 52, 46, 34, 36],
      ["Circuit", "On with", "Fuse", "Wire", "Draw", "At lamp"],
      plan.strips.engineOff.map((strip): TableCell[] => [
        { text: strip.name, bold: true },
        fedFrom(strip.when, picked(strip.runId, "feed")),
        picked(strip.runId, "fuse"),
        picked(strip.runId, "wire") || "made up",
        number(`${decimal(strip.totalA, 1)} A`),
        number(`${decimal(strip.lowestV, 1)} V`),
      ]),
    ),
  ];
}

/** What circuits share before they part. */
function feeds(plan: JobPlan): Content[] {
  if (plan.feeders.length === 0) return [];
  return [
    { text: "Supplies and switches", style: "heading" },
    table(
      [96, 60, "*", 90],
      ["Supply or switch", "All on", "Parts", "To"],
      plan.feeders.map((feeder): TableCell[] => [
        { text: feeder.name, bold: true },
        number(
          // What is tied to ground gives no volts.
          feeder.kind === "groundBlock" || feeder.givesV < LEAST_V
            ? `${decimal(feeder.currentA, 1)} A`
            : `${decimal(feeder.givesV, 1)} V, ${decimal(feeder.currentA, 1)} A`,
        ),
        feeder.parts
          .filter((part) => part.kind !== "wire")
          .map((part) => part.name)
          .join(", "),
        feeder.runs.join(", "),
      ]),
    ),
  ];
}

function charging(plan: JobPlan): Content[] {
  const { budget } = plan;
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
    ...(budget.running.length === 0
      ? []
      : [
          table(
            ["*", 60, 56, 60, 50],
            ["State", "Output", "Load", "To spare", "Verdict"],
            budget.running.map((b): TableCell[] => [
              `${b.state}, ${decimal(b.rpm, 0)} rpm`,
              number(`${span(b.outputA)} A`),
              number(`${span(b.loadA)} A`),
              number(`${span(b.spareA)} A`),
              b.verdict,
            ]),
          ),
        ]),
    { text: words.join(" ") },
  ];
}

function findings(plan: JobPlan): Content[] {
  if (plan.causes.length === 0) {
    return [{ text: "Findings", style: "heading" }, { text: "None: nothing here to stop for." }];
  }
  return [
    { text: "Findings", style: "heading" },
    table(
      [28, 120, "*"],
      ["", "What", "Where"],
      plan.causes.map((f) => [
        { text: SEVERITY_WORD[f.severity], bold: f.severity === "stop" },
        { text: f.title, bold: f.severity === "stop" },
        f.places.map(({ place, figures }) => foundText(place, figures)).join("; "),
      ]),
    ),
  ];
}

/** Names in columns, each with a box to tick. */
function ticked(lines: readonly string[]): Content {
  const each = Math.ceil(lines.length / COLUMNS);
  const column = (nth: number): Content => ({
    stack: lines.slice(nth * each, (nth + 1) * each).map((text) => ({
      columns: [
        { canvas: [{ type: "rect", x: 0, y: 1.5, w: 6, h: 6, lineWidth: 0.6 }], width: 10 },
        { text },
      ],
      columnGap: 0,
      margin: [0, 0.5, 6, 0.5],
    })),
  });
  return { columns: Array.from({ length: COLUMNS }, (_, nth) => column(nth)) };
}

function layOut(job: Job, plan: JobPlan): Content[] {
  // Wire is told with the cut list, by its colours.
  const parts = plan.materials
    .filter(({ unit }) => unit === "")
    .map(({ name, count, detail }) =>
      [`${decimal(count, 0)} × ${name}`, detail].filter((t) => t !== "").join(", "),
    );
  const tools = toolsOf(job, synthesise(job)).map((tool) => tool.name);
  return [
    ...(parts.length === 0 ? [] : [{ text: "To lay out", style: "heading" }, ticked(parts)]),
    ...(tools.length === 0 ? [] : [{ text: "Tools", style: "heading" }, ticked(tools)]),
  ];
}

/** The first page: what the job is, what to stop for, what charging makes of it, what to lay out. */
export const jobPage = (job: Job, plan: JobPlan): Content => ({
  columns: [
    { width: "*", stack: [...circuits(plan), ...feeds(plan)] },
    {
      width: "44%",
      stack: [
        ...findings(plan),
        ...charging(plan),
        ...layOut(job, plan),
        { text: "Before and while you work", style: "heading" },
        { ul: [...CAUTIONS], fontSize: 6.8 },
      ],
    },
  ],
  columnGap: 20,
  fontSize: 7.6,
});
