/** A job that is open while others go on: what was missed, what other pages are told, what is kept. */
import type { Job } from "@dragonet/core";
import { change, type Reply } from "./standIn.ts";
import { bench, job, settle, store, title, withOpenJob } from "./storeSetup.ts";
import { forgetJobs, keepJob, keptJob } from "../src/job/store/keptJobs.ts";

const page = withOpenJob();

describe("a page that has missed too much", () => {
  const far: Job = { ...job, card: { ...job.card, title: "Far" } };
  const whole = (revision: number) => (): Reply => ({
    ...{ status: 200, body: { id: "job-1", revision, document: far } },
  });

  it("reads the job anew, and keeps on it what waits here", async () => {
    page.server.answers = [() => "lost"];
    store().edit([bench("Bench 3")]);
    // Revision 2 to 4 are told to nobody any more.
    page.server.changes = [change(5, [bench("Bench 9")])];
    page.server.read = whole(5);
    await store().look();
    await settle(10);
    expect(store()).toMatchObject({
      revision: 5,
      base: { card: { title: "Far" } },
      job: { card: { title: "Far", bench: "Bench 3" } },
    });
  });

  it("goes on with what it has where that cannot be read, and reads it at the next word", async () => {
    page.server.changes = [change(5, [bench("Bench 9")])];
    await store().look();
    await settle(10);
    expect(store()).toMatchObject({ revision: 1, job: { card: { title: job.card.title } } });
    page.server.read = whole(5);
    await store().look();
    await settle(10);
    expect(store()).toMatchObject({ revision: 5, job: { card: { title: "Far" } } });
  });

  it("takes nothing in of a job that was closed meanwhile", async () => {
    page.server.changes = [change(5, [bench("Bench 9")])];
    page.server.read = () => {
      store().close();
      return whole(5)();
    };
    await store().look();
    await settle(10);
    expect(store()).toMatchObject({ id: null, job: null, revision: 0 });
  });
});

describe("the other pages of the browser", () => {
  it("are told that what waits has changed, and what was set aside for good", async () => {
    const told: unknown[] = [];
    class Channel {
      postMessage(news: unknown): void {
        told.push(news);
      }
      addEventListener(): void {}
      removeEventListener(): void {}
    }
    Object.assign(globalThis, { BroadcastChannel: Channel });
    try {
      page.server.answers = [() => ({ status: 422, body: { message: "no" } })];
      store().edit([title("A")]);
      await settle(400);
      expect(told).toContainEqual({ kind: "waiting" });
      expect(told).toContainEqual({
        kind: "ended",
        batches: [expect.objectContaining({ id: page.server.sent[0]!.batchId })],
      });
    } finally {
      Object.assign(globalThis, { BroadcastChannel: undefined });
    }
  });
});

describe("jobs as they were last seen", () => {
  it("are kept by their ids, and forgotten together", async () => {
    jest.useRealTimers();
    const answer = { id: "job-1", revision: 3, document: job };
    await keepJob(answer);
    expect(await keptJob("job-1")).toEqual(answer);
    expect(await keptJob("job-2")).toBeUndefined();
    await forgetJobs();
    expect(await keptJob("job-1")).toBeUndefined();
  });
});
