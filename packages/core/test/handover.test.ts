import {
  TestBench,
  GATES,
  allOf,
  append,
  asId,
  checkedCircuit,
  jobSummary,
  notHandedOver,
  openGates,
  ownerSheet,
  ownerSheetHtml,
  stepsOf,
  synthesise,
  testReport,
  type Gate,
  type Job,
  type StepId,
  type TestReport,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";
import { edited, jobWith } from "./helpers.ts";
import { pods } from "./testing.ts";

/** A signature changes no step: the script is worked out once for each set of readings. */
const reports = new WeakMap<object, TestReport>();
function reportOf(job: Job): TestReport {
  const known = reports.get(job.readings) ?? testReport(job);
  reports.set(job.readings, known);
  return known;
}

const gatesOf = (job: Job) => openGates(job, checkedCircuit(job).findings, reportOf(job));
const refusal = (job: Job) => notHandedOver(job, checkedCircuit(job).findings, reportOf(job));

const sheetOf = (job: Job) =>
  ownerSheet(job, { circuit: synthesise(job), gates: gatesOf(job) }, "metric");

const sign = (job: Job, gate: Gate | "", reason = "the owner would not wait"): Job =>
  edited(
    job,
    append(job, "signature", {
      ...{ id: `s-${gate}`, gate, name: "Pim Okkerse", reason, at: "2026-11-26T10:00:00Z" },
    }),
  );

describe("before a vehicle goes", () => {
  it("what nobody tested waits for a meter or a name", () => {
    const job = pods();
    expect(gatesOf(job).map((g) => g.gate)).toContain("tested");
    expect(refusal(job)).toContain("not tested on the vehicle");
    const signed = sign(job, "tested");
    expect(gatesOf(signed).find((g) => g.gate === "tested")?.signed?.name).toBe("Pim Okkerse");
    expect(refusal(signed)).toBe("");
  });

  it("a signature for one thing is none for another", () => {
    // A third of them: each signature plans its job anew, and no two gates know each other.
    for (const job of demoJobs().filter((_, i) => i % 3 === 0)) {
      const open = gatesOf(job).map((g) => g.gate);
      for (const gate of open) {
        const left = open.filter((other) => other !== gate);
        expect(refusal(sign(job, gate)) === "").toBe(left.length === 0);
      }
    }
  });

  it("a reading that is off is held until it is mended or signed for", () => {
    const job = pods();
    const read = (value: number): Job =>
      edited(
        job,
        append(job, "reading", {
          ...{ id: "r", step: "volts|all|a|b", value, low: 12, high: 13, note: "" },
          ...{ by: "Pim", at: "2026-11-26T10:00:00Z" },
        }),
      );
    expect(gatesOf(read(12.4)).map((g) => g.gate)).not.toContain("readings");
    expect(gatesOf(read(3)).map((g) => g.gate)).toContain("readings");
  });

  it("the board asks for no more than the hand-over does", () => {
    for (const job of demoJobs()) {
      const late: Job = { ...job, card: { ...job.card, stage: "handOver" } };
      const all = GATES.reduce((done, gate) => sign(done, gate), late);
      expect(
        jobSummary(all).waiting.filter((w) => /tested|of the test|aimed/.test(w.text)),
      ).toEqual([]);
    }
  });
});

describe("the owner's sheet", () => {
  it("has every fuse of the circuit with what it protects and where it is", () => {
    for (const job of demoJobs()) {
      const circuit = synthesise(job);
      const fuses = [...circuit.elements.values()].filter((e) => e.kind === "fuse");
      const sheet = ownerSheet(job, { circuit, gates: [] }, "metric");
      expect(sheet.fuses).toHaveLength(fuses.length);
      for (const fuse of sheet.fuses) {
        expect(fuse.protects).toMatch(/\S/);
        expect(fuse.where).toMatch(/\S/);
      }
      expect(sheet.added).toHaveLength(job.runs.length);
    }
  });

  it("has the first four pictures of the job as a whole, in their order, and none of a step", () => {
    const photo = (id: string, stepId = "") => ({ id, stepId: asId<StepId>(stepId), caption: id });
    const job = {
      ...pods(),
      photos: [photo("a"), photo("b", "step"), ...["c", "d", "e", "f"].map((id) => photo(id))],
    };
    expect(sheetOf(job).photos.map((p) => p.id)).toEqual(["a", "c", "d", "e"]);
    expect(sheetOf(pods()).photos).toEqual([]);
  });

  it("says how long the lamps may burn where there is a battery to start from", () => {
    const job = jobWith("pod-18", 2, allOf("switch"));
    const sheet = sheetOf(job);
    expect(sheet.battery[0]).toMatch(/can still start the engine for [\d.–]+ (minutes|hours)/);
  });

  it("says what it goes out without, until that is mended", () => {
    const signed = sign(pods(), "tested");
    expect(sheetOf(signed).without).toMatchObject([
      { of: "not tested on the vehicle", name: "Pim Okkerse", reason: "the owner would not wait" },
    ]);
    const tested = stepsOf(new TestBench(signed)).reduce(
      (job, { probe, expected }) =>
        edited(
          job,
          append(job, "reading", {
            ...{ id: probe.id, step: probe.id, value: expected.value, low: null, high: null },
            ...{ note: "", by: "Pim", at: "2026-11-26T10:00:00Z" },
          }),
        ),
      signed,
    );
    expect(sheetOf(tested).without).toEqual([]);
  });

  it("warns of lamps in front that dazzle, placed or not, and of none where there are none", () => {
    const dazzle =
      "Driving lamps go off whenever somebody comes towards you or rides ahead of you.";
    expect(pods().mounts).toEqual([]);
    expect(sheetOf(pods()).road).toContain(dazzle);
    expect(sheetOf(jobWith("outlet-usb", 1, allOf("key"))).road).not.toContain(dazzle);
  });

  it("is text, whatever people typed", () => {
    const job: Job = { ...pods(), card: { ...pods().card, title: `<script>"&` } };
    const html = ownerSheetHtml(sheetOf(job));
    expect(html).not.toContain("<script>");
    expect(html).toContain("&lt;script&gt;&quot;&amp;");
  });
});
