import { JOB_FORMAT, printJob, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { run } from "../src/run.ts";

function call(args: readonly string[], files: Record<string, string> = {}) {
  const said = { out: "", err: "" };
  const code = run(args, {
    read: (path) => {
      const text = files[path];
      if (text === undefined) throw new Error(`no such file: ${path}`);
      return text;
    },
    write: () => {},
    out: (text) => void (said.out += text),
    err: (text) => void (said.err += text),
    serveLines: () => 0,
  });
  return { code, ...said };
}

const [demo] = demoJobs() as [Job];
const good = printJob(demo);
const bad = printJob({ ...demo, runs: demo.runs.map((r) => ({ ...r, fuse: { kind: "none" } })) });

describe("the command line", () => {
  it("tells verdicts and findings, and passes a sound job", () => {
    const { code, out } = call(["check", "job.json"], { "job.json": good });
    expect(code).toBe(0);
    expect(out).toContain(
      "idle: −10.3 to −3.8 A to spare, −6 to −0.1 A without these lamps, short",
    );
    expect(out).toContain("FIX  Parked draw");
  });

  it("ends with 1 when there is something to stop for", () => {
    const { code, out } = call(["check", "job.json"], { "job.json": bad });
    expect(code).toBe(1);
    expect(out).toContain("STOP  No fuse");
  });

  it("speaks JSON", () => {
    const { code, out } = call(["check", "job.json", "--json"], { "job.json": good });
    expect(code).toBe(0);
    const said = JSON.parse(out) as { findings: { rule: string; source: string }[] };
    expect(said.findings.map((f) => f.rule)).toContain("parked-draw");
    expect(said.findings.every((f) => f.source !== "")).toBe(true);
  });

  it("ends with 2 and the path of every fault on a file it cannot read", () => {
    expect(call(["check", "gone.json"])).toMatchObject({
      code: 2,
      err: "gone.json: no such file: gone.json\n",
    });
    const torn = call(["check", "job.json"], { "job.json": good.replace('"16 AWG"', '"17 AWG"') });
    expect(torn.code).toBe(2);
    expect(torn.err).toMatch(/job\.json: parts\[\d\]\.pigtail: invalid wire size: "17 AWG"/);
  });

  it("prints the schema, and its use when asked or misused", () => {
    expect(JSON.parse(call(["schema"]).out)).toMatchObject({ title: JOB_FORMAT });
    expect(call(["--help"])).toMatchObject({ code: 0, err: "" });
    expect(call([]).code).toBe(2);
    expect(call(["check"]).code).toBe(2);
    expect(call(["check", "--colour"]).code).toBe(2);
  });
});
