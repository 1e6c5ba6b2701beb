/** The words of the wiring sheet, as the built server sets it, against what they are printed from. */
import {
  CAUTIONS,
  LAST_WORD,
  cutListOf,
  decimal,
  fastenerText,
  fastenersOf,
  foundText,
  inchesText,
  lengthText,
  planJob,
  span,
  stripOrder,
  synthesise,
  testReport,
  toolsOf,
  type Job,
} from "@dragonet/core";
import type { Task } from "../src/work/tasks.ts";
import { allText, expectAll, jobThat, options } from "./paperWords.ts";
import { readWords, type Page } from "./readWords.ts";

/** A job with most of what a sheet can say: shared feeds, things that come off, what to stop for. */
const full = jobThat((job) => job.strip.length > 0 && planJob(job, "metric").feeders.length > 0);
const stopped = jobThat((job) => planJob(job, "metric").causes.some((c) => c.severity === "stop"));

const bare: Job = { ...full, runs: [], lamps: [], mounts: [] };

const sheet = (document: Job, units: "metric" | "us" = "metric"): Task => ({
  ...{ kind: "wiringSheet", document, options: options(units) },
});

describe("the words of the wiring sheet", () => {
  let read: { wiring: Page[]; wiringStopped: Page[]; wiringBare: Page[] };
  beforeAll(() => {
    const pages = readWords([sheet(full), sheet(stopped, "us"), sheet(bare)]);
    const [wiring = [], wiringStopped = [], wiringBare = []] = pages;
    read = { wiring, wiringStopped, wiringBare };
  });

  const figure = (n: number, digits: number): string => decimal(n, digits);

  it("has each circuit with what turns it on, its fuse, its wire, what it draws and its lamp's volts", () => {
    const plan = planJob(full, "metric");
    const picked = (runId: string, kind: string): string =>
      plan.choices.find((c) => c.runId === runId && c.kind === kind)?.picked ?? "";
    expect(plan.strips.engineOff.length).toBeGreaterThan(1);
    expectAll(read.wiring, [
      ...["Circuits", "Circuit On with Fuse Wire Draw At lamp", "The shop revision 3", LAST_WORD],
      `${full.card.title} · ${full.vehicle.model}`,
      ...plan.strips.engineOff.flatMap((strip) => {
        const feed = picked(strip.runId, "feed");
        const from = feed === "" || feed === "battery +" ? "" : `; from ${feed}`;
        return [
          `${strip.name} ${strip.when}${from}`,
          picked(strip.runId, "fuse"),
          picked(strip.runId, "wire") || "made up",
          `${figure(strip.totalA, 1)} A ${figure(strip.lowestV, 1)} V`,
          `on with ${strip.when}; ${span(strip.drawA, 1)} A; ${strip.lamps.length === 1 ? strip.lamps[0]!.label : "lowest lamp"} ${figure(strip.lowestV, 2)} V, copper ${figure(100 * strip.dropShare, 1)} %`,
        ];
      }),
    ]);
    expect(allText(read.wiringBare)).toContain("No circuits are planned on this job yet.");
  });

  it("has what circuits share, what to stop for, and what charging makes of it", () => {
    for (const [pages, job, units] of [
      [read.wiring, full, "metric"],
      [read.wiringStopped, stopped, "us"],
    ] as const) {
      const { feeders, causes, budget } = planJob(job, units);
      expectAll(pages, [
        ...feeders.flatMap((t) => [
          t.name,
          t.kind === "groundBlock" || t.givesV < 0.1
            ? `${figure(t.currentA, 1)} A`
            : `${figure(t.givesV, 1)} V, ${figure(t.currentA, 1)} A`,
          t.runs.join(", "),
          t.parts.flatMap((p) => (p.kind === "wire" ? [] : [p.name])).join(", "),
        ]),
        ...causes.flatMap((c) => [
          `${{ stop: "STOP", fix: "Fix", note: "Note" }[c.severity]} ${c.title}`,
          ...c.places.map(({ place, figures }) => foundText(place, figures)),
        ]),
        ...budget.running.flatMap((b) => [
          `${b.state}, ${figure(b.rpm, 0)} rpm`,
          `${span(b.outputA)} A`,
          `${span(b.loadA)} A`,
          `${span(b.spareA)} A`,
          b.verdict,
        ]),
        ...(budget.running.length > 0 ? ["State Output Load To spare Verdict"] : []),
      ]);
      const heading = allText(pages).includes("Supplies and switches");
      expect(heading).toBe(feeders.length > 0);
    }
    const stops = planJob(stopped, "us").causes.filter((c) => c.severity === "stop").length;
    expect(allText(read.wiringStopped)).toContain(
      `DO NOT BUILD YET: ${stops} finding${stops === 1 ? "" : "s"} to stop for, on the right.`,
    );
  });

  it("has what is laid out, each with a box to tick, and the tools", () => {
    const { materials } = planJob(full, "metric");
    const parts = materials.filter(({ unit }) => unit === "");
    const tools = toolsOf(full, synthesise(full));
    expectAll(read.wiring, [
      ...["To lay out", "Tools", "Before and while you work", ...CAUTIONS],
      ...parts.map((p) =>
        [`${figure(p.count, 0)} × ${p.name}`, p.detail].filter((t) => t !== "").join(", "),
      ),
      ...tools.map((tool) => tool.name),
    ]);
    const boxes = read.wiring[0]!.boxes.filter(
      (b) => Math.abs(b[2] - b[0] - 6) < 0.1 && Math.abs(b[3] - b[1] - 6) < 0.1,
    );
    expect(boxes).toHaveLength(parts.length + tools.length);
    // In two columns.
    expect(new Set(boxes.map((b) => Math.round(b[0]))).size).toBe(2);
  });

  it("has the lengths of who measures in inches as a tape has them", () => {
    const { lines } = cutListOf(stopped, synthesise(stopped));
    expect(lines.length).toBeGreaterThan(0);
    expectAll(read.wiringStopped, [
      "Flag Wire in From To",
      ...lines.map((l) => `${l.colour} ${inchesText(l.cutM)}`),
    ]);
  });

  it("has every wire that is cut with its flag, its length and its two ends, and what comes off the spools", () => {
    const { lines, spools } = cutListOf(full, synthesise(full));
    expect(lines.length).toBeGreaterThan(8);
    expectAll(read.wiring, [
      ...["Cut list", "Flag Wire mm From To"],
      ...lines.map((l) => `${l.label} ${l.gaugeId} ${l.colour}`),
      ...lines.flatMap((l) => [figure(l.cutM * 1000, 0), `${l.from.at} (`, `${l.to.at} (`]),
      ...spools.map((s) => `${s.gaugeId} ${s.colour}: ${lengthText(s.totalM, "metric")}`),
    ]);
    // Long words for ends stand in short ones.
    expect(allText(read.wiring)).not.toContain("terminal 6.3 mm");
    expect(allText(read.wiring)).not.toContain("as the part has it");
    const flags = read.wiring.flatMap((page) => {
      const head = page.words.filter(({ str }) => str === "Flag");
      return head.map(({ box }) => Math.round(box[0]));
    });
    expect(new Set(flags).size).toBe(2);
  });

  it("has what comes off in its order, the test, and what the inspector asks", () => {
    const { lines, total, unread } = testReport(full);
    expect(total).toBeGreaterThan(5);
    expectAll(read.wiring, [
      "Take apart, and back in the other order",
      ...stripOrder(full.strip).flatMap((step, i) => [
        `${i + 1} ${step.name}`,
        ...fastenersOf(full, step.id).map((f) => `${f.count} of ${fastenerText(f)}`),
        ...full.plugs
          .filter((plug) => plug.stepId === step.id)
          .map((plug) => `plug ${plug.name}, ${plug.where}`),
        ...(step.forget === "" ? [] : [`on the way back: ${step.forget}`]),
      ]),
      `Test on the vehicle: ${unread === total ? "not read yet: fill in by hand" : unread === 0 ? "every step read or left out with a reason" : `${unread} of ${total} steps not read`}`,
      "With Tips, clamp or eye Right Read",
      ...lines.flatMap((l) => [l.words, l.expected, l.controls, l.read]),
      "For the inspector: what was added",
      ...planJob(full, "metric").inspector.flatMap((l) => [
        `${l.label} ${l.place} ${l.light} ${l.when}`,
        l.overTime,
      ]),
    ]);
  });
});
