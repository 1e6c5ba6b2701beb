/** A job that is open in a page: what is saved, when, and what becomes of it. */
import type { Edit } from "@dragonet/core";
import { change, type Answer, type Reply } from "./standIn.ts";
import { bench, job, settle, store, title, withOpenJob } from "./storeSetup.ts";
import { allAside, allBatches, keepBatch } from "../src/sync/outbox.ts";
import { sendWaiting } from "../src/sync/sendWaiting.ts";

const page = withOpenJob();

describe("saving", () => {
  it("shows an edit at once and sends quick ones together", async () => {
    store().edit([title("A")]);
    store().edit([title("AB")]);
    expect(store().job?.card.title).toBe("AB");
    expect(store().saveState).toBe("waiting");
    await settle(400);
    expect(page.server.sent).toHaveLength(1);
    expect(page.server.sent[0]).toMatchObject({
      baseRevision: 1,
      edits: [title("A"), title("AB")],
    });
    expect(store()).toMatchObject({ saveState: "saved", revision: 2 });
    expect(await allBatches()).toEqual([]);
  });

  it("sends a lost batch again under the same id until it is taken", async () => {
    page.server.answers = [() => "lost", () => "lost"];
    store().edit([title("A")]);
    await settle(400);
    expect(store().saveState).toBe("offline");
    await settle(2000);
    await settle(4000);
    expect(page.server.sent).toHaveLength(3);
    expect(new Set(page.server.sent.map((s) => s.batchId)).size).toBe(1);
    expect(store().saveState).toBe("saved");
  });

  it("waits as long as a server asks that is busy", async () => {
    page.server.answers = [() => ({ status: 503, body: {}, retryAfter: "9" })];
    store().edit([title("A")]);
    await settle(400);
    await settle(8000);
    expect(page.server.sent).toHaveLength(1);
    await settle(1200);
    expect(store().saveState).toBe("saved");
  });

  it("keeps what is edited while a batch is on its way for the next one", async () => {
    page.server.answers = [() => "lost"];
    store().edit([title("A")]);
    await settle(400);
    store().edit([bench("Bench 3")]);
    await settle(2400);
    await settle(400);
    expect(page.server.sent.map((s) => s.edits)).toEqual([
      [title("A")],
      [title("A")],
      [bench("Bench 3")],
    ]);
    expect(page.server.sent[2]?.follows).toEqual([page.server.sent[0]?.acts[0]?.id]);
    expect(store().job?.card).toMatchObject({ title: "A", bench: "Bench 3" });
    expect(store().saveState).toBe("saved");
  });

  it("takes in what others did to other places, in the server's order", async () => {
    page.server.changes = [change(2, [bench("Bench 7")])];
    store().edit([title("A")]);
    await settle(400);
    expect(store().job?.card).toMatchObject({ title: "A", bench: "Bench 7" });
    expect(store().revision).toBe(3);
  });

  it("sets aside what the server will never take, says why, and goes on", async () => {
    page.server.answers = [() => ({ status: 422, body: { message: "invalid fuse: 6 A" } })];
    store().edit([title("A")]);
    await settle(400);
    expect(store().job?.card.title).toBe(job.card.title);
    expect(store()).toMatchObject({ saveState: "saved", refusal: "invalid fuse: 6 A" });
    expect(store().setAside).toMatchObject([{ message: "invalid fuse: 6 A" }]);
    store().edit([bench("Bench 4")]);
    await settle(400);
    expect(store().saveState).toBe("saved");
    expect(await allAside()).toHaveLength(1);
    store().dropSetAside(store().setAside[0]!.batch.id);
    await settle(0);
    expect(await allAside()).toEqual([]);
  });

  it("refuses an edit that makes no sense without sending it", async () => {
    store().edit([{ kind: "remove", entity: "run", id: "nobody" }]);
    await settle(400);
    expect(page.server.sent).toEqual([]);
    expect(store().refusal).toContain("nobody");
  });

  it("takes in what others save while nothing of its own waits", async () => {
    page.server.changes = [change(2, [bench("Bench 7")])];
    await store().look();
    expect(store()).toMatchObject({ revision: 2, job: { card: { bench: "Bench 7" } } });
  });
});

describe("leaving a job during a slow save", () => {
  it("keeps and sends the edit that was made meanwhile", async () => {
    let arrive: () => void = () => undefined;
    page.server.answers = [
      async (sent) => {
        await new Promise<void>((done) => {
          arrive = done;
        });
        return page.server.take(sent) as Reply;
      },
    ];
    store().edit([title("first")]);
    await settle(400);
    store().edit([bench("second")]);
    await settle(0);
    store().close();
    arrive();
    await settle(10);
    await settle(5000);
    await sendWaiting("ansa", () => null);
    expect(page.server.changes.flatMap((c) => c.edits)).toEqual([title("first"), bench("second")]);
    expect(await allBatches()).toEqual([]);
  });
});

describe("a clash", () => {
  const clash: Answer = () => ({
    status: 409,
    body: {
      reason: "clash",
      revision: 2,
      changes: [change(2, [title("Theirs")])],
      who: "Pim Okkerse",
    },
  });
  beforeEach(() => {
    page.server.changes = [change(2, [title("Theirs")])];
    page.server.answers = [clash];
  });

  it("waits for a choice; theirs keeps everything undisputed of mine", async () => {
    store().edit([title("Mine"), bench("Bench 4")]);
    await settle(400);
    expect(store()).toMatchObject({ saveState: "clash", clash: { who: "Pim Okkerse" } });
    await settle(20_000);
    expect(page.server.sent).toHaveLength(1);
    store().settleClash("theirs");
    await settle(400);
    expect(store().job?.card).toMatchObject({ title: "Theirs", bench: "Bench 4" });
    expect(page.server.sent.at(-1)).toMatchObject({ baseRevision: 2, edits: [bench("Bench 4")] });
    expect(store().saveState).toBe("saved");
  });

  it("lets mine win on top of theirs", async () => {
    store().edit([title("Mine")]);
    await settle(400);
    store().settleClash("mine");
    await settle(400);
    expect(store().job?.card.title).toBe("Mine");
    expect(page.server.sent.at(-1)).toMatchObject({ baseRevision: 2, edits: [title("Mine")] });
  });
});

describe("undo and redo", () => {
  it("walk back and forth as further edits", async () => {
    store().edit([title("A")]);
    store().edit([bench("B")]);
    store().undo();
    store().undo();
    expect(store().job).toEqual(job);
    store().redo();
    expect(store().job?.card.title).toBe("A");
    store().edit([title("C")]);
    store().redo();
    expect(store().job?.card).toMatchObject({ title: "C", bench: job.card.bench });
    await settle(400);
    expect(store().saveState).toBe("saved");
  });
});

describe("a page closed without connection", () => {
  const leave = async (): Promise<void> => {
    page.server.answers = Array.from({ length: 9 }, () => () => "lost" as const);
    store().edit([title("Kept")]);
    await settle(400);
    store().close();
    await settle(0);
    page.server.answers = [];
  };

  it("finds its edits again and sends them under the id they had", async () => {
    await leave();
    await store().open("job-1", 1, job, "ansa");
    expect(store().job?.card.title).toBe("Kept");
    await settle(400);
    expect(store().saveState).toBe("saved");
    expect(new Set(page.server.sent.map((s) => s.batchId)).size).toBe(1);
  });

  it("sends them without the job being opened", async () => {
    await leave();
    await sendWaiting("ansa", () => null);
    expect(page.server.changes.flatMap((c) => c.edits)).toEqual([title("Kept")]);
    expect(await allBatches()).toEqual([]);
  });

  it("neither shows nor sends them for somebody else", async () => {
    await leave();
    const before = page.server.sent.length;
    await sendWaiting("pim", () => null);
    await store().open("job-1", 1, job, "pim");
    expect(store().job?.card.title).toBe(job.card.title);
    await settle(20_000);
    expect(page.server.sent).toHaveLength(before);
    expect(await allBatches()).toHaveLength(1);
  });

  it("keeps them when the session is over, until the person is back", async () => {
    page.server.answers = [() => ({ status: 401, body: { message: "sign in first" } })];
    store().edit([title("Kept")]);
    await settle(400);
    expect(store().saveState).toBe("signedOut");
    await settle(60_000);
    expect(page.server.sent).toHaveLength(1);
    expect(await allBatches()).toHaveLength(1);
    await store().flush();
    expect(store().saveState).toBe("saved");
  });

  it("keeps the old edits and the new ones while there still is no connection", async () => {
    await leave();
    page.server.answers = [() => "lost" as const];
    await store().open("job-1", 1, job, "ansa");
    await settle(10);
    expect(store().saveState).toBe("offline");
    store().edit([bench("Bench 3")]);
    await settle(10_000);
    expect(page.server.changes.flatMap((c) => c.edits)).toEqual([title("Kept"), bench("Bench 3")]);
    expect(store().saveState).toBe("saved");
  });
});

describe("a browser that keeps nothing", () => {
  it("is said so, and still saves", async () => {
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
    page.server.answers = [() => "lost"];
    store().edit([title("A")]);
    await settle(1000);
    IDBObjectStore.prototype.put = put;
    expect(store().saveState).toBe("unkept");
    await settle(4000);
    expect(page.server.changes.flatMap((c) => c.edits)).toEqual([title("A")]);
    expect(store().saveState).toBe("saved");
  });
});

describe("batches of several pages", () => {
  it("wait one behind the other, and one that clashes holds up its own job alone", async () => {
    store().close();
    const batch = (id: string, jobId: string, edit: Edit) => ({
      ...{
        id,
        jobId,
        personId: "ansa",
        tab: "other",
        madeOn: 1,
        follows: [],
        givenUp: [],
        acts: [{ id, edits: [edit] }],
      },
      ...{ sealed: true, single: false, at: Number(id.slice(-1)) },
    });
    await keepBatch(batch("b-1", "job-1", title("x")));
    await keepBatch(batch("b-2", "job-1", title("y")));
    await keepBatch(batch("b-3", "job-2", title("z")));
    page.server.answers = [() => ({ status: 409, body: { reason: "clash", changes: [] } })];
    await sendWaiting("ansa", () => null);
    expect(page.server.sent.map((s) => s.batchId)).toEqual(["b-1", "b-3"]);
    expect((await allBatches()).map((b) => b.id)).toEqual(["b-1", "b-2"]);
  });
});
