import { append, applyEdits, printPartsCsv, type Job, type Quote } from "@dragonet/core";
import { DEMO_SHELF } from "@dragonet/core/demo";
import { call, flashingBrake } from "./call.ts";

const marshal = flashingBrake();

describe("quote", () => {
  it("prices a job by its own parts, and by a shelf for what it has no copies of", async () => {
    const bare = JSON.parse((await call(marshal, ["quote", "job.json", "--json"])).out) as Quote;
    expect(bare.unpriced).toContain("blade fuse 3 A");
    const shelf = { "shelf.csv": printPartsCsv(DEMO_SHELF) };
    const args = ["quote", "job.json", "--shelf", "shelf.csv"];
    const answer = await call(marshal, [...args, "--json"], shelf);
    expect(answer.err).toBe("");
    const full = JSON.parse(answer.out) as Quote;
    expect(full.unpriced).not.toContain("blade fuse 3 A");
    expect(full.total.netMinor).toBeGreaterThan(bare.total.netMinor);
    const said = (await call(marshal, args, shelf)).out;
    expect(said).toMatch(/net [\d\u00a0.]+ EUR, tax [\d\u00a0.]+ EUR, total [\d\u00a0.]+ EUR/);
  });

  it("refuses a shelf that it cannot read, with line and column", async () => {
    const shelf = {
      "shelf.csv": printPartsCsv(DEMO_SHELF).replace("pod-18,load", "pod-18,lantern"),
    };
    const answer = await call(marshal, ["quote", "job.json", "--shelf", "shelf.csv"], shelf);
    expect(answer.code).toBe(2);
    expect(answer.err).toMatch(/shelf\.csv: line \d+, kind: /);
    expect(answer.out).toBe("");
  });
});

describe("handover", () => {
  it("ends with 1 while something is missing that nobody signed for, and with 0 after", async () => {
    const before = await call(marshal, ["handover", "job.json", "--out", "."]);
    expect(before.code).toBe(1);
    expect(before.out).toContain("not tested on the vehicle");
    const json = JSON.parse((await call(marshal, ["handover", "job.json", "--json"])).out) as {
      gates: readonly { gate: "tested" }[];
    };
    let job: Job = marshal;
    for (const { gate } of json.gates) {
      const signed = applyEdits(job, [
        append(job, "signature", {
          ...{ id: `s-${gate}`, gate, name: "Pim", reason: "shown by eye" },
          at: "2026-11-26T10:00:00Z",
        }),
      ]);
      if (!signed.ok) throw new Error(signed.message);
      ({ job } = signed);
    }
    const after = await call(job, ["handover", "job.json", "--out", "."]);
    expect(after.code).toBe(0);
    expect(after.out).toContain('signed by Pim, "shown by eye"');
  });
});
