import type { Edit, Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { useJobStore } from "../src/job/jobStore.ts";

const [job] = demoJobs() as [Job];
const title = (value: string): Edit => ({ kind: "setOnce", entity: "card", field: "title", value });
const bench = (value: string): Edit => ({ kind: "setOnce", entity: "card", field: "bench", value });

interface Sent {
  readonly baseRevision: number;
  readonly edits: readonly Edit[];
  readonly batchId: string;
}

/** A server that answers as told, and remembers what it was sent. */
class StandIn {
  readonly sent: Sent[] = [];
  answers: ((sent: Sent) => { status: number; body: unknown } | "lost")[] = [];

  install(): void {
    globalThis.fetch = (async (_path: string, init?: { body?: string }) => {
      const sent = JSON.parse(init?.body ?? "{}") as Sent;
      this.sent.push(sent);
      const answer = (
        this.answers.shift() ??
        ((s) => ({ status: 200, body: { revision: s.baseRevision + 1, missed: [] } }))
      )(sent);
      if (answer === "lost") throw new TypeError("network");
      return this.reply(answer.status, answer.body);
    }) as unknown as typeof fetch;
  }

  private reply(status: number, body: unknown) {
    return { ok: status < 400, status, json: async () => body };
  }
}

const store = () => useJobStore.getState();
const settle = async (ms = 0): Promise<void> => {
  await jest.advanceTimersByTimeAsync(ms);
};

let server: StandIn;

beforeEach(() => {
  jest.useFakeTimers();
  const kept = new Map<string, string>();
  globalThis.localStorage = {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  } as unknown as Storage;
  server = new StandIn();
  server.install();
  store().open("job-1", 1, job);
});

afterEach(() => {
  store().close();
  jest.useRealTimers();
});

describe("saving", () => {
  it("shows an edit at once and sends quick ones together", async () => {
    store().edit([title("A")]);
    store().edit([title("AB")]);
    expect(store().job?.card.title).toBe("AB");
    expect(store().saveState).toBe("waiting");
    await settle(400);
    expect(server.sent).toHaveLength(1);
    expect(server.sent[0]).toMatchObject({ baseRevision: 1, edits: [title("A"), title("AB")] });
    expect(store()).toMatchObject({ saveState: "saved", revision: 2, pending: [] });
  });

  it("sends a lost batch again under the same name until it is taken", async () => {
    server.answers = [() => "lost", () => "lost"];
    store().edit([title("A")]);
    await settle(400);
    expect(store().saveState).toBe("offline");
    await settle(3000);
    await settle(3000);
    expect(server.sent).toHaveLength(3);
    expect(new Set(server.sent.map((s) => s.batchId)).size).toBe(1);
    expect(store().saveState).toBe("saved");
  });

  it("keeps what is edited while a batch is on its way for the next one", async () => {
    server.answers = [() => "lost"];
    store().edit([title("A")]);
    await settle(400);
    store().edit([bench("Bench 3")]);
    await settle(3400);
    await settle(400);
    expect(server.sent.map((s) => s.edits)).toEqual([
      [title("A")],
      [title("A")],
      [bench("Bench 3")],
    ]);
    expect(store().job?.card).toMatchObject({ title: "A", bench: "Bench 3" });
    expect(store().saveState).toBe("saved");
  });

  it("takes in what others did to other places", async () => {
    server.answers = [() => ({ status: 200, body: { revision: 3, missed: [bench("Bench 7")] } })];
    store().edit([title("A")]);
    await settle(400);
    expect(store().job?.card).toMatchObject({ title: "A", bench: "Bench 7" });
    expect(store().revision).toBe(3);
  });

  it("puts back what the server refuses, and says why", async () => {
    server.answers = [() => ({ status: 422, body: { message: "invalid fuse: 6 A" } })];
    store().edit([title("A")]);
    await settle(400);
    expect(store().job?.card.title).toBe(job.card.title);
    expect(store()).toMatchObject({ saveState: "saved", refusal: "invalid fuse: 6 A" });
  });

  it("refuses an edit that makes no sense without sending it", async () => {
    store().edit([{ kind: "remove", entity: "run", id: "nobody" }]);
    await settle(400);
    expect(server.sent).toEqual([]);
    expect(store().refusal).toContain("nobody");
  });
});

describe("a clash", () => {
  const clash = () => ({
    status: 409,
    body: {
      revision: 2,
      missed: [title("Theirs")],
      who: "Pim Okkerse",
      clashes: [{ mine: "title → Mine", theirs: "title → Theirs" }],
    },
  });

  it("waits for a choice; theirs keeps everything undisputed of mine", async () => {
    server.answers = [clash];
    store().edit([title("Mine"), bench("Bench 4")]);
    await settle(400);
    expect(store()).toMatchObject({ saveState: "clash", clash: { who: "Pim Okkerse" } });
    await settle(20_000);
    expect(server.sent).toHaveLength(1);
    await store().settleClash("theirs");
    await settle(400);
    expect(store().job?.card).toMatchObject({ title: "Theirs", bench: "Bench 4" });
    expect(server.sent.at(-1)).toMatchObject({ baseRevision: 2, edits: [bench("Bench 4")] });
    expect(store().saveState).toBe("saved");
  });

  it("lets mine win on top of theirs", async () => {
    server.answers = [clash];
    store().edit([title("Mine")]);
    await settle(400);
    await store().settleClash("mine");
    await settle(400);
    expect(store().job?.card.title).toBe("Mine");
    expect(server.sent.at(-1)).toMatchObject({ baseRevision: 2, edits: [title("Mine")] });
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
    server.answers = Array.from({ length: 9 }, () => () => "lost" as const);
    store().edit([title("Kept")]);
    await settle(400);
    store().close();
    await settle(0);
    server.answers = [];
  };

  it("finds its edits again and sends them", async () => {
    await leave();
    store().open("job-1", 1, job);
    await settle(0);
    expect(store().job?.card.title).toBe("Kept");
    await settle(400);
    expect(store().saveState).toBe("saved");
  });

  it("asks when somebody changed the same place meanwhile", async () => {
    await leave();
    server.answers = [
      () => ({
        status: 409,
        body: {
          message: "clash",
          who: "Ansa",
          revision: 2,
          missed: [title("Theirs")],
          clashes: [{ mine: "title: Kept", theirs: "title: Theirs" }],
        },
      }),
    ];
    const theirs: Job = { ...job, card: { ...job.card, title: "Theirs" } };
    store().open("job-1", 2, theirs);
    await settle(0);
    expect(server.sent.at(-1)?.baseRevision).toBe(1);
    expect(store().saveState).toBe("clash");
    await store().settleClash("theirs");
    await settle(400);
    expect(store().job?.card.title).toBe("Theirs");
    expect(store().saveState).toBe("saved");
  });

  it("keeps the old edits and the new ones while there still is no connection", async () => {
    await leave();
    server.answers = [() => "lost" as const];
    store().open("job-1", 1, job);
    await settle(10);
    expect(store().saveState).toBe("offline");
    store().edit([bench("Bench 3")]);
    await settle(10_000);
    expect(server.sent.flatMap((s) => s.edits)).toEqual(
      expect.arrayContaining([title("Kept"), bench("Bench 3")]),
    );
    expect(store().saveState).toBe("saved");
  });

  it("sends what was made on a newer document than the one at hand", async () => {
    await leave();
    globalThis.localStorage.setItem(
      "dragonet.outbox.job-1",
      JSON.stringify({ revision: 5, edits: [title("Newer")] }),
    );
    store().open("job-1", 3, job);
    await settle(10);
    expect(server.sent.at(-1)).toMatchObject({ baseRevision: 5, edits: [title("Newer")] });
  });
});
