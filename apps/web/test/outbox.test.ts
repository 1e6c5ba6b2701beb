/** What waits in a browser: its order, what becomes of it by each answer, and who is told. */
import "fake-indexeddb/auto";
import type { Batch, Edit } from "@dragonet/core";
import { AtOnce } from "./storage.ts";
import { StandIn, change, type Reply } from "./standIn.ts";
import {
  allAside,
  allBatches,
  forgetAside,
  forgetBatches,
  isKept,
  keepAside,
  keepBatch,
  sealBatch,
  waitingOf,
} from "../src/sync/outbox.ts";
import { hearPages, tabName, tellPages, type PageNews } from "../src/sync/pages.ts";
import { keepNewJob } from "../src/sync/newJobs.ts";
import { changesSince, postBatch } from "../src/sync/post.ts";
import { sendWaiting } from "../src/sync/sendWaiting.ts";
import { followWaiting, useWaitingStore, waitingChanged } from "../src/sync/waiting.ts";
import { changesWord, waitingActs } from "../src/sync/words.ts";

const title = (value: string): Edit => ({ kind: "setOnce", entity: "card", field: "title", value });

const batch = (id: string, more: Partial<Batch> = {}): Batch => ({
  ...{ id, jobId: "job-1", personId: "ansa", tab: "other", madeOn: 3, follows: ["f"] },
  ...{ givenUp: [], acts: [{ id: `act-${id}`, edits: [title(id)] }] },
  ...{ sealed: true, single: false, at: 1 },
  ...more,
});

const later = async (): Promise<void> => {
  for (let i = 0; i < 20; i += 1) await new Promise((done) => setImmediate(done));
};

let server: StandIn;
let told: PageNews[];
let listeners: ((e: { data: PageNews }) => void)[];

beforeAll(() => {
  // The pages of the browser, as far as one of them sees them.
  Object.assign(globalThis, {
    BroadcastChannel: class {
      constructor(readonly name: string) {}
      postMessage(news: PageNews): void {
        told.push(news);
      }
      addEventListener(_: string, listen: (e: { data: PageNews }) => void): void {
        listeners.push(listen);
      }
      removeEventListener(_: string, listen: (e: { data: PageNews }) => void): void {
        listeners = listeners.filter((l) => l !== listen);
      }
    },
  });
});

beforeEach(() => {
  server = new StandIn();
  server.install();
  Object.assign(globalThis, { localStorage: new AtOnce() });
  [told, listeners] = [[], []];
});

afterEach(async () => {
  await later();
  await forgetBatches((await allBatches()).map((b) => ({ ...b, acts: Array(9).fill([]) })));
  for (const { batch: b } of await allAside()) await forgetAside(b.id);
});

describe("what waits", () => {
  it("is told oldest first, and by its name where two are of one moment", async () => {
    for (const b of [
      batch("b", { at: 2 }),
      batch("z", { at: 1 }),
      batch("a", { at: 2 }),
      batch("c", { at: 3 }),
    ]) {
      await keepBatch(b);
    }
    expect((await allBatches()).map((b) => b.id)).toEqual(["z", "a", "b", "c"]);
  });

  it("of one person and one job is theirs alone, with what was set aside of it", async () => {
    await keepBatch(batch("mine"));
    await keepBatch(batch("pims", { personId: "pim" }));
    await keepBatch(batch("elsewhere", { jobId: "job-2" }));
    for (const b of [batch("aside"), batch("pims-aside", { personId: "pim" })]) {
      await keepAside({ batch: b, message: "no" });
    }
    const { waiting, setAside } = await waitingOf("job-1", "ansa");
    expect(waiting.map((b) => b.id)).toEqual(["mine"]);
    expect(setAside.map((s) => s.batch.id)).toEqual(["aside"]);
  });

  it("is forgotten as it was given: what another page has added to since stays", async () => {
    const one = batch("b");
    await keepBatch({ ...one, acts: [...one.acts, { id: "more", edits: [title("more")] }] });
    await forgetBatches([one]);
    expect(await isKept("b")).toBe(true);
    await forgetBatches([{ ...one, acts: [...one.acts, ...one.acts] }]);
    expect(await isKept("b")).toBe(false);
    await forgetBatches([one]);
  });

  it("is sealed as it goes out, and nothing is sealed that is not there", async () => {
    await keepBatch(batch("b", { sealed: false }));
    expect(await sealBatch("b")).toMatchObject({ id: "b", sealed: true });
    expect((await allBatches())[0]).toMatchObject({ sealed: true });
    expect(await sealBatch("none")).toBeNull();
    expect(await isKept("none")).toBe(false);
  });

  it("goes after its job where that is only here, also while the page goes away", async () => {
    const [id, personId, title] = ["job-1", "ansa", "New"];
    await keepNewJob({ id, personId, title, text: "{}", said: "", at: 1, refused: "" });
    waitingChanged();
    await later();
    server.answers = [() => ({ status: 200, body: {} })];
    expect(await postBatch(batch("b"), 3, true)).toMatchObject({ kind: "taken" });
    expect(server.sent.map(({ path }) => path)).toEqual([
      "/api/jobs/import",
      "/api/jobs/job-1/edits",
    ]);
  });

  it("is counted by job and person, for all who look", async () => {
    await keepBatch(batch("b-1"));
    await keepBatch(batch("b-2", { at: 2 }));
    await keepBatch(batch("b-3", { jobId: "job-2" }));
    await keepBatch(batch("b-4", { personId: "pim" }));
    await keepAside({ batch: batch("aside"), message: "no" });
    waitingChanged();
    await later();
    const { waiting, setAside } = useWaitingStore.getState();
    expect(waiting).toHaveLength(3);
    expect(waiting).toContainEqual({ jobId: "job-1", personId: "ansa", acts: 2 });
    expect(setAside).toHaveLength(1);
    expect(waitingActs(waiting, "ansa")).toBe(3);
    expect(waitingActs(waiting, "ansa", "job-1")).toBe(2);
    expect(waitingActs(waiting, "wren")).toBe(0);
    expect([0, 1, 2].map(changesWord)).toEqual(["0 changes", "1 change", "2 changes"]);
    expect(told).toEqual([{ kind: "waiting" }]);
  });

  it("is none where the browser keeps nothing", async () => {
    await keepBatch(batch("b-1"));
    waitingChanged();
    await later();
    expect(useWaitingStore.getState().waiting).toHaveLength(1);
    const { getAll } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.getAll = () => {
      throw new DOMException("forbidden", "InvalidStateError");
    };
    waitingChanged();
    await later();
    IDBObjectStore.prototype.getAll = getAll;
    expect(useWaitingStore.getState()).toEqual({ waiting: [], setAside: [], newJobs: [] });
  });
});

describe("the pages of a browser", () => {
  it("look when another has kept or sent something, until they are left", async () => {
    const stop = followWaiting();
    await later();
    expect(useWaitingStore.getState().waiting).toEqual([]);
    await keepBatch(batch("b-1"));
    for (const listen of listeners) listen({ data: { kind: "ended", batches: [] } });
    await later();
    expect(useWaitingStore.getState().waiting).toEqual([]);
    for (const listen of listeners) listen({ data: { kind: "waiting" } });
    await later();
    expect(useWaitingStore.getState().waiting).toHaveLength(1);
    stop();
    expect(listeners).toEqual([]);
  });

  it("hear what one says", () => {
    const heard: PageNews[] = [];
    const stop = hearPages((news) => heard.push(news));
    tellPages({ kind: "waiting" });
    expect(told).toEqual([{ kind: "waiting" }]);
    for (const listen of listeners) listen({ data: { kind: "waiting" } });
    expect(heard).toEqual([{ kind: "waiting" }]);
    stop();
  });

  it("stay themselves over a reload", () => {
    const kept = new Map<string, string>();
    globalThis.sessionStorage = {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
    } as unknown as Storage;
    const name = tabName();
    expect(name).toMatch(/^\d+-\d+$/);
    expect(tabName()).toBe(name);
    kept.clear();
    expect(tabName()).not.toBe(name);
  });
});

describe("a batch that is sent", () => {
  const sent = async (answer: Reply | "lost") => {
    server.answers = [() => (answer === "lost" ? "lost" : answer)];
    return postBatch(batch("b"), 7);
  };
  const conflict = (body: object): Reply => ({ status: 409, body: { message: "no", ...body } });

  it("says what it was made on, what it follows, and what is known by now", async () => {
    expect(await postBatch(batch("b"), 7)).toMatchObject({ kind: "taken", batchId: "b" });
    expect(server.sent[0]).toMatchObject({
      ...{ baseRevision: 3, known: 7, follows: ["f"], batchId: "b", edits: [title("b")] },
      ...{ acts: [{ id: "act-b", edits: 1 }], path: "/api/jobs/job-1/edits" },
    });
  });

  it.each([
    ["lost", { kind: "unreached", afterMs: null }],
    [
      { status: 500, body: {} },
      { kind: "unreached", afterMs: null },
    ],
    [
      { status: 503, body: {}, retryAfter: "9" },
      { kind: "unreached", afterMs: 9000 },
    ],
    [{ status: 429, body: {} }, { kind: "unreached" }],
    [
      { status: 401, body: {} },
      { kind: "signedOut", batchId: "b" },
    ],
    [
      { status: 404, body: { message: "no such job" } },
      { kind: "gone", message: "no such job" },
    ],
    [
      { status: 410, body: { message: "in the bin" } },
      { kind: "gone", message: "in the bin" },
    ],
    [
      { status: 422, body: { message: "invalid fuse" } },
      { kind: "refused", message: "invalid fuse" },
    ],
    [
      { status: 413, body: { message: "too long" } },
      { kind: "refused", message: "too long" },
    ],
    [conflict({}), { kind: "refused", batchId: "b", message: "no" }],
    [
      conflict({ reason: "clash", who: "Pim", changes: [change(4, [])] }),
      { kind: "clashed", batchId: "b", who: "Pim", changes: [{ revision: 4 }] },
    ],
    [conflict({ reason: "clash" }), { kind: "clashed", who: "somebody", changes: [] }],
    [
      conflict({ reason: "differs", closed: ["act-b"] }),
      { kind: "differs", batchId: "b", closed: ["act-b"], changes: [] },
    ],
    [conflict({ reason: "ahead" }), { kind: "ahead", batchId: "b" }],
  ] as const)("and answered %j is an event for its page", async (answer, event) => {
    expect(await sent(answer)).toMatchObject(event);
  });

  it("is asked after by the revision that is known", async () => {
    server.changes = [change(4, [title("x")]), change(5, [title("y")])];
    expect((await changesSince("job-1", 4)).map((c) => c.revision)).toEqual([5]);
  });
});

describe("what waits of jobs that are not open", () => {
  it("goes in order, is forgotten when it is taken, and that is told", async () => {
    await keepBatch(batch("b-2", { at: 2 }));
    await keepBatch(batch("b-1", { at: 1 }));
    await sendWaiting("ansa", () => null);
    expect(server.sent.map((s) => s.batchId)).toEqual(["b-1", "b-2"]);
    expect(await allBatches()).toEqual([]);
    await later();
    expect(told).toContainEqual({ kind: "waiting" });
  });

  it("is left where it is another's, of the open job, or not done yet", async () => {
    await keepBatch(batch("pims", { personId: "pim" }));
    await keepBatch(batch("open", { jobId: "job-2" }));
    await keepBatch(batch("fresh", { jobId: "job-3", sealed: false, at: Date.now() }));
    await sendWaiting("ansa", () => "job-2");
    expect(server.sent).toEqual([]);
    expect(told).toEqual([]);
    expect(await allBatches()).toHaveLength(3);
  });

  it("is set aside for good where its job is gone, and other pages are told", async () => {
    await keepBatch(batch("b-1"));
    server.answers = [() => ({ status: 404, body: { message: "no such job" } })];
    await sendWaiting("ansa", () => null);
    expect(await allBatches()).toEqual([]);
    expect(await allAside()).toMatchObject([{ batch: { id: "b-1" }, message: "no such job" }]);
    expect(told).toContainEqual({
      ...{ kind: "ended", batches: [expect.objectContaining({ id: "b-1" })] },
    });
  });

  it("holds up what follows in its job where it stays, and no other job", async () => {
    await keepBatch(batch("b-1", { at: 1 }));
    await keepBatch(batch("b-2", { at: 2 }));
    await keepBatch(batch("b-3", { jobId: "job-2", at: 3 }));
    server.answers = [() => ({ status: 422, body: { message: "no" } })];
    await sendWaiting("ansa", () => null);
    expect(server.sent.map((s) => s.batchId)).toEqual(["b-1", "b-3"]);
    expect((await allBatches()).map((b) => b.id)).toEqual(["b-1", "b-2"]);
  });

  it("stops where nobody is signed in any more", async () => {
    await keepBatch(batch("b-1", { at: 1 }));
    await keepBatch(batch("b-2", { jobId: "job-2", at: 2 }));
    server.answers = [() => ({ status: 401, body: {} })];
    await sendWaiting("ansa", () => null);
    expect(server.sent.map((s) => s.batchId)).toEqual(["b-1"]);
    await later();
    expect(told).toEqual([]);
  });

  it("is sent once where it is asked for twice at a time, and again after", async () => {
    await keepBatch(batch("b-1"));
    await Promise.all([sendWaiting("ansa", () => null), sendWaiting("ansa", () => null)]);
    expect(server.sent).toHaveLength(1);
    await keepBatch(batch("b-2"));
    await sendWaiting("ansa", () => null);
    expect(server.sent).toHaveLength(2);
  });
});
