/** What a page has to say in its last moment, and how the next one finds it. */
import { editsOf, type Batch } from "@dragonet/core";
import { afterPaint, hold } from "./page/atOnce.ts";
import { bench, job, settle, store, title, withOpenJob } from "./storeSetup.ts";
import { keepAtLast, keptAtLast } from "../src/sync/lastMoment.ts";
import { allBatches, forgetBatches, isKept, keepBatch } from "../src/sync/outbox.ts";

const page = withOpenJob();

describe("a page that goes away", () => {
  /** Its database ends with it: what was not written by then never is. */
  const leave = async (): Promise<void> => {
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = () => {
      throw new DOMException("the page is gone", "AbortError");
    };
    page.server.answers = Array.from({ length: 9 }, () => () => "lost" as const);
    void store().flush(true);
    await settle(0);
    store().close();
    await settle(0);
    IDBObjectStore.prototype.put = put;
    page.server.answers = [];
  };

  it("leaves what its database had no time for where the next page takes it up", async () => {
    store().edit([title("last")]);
    await leave();
    await store().open("job-1", 1, job, "ansa");
    expect(store().job?.card.title).toBe("last");
    await settle(400);
    expect(page.server.changes.flatMap((c) => c.edits)).toEqual([title("last")]);
    expect(store().saveState).toBe("saved");
    expect(await allBatches()).toEqual([]);
    expect(keptAtLast()).toEqual([]);
  });

  it("leaves nothing there that its database has, and a batch that has grown since", async () => {
    store().edit([title("in time")]);
    await settle(10);
    expect((await allBatches()).map((batch) => batch.acts.length)).toEqual([1]);
    page.server.answers = Array.from({ length: 9 }, () => () => "lost" as const);
    store().edit([bench("too late")]);
    await leave();
    expect(keptAtLast().map(editsOf)).toEqual([[title("in time"), bench("too late")]]);
    await store().open("job-1", 1, job, "ansa");
    await settle(10);
    page.server.answers = Array.from({ length: 9 }, () => () => "lost" as const);
    void store().flush(true);
    expect(keptAtLast()).toEqual([]);
  });

  it("takes what a field still has to say, and sends it without a look into its database", async () => {
    const { get } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.get = () => ({}) as IDBRequest;
    page.server.answers = Array.from({ length: 9 }, () => () => "lost" as const);
    hold();
    afterPaint(() => store().edit([title("from the field")]));
    void store().flush(true);
    await settle(0);
    IDBObjectStore.prototype.get = get;
    expect(page.server.sent.map((sent) => sent.edits)).toEqual([[title("from the field")]]);
    await leave();
    expect((await allBatches()).flatMap(editsOf)).toEqual([title("from the field")]);
  });

  it("so does a job that is closed, while its edits are still its own", async () => {
    hold();
    afterPaint(() => store().edit([title("from the field")]));
    store().close();
    await settle(400);
    expect(page.server.changes.flatMap((c) => c.edits)).toEqual([title("from the field")]);
  });
});

const batch = (id: string, more: Partial<Batch> = {}): Batch => ({
  ...{ id, jobId: "job-1", personId: "ansa", tab: "other", madeOn: 3, follows: ["f"] },
  ...{ givenUp: [], acts: [{ id: `act-${id}`, edits: [title(id)] }] },
  ...{ sealed: true, single: false, at: 1 },
  ...more,
});

describe("what a page left at last", () => {
  it("is taken up where a page left it at last, unless more had been kept", async () => {
    const [one, more] = [batch("b"), { id: "more", edits: [title("more")] }];
    const longer = { ...one, acts: [...one.acts, more] };
    for (const [kept, left] of [
      [one, longer],
      [longer, one],
      [null, longer],
    ] as const) {
      if (kept) await keepBatch(kept);
      keepAtLast(left);
      expect(await allBatches()).toEqual([longer]);
      expect(keptAtLast()).toEqual([]);
      await forgetBatches([longer]);
      expect(await isKept("b")).toBe(false);
    }
  });

  it("is forgotten there as well once it is settled, and not what was added to it", async () => {
    const one = batch("b");
    const longer = { ...one, acts: [...one.acts, { id: "more", edits: [title("more")] }] };
    keepAtLast(one);
    await forgetBatches([longer]);
    expect(await allBatches()).toEqual([]);
    keepAtLast(longer);
    await forgetBatches([one]);
    expect(await allBatches()).toEqual([longer]);
  });

  it("is what the database has where there is no such store", async () => {
    Object.assign(globalThis, { localStorage: undefined });
    keepAtLast(batch("a"));
    await keepBatch(batch("b"));
    expect((await allBatches()).map((b) => b.id)).toEqual(["b"]);
  });
});
