/** What a batch of edits is made of, and what its history says: worked out without a server. */
import { printJob, type Edit, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { namedActs } from "../src/jobs/namedActs.ts";
import { workOutEdits } from "../src/jobs/workOutEdits.ts";

const note = (value: string): Edit => ({ kind: "setOnce", entity: "card", field: "note", value });

describe("the acts of a batch", () => {
  const edits = ["a", "b", "c"].map(note);

  it("are one under the batch's own name where none is named", () => {
    expect(namedActs({ batchId: "b1" }, edits)).toEqual([{ id: "b1", edits }]);
    expect(namedActs({ batchId: "b1", acts: [] }, edits)).toEqual([{ id: "b1", edits }]);
  });

  it("take their edits in order, as many as each says", () => {
    const acts = [
      { id: "x", edits: 1 },
      { id: "y", edits: 2 },
    ];
    expect(namedActs({ batchId: "b1", acts }, edits)).toEqual([
      { id: "x", edits: [edits[0]] },
      { id: "y", edits: [edits[1], edits[2]] },
    ]);
  });

  it("are refused where they do not add up, or one comes twice, with the place", () => {
    const refusal = (acts: readonly { id: string; edits: number }[]): unknown => {
      try {
        namedActs({ batchId: "b1", acts: [...acts] }, edits);
        return null;
      } catch (error) {
        return (error as { getResponse(): unknown }).getResponse();
      }
    };
    expect(refusal([{ id: "x", edits: 3 }])).toBeNull();
    expect(refusal([{ id: "x", edits: 2 }])).toMatchObject({
      message: "acts: they count 2 edits, and the batch has 3; nothing was stored",
    });
    expect(
      refusal([
        { id: "x", edits: 1 },
        { id: "x", edits: 2 },
      ]),
    ).toMatchObject({
      message: "acts[1].id: x comes twice in the batch; nothing was stored",
      faults: [{ path: "acts[1].id", message: "x comes twice in the batch" }],
    });
  });
});

describe("what edits make of a job", () => {
  const [job] = demoJobs() as [Job];

  it("is the job with its history, a line each up to forty, and how many more there were", () => {
    const lines = (n: number): readonly string[] => {
      const made = workOutEdits(
        job,
        Array.from({ length: n }, (_, i) => note(`note ${i}`)),
      );
      if (!made.ok) throw new Error(made.message);
      return made.lines;
    };
    expect(lines(1)).toHaveLength(1);
    expect(lines(40)).toHaveLength(40);
    expect(lines(41)).toHaveLength(41);
    expect(lines(41).slice(-2)).toEqual([lines(40)[39], "and 1 more"]);
    expect(lines(100).at(-1)).toBe("and 60 more");
  });

  it("comes with what takes it back, to the letter", () => {
    const made = workOutEdits(job, [note("other"), note("and other")]);
    if (!made.ok) throw new Error(made.message);
    const back = workOutEdits(made.job, made.inverse);
    if (!back.ok) throw new Error(back.message);
    expect(printJob(back.job)).toBe(printJob(job));
    expect(made.summary.title).toBe(job.card.title);
  });

  it("is refused whole where one edit is of nothing, or the document could not be read", () => {
    const nothing: Edit = { kind: "remove", entity: "run", id: "none" };
    expect(workOutEdits(job, [note("x"), nothing])).toMatchObject({
      ok: false,
      faults: [{ message: expect.stringContaining("none") as string }],
    });
    const long = workOutEdits(job, [note("x".repeat(100_000))]);
    expect(long).toMatchObject({
      ok: false,
      message: expect.stringMatching(/^card\.note: .*; nothing was stored$/) as string,
    });
  });

  it("is no hand-over while something stands in its way", () => {
    const sign = {
      ...{ kind: "add", entity: "signature", at: job.signatures.length },
      value: { id: "sign-1", gate: "", name: "Pim", reason: "", at: "2026-11-27T10:00:00.000Z" },
    } as unknown as Edit;
    const made = workOutEdits(job, [sign]);
    expect(made).toMatchObject({ ok: false, faults: [{ path: "signatures" }] });
  });
});
