/** How the demo's jobs came to be: every step of it can be taken again, and ends where the job is. */
import { applyEdits, describeEdit } from "../src/index.ts";
import { DEMO_PEOPLE, demoJobs, pastOf } from "../src/demo/index.ts";
import { jobWith } from "./helpers.ts";
import { allOf } from "../src/index.ts";

describe("the past of a demo job", () => {
  it.each(demoJobs().map((job) => [job.card.title, job] as const))("%s", (_, job) => {
    const { opened, batches } = pastOf(job);
    expect(opened.runs).toEqual([]);
    expect(batches.length).toBeGreaterThan(0);
    let now = opened;
    for (const { signIn, edits } of batches) {
      expect(DEMO_PEOPLE.map((p) => p.signIn)).toContain(signIn);
      const applied = applyEdits(now, edits);
      if (!applied.ok) throw new Error(applied.message);
      for (const edit of edits) {
        const of = edit.kind === "remove" ? now : applied.job;
        expect(describeEdit(edit, of)).not.toMatch(/undefined|\[object/);
      }
      // Taken back it is what it was.
      const back = applyEdits(applied.job, applied.inverse);
      expect(back.ok && back.job).toEqual(now);
      now = applied.job;
    }
    expect(now).toEqual(job);
  });

  it("is told in sittings of one kind of work, the asking by who owns the shop", () => {
    const whole = demoJobs().find((job) => job.readings.length > 0 && job.worked.length > 0)!;
    const { batches } = pastOf(whole);
    expect(new Set(batches.map((b) => b.signIn))).toEqual(new Set(["ansa", "pim"]));
    expect(batches[0]).toMatchObject({ signIn: "ansa" });
    const runs = batches.filter((b) => b.edits.some((e) => "entity" in e && e.entity === "run"));
    expect(runs.map((b) => b.signIn)).toEqual(runs.map(() => "pim"));
  });

  it("of a job that nobody made up so is that it was opened", () => {
    const job = jobWith("pod-18", 1, allOf("key"));
    expect(pastOf(job)).toEqual({ opened: job, batches: [] });
  });
});
