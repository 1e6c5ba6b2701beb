import { readJobFile } from "@dragonet/contract";
import type { Job } from "@dragonet/core";
import { call, demoThat } from "./call.ts";

const any = demoThat((job) => job.signatures.length > 0);

describe("plan", () => {
  it("makes a job of a sentence, that other verbs read", async () => {
    const answer = await call(any, [
      "plan",
      "40 W bar on its own switch and two pods with high beam for Scar Top Farm, by 2 Dec",
      ...["--vehicle", "fellrunner-420", "--out", "/tmp/new.json"],
    ]);
    // The bar has no key: the check says that a ride with it burning may not start again.
    expect(answer.code).toBe(1);
    expect(answer.out).toMatch(/stop: .*may not start/);
    expect(answer.out).toContain("Bar: 1 × 40 W light bar in front, on with own switch");
    const read = readJobFile(answer.written.get("/tmp/new.json") ?? "");
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const proof = await call(read.value, ["prove", "job.json"]);
    expect(proof.code).toBe(0);
  });

  it("unboxes a kit, with all its circuits", async () => {
    const answer = await call(any, ["plan", "road kit on the Porter", "--json"]);
    const { kits, job } = JSON.parse(answer.out) as { kits: readonly string[]; job: Job };
    expect(kits).toEqual(["Road kit for carts, six relays"]);
    expect(job.runs.map((circuit) => circuit.name)).toContain("Brake lights");
    const told = await call(any, ["plan", "road kit on the Porter"]);
    expect(told.out).toContain("Road kit for carts, six relays: unboxed, Low beam, High beam");
    expect(told.code).toBe(0);
  });

  it("shows what it did not understand, in words and as JSON", async () => {
    const text = "two pods with a zorp on high beam on the Petrel";
    expect((await call(any, ["plan", text])).out).toContain("not understood: zorp");
    const json = JSON.parse((await call(any, ["plan", text, "--json"])).out) as {
      notUnderstood: readonly string[];
      job: Job;
    };
    expect(json.notUnderstood).toEqual(["zorp"]);
    expect(json.job.lamps).toHaveLength(2);
  });

  it("ends with 2 without a vehicle, with one that there is not, or with nothing to plan", async () => {
    expect(await call(any, ["plan", "two pods"])).toMatchObject({
      ...{ code: 2, out: "" },
      err: expect.stringContaining("names no vehicle") as string,
    });
    const wrong = await call(any, ["plan", "two pods", "--vehicle", "none"]);
    expect(wrong).toMatchObject({
      code: 2,
      err: expect.stringContaining("fellrunner-420") as string,
    });
    expect((await call(any, ["plan", "hello", "--vehicle", "petrel-650"])).code).toBe(2);
  });
});
