import Papa from "papaparse";
import { call, flashingBrake, rowsOf } from "./call.ts";

const marshal = flashingBrake();

describe("testing on the vehicle", () => {
  interface Step {
    readonly step: string;
    readonly expected: string;
  }
  const fields = (line: string): string[] => Papa.parse<string[]>(line).data[0] ?? [];

  it("prints the script as lines, JSON and CSV with the same steps", async () => {
    const json = JSON.parse((await call(marshal, ["script", "job.json", "--json"])).out) as {
      steps: Step[];
      told: number;
    }[];
    const steps = json.flatMap((group) => group.steps);
    expect(steps.length).toBeGreaterThan(8);
    const rows = rowsOf((await call(marshal, ["script", "job.json", "--csv"])).out);
    expect(rows.map((row) => row.step)).toEqual(steps.map((s) => s.step));
    const { out } = await call(marshal, ["script", "job.json"]);
    expect(out).toMatch(/^With everything off$/m);
    expect(out).toMatch(/faults from sound/);
  });

  it("ranks what is wrong by readings that were filled in, and proposes what is next", async () => {
    const csv = (await call(marshal, ["script", "job.json", "--csv"])).out;
    const filled = csv
      .trimEnd()
      .split("\n")
      .map((line, i) => (i === 0 ? line : `${line}${fields(line)[3] ?? ""}`))
      .join("\n");
    const sound = await call(marshal, ["diagnose", "job.json", "--readings", "r.csv", "--json"], {
      "r.csv": filled,
    });
    expect({ code: sound.code, err: sound.err }).toEqual({ code: 0, err: "" });
    const found = JSON.parse(sound.out) as { suspects: { id: string; share: number }[] }[];
    for (const { suspects } of found) expect(suspects[0]?.id).toBe("sound");

    // The lamp of the brake circuit dark and without current, everything else as it should be.
    const dark = filled
      .replace(/^(look\|brake\|.*),lit$/gm, "$1,dark")
      .replace(/^(amps\|brake\|.*),[\d.]+$/gm, "$1,0");
    expect(dark).not.toBe(filled);
    const wrong = await call(marshal, ["diagnose", "job.json", "--readings", "r.csv"], {
      "r.csv": dark,
    });
    expect(wrong.code).toBe(1);
    expect(wrong.out).toMatch(/^Next: .* with .* \(as built /m);
  });

  it("refuses readings at their line, and steps that are none of the job's", async () => {
    const files = { "r.csv": "step,reading\nvolts|off|battery.pos|0,twelve\n" };
    const torn = await call(marshal, ["diagnose", "job.json", "--readings", "r.csv"], files);
    expect(torn).toMatchObject({ code: 2, out: "" });
    expect(torn.err).toContain("r.csv: line 2: invalid reading");
    const lost = await call(marshal, ["diagnose", "job.json", "--readings", "r.csv"], {
      "r.csv": "step,reading\nvolts|off|nowhere|0,12\n",
    });
    expect(lost.code).toBe(2);
    expect(lost.err).toContain("there is no such step in this job");
    expect((await call(marshal, ["diagnose", "job.json"])).err).toContain("--readings");
    expect((await call(marshal, ["diagnose", "job.json", "--readings", "none.csv"])).code).toBe(2);
  });

  it("has a meter that hides a fault which the job can have, and no other", async () => {
    const wrong = await call(marshal, ["meter", "job.json", "--fault", "none"]);
    expect(wrong.code).toBe(2);
    expect(wrong.err).toMatch(/no fault "none" in this job, such as "/);
    expect((await call(marshal, ["meter", "job.json", "--port", "x"])).err).toMatch(/invalid port/);
    const [, known = ""] = /such as "(.*)"/.exec(wrong.err) ?? [];
    expect((await call(marshal, ["meter", "job.json", "--fault", known])).code).toBe(0);
  });
});
