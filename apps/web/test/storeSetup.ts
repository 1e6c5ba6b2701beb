import "fake-indexeddb/auto";
import type { Edit, Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { StandIn } from "./standIn.ts";
import { AtOnce } from "./storage.ts";
import { useJobStore } from "../src/job/store/jobStore.ts";
import { allAside, allBatches, forgetAside, forgetBatches } from "../src/sync/outbox.ts";

export const [job] = demoJobs() as [Job];
export const title = (value: string): Edit => ({
  ...{ kind: "setOnce", entity: "card", field: "title", value },
});
export const bench = (value: string): Edit => ({
  ...{ kind: "setOnce", entity: "card", field: "bench", value },
});

export const store = () => useJobStore.getState();

/** Lets time pass, and the browser's store come after. */
export const settle = async (ms = 0): Promise<void> => {
  for (let step = 0; step < 4; step += 1) {
    await jest.advanceTimersByTimeAsync(ms / 4);
    for (let i = 0; i < 12; i += 1) await new Promise((done) => setImmediate(done));
  }
};

/** Before each test of a file a job is open in a page of its own, on a server that stands in. */
export function withOpenJob(): { server: StandIn } {
  const bench = { server: new StandIn() };
  beforeAll(() => {
    // Node's keeps the process alive; these tests have one page.
    Object.assign(globalThis, { BroadcastChannel: undefined });
  });
  beforeEach(async () => {
    jest.useFakeTimers({ doNotFake: ["setImmediate", "queueMicrotask", "nextTick"] });
    Object.assign(globalThis, { sessionStorage: new AtOnce(), localStorage: new AtOnce() });
    bench.server = new StandIn();
    bench.server.install();
    await store().open("job-1", 1, job, "ansa");
  });
  afterEach(async () => {
    store().close();
    await settle(0);
    await forgetBatches((await allBatches()).map((b) => ({ ...b, acts: Array(99).fill([]) })));
    for (const { batch } of await allAside()) await forgetAside(batch.id);
    jest.useRealTimers();
  });
  return bench;
}
