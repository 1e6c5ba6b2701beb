import {
  applyEdits,
  createJob,
  openSync,
  syncStep,
  type Batch,
  type Change,
  type Edit,
  type Job,
  type Stepped,
  type SyncEvent,
  type SyncState,
} from "../src/index.ts";
import { FELLRUNNER } from "../src/demo/index.ts";

/** One event at a time, by the clock: what a page keeps, sends and tells. */
const START = 1_000_000;
const document = createJob("Bar", "", FELLRUNNER);

const set = (field: string, value: string): Edit =>
  ({ kind: "setOnce", entity: "card", field, value }) as Edit;

const opened = (more: Partial<Parameters<typeof openSync>[0]> = {}): SyncState =>
  openSync(
    {
      jobId: "j",
      personId: "p",
      tab: "t",
      revision: 5,
      document,
      waiting: [],
      setAside: [],
      ...more,
    },
    START,
  );

const batch = (id: string, acts: readonly Batch["acts"][number][], more: Partial<Batch> = {}) => ({
  id,
  jobId: "j",
  personId: "p",
  tab: "t",
  madeOn: 5,
  follows: [],
  givenUp: [],
  acts,
  sealed: true,
  single: false,
  at: START,
  ...more,
});

const change = (revision: number, edits: readonly Edit[], more: Partial<Change> = {}): Change => ({
  revision,
  batchId: `b${revision}`,
  who: "wren",
  acts: [],
  edits,
  ...more,
});

/** A page, and everything it was told to do. */
class Page {
  readonly effects: Stepped["effects"][number][] = [];
  now = START;
  constructor(public state: SyncState = opened()) {}
  on(event: SyncEvent): Stepped["effects"] {
    const { state, effects } = syncStep(this.state, event, this.now);
    this.state = state;
    this.effects.push(...effects);
    return effects;
  }
  write(id: string, ...act: Edit[]): Stepped["effects"] {
    return this.on({ kind: "edit", act, id });
  }
  /** Later by so many ms: what the clock sends. */
  later(ms: number): Stepped["effects"] {
    this.now += ms;
    return this.on({ kind: "tick" });
  }
}

const kinds = (effects: Stepped["effects"]) => effects.map((e) => e.kind);
const titled = (job: Job, title: string): Job => {
  const made = applyEdits(job, [set("title", title)]);
  if (!made.ok) throw new Error(made.message);
  return made.job;
};

describe("an edit", () => {
  it("is kept at once, sent after a pause of 350 ms, and forgotten when it was taken", () => {
    const page = new Page();
    expect(kinds(page.write("a", set("title", "One")))).toEqual(["keep"]);
    expect(page.state.job.card.title).toBe("One");
    expect(page.state.base.card.title).toBe("Bar");
    expect(page.later(349)).toEqual([]);
    const sent = page.later(1);
    expect(kinds(sent)).toEqual(["keep", "send"]);
    expect(sent[1]).toMatchObject({ batch: { id: "a", sealed: true, madeOn: 5, follows: [] } });
    expect(page.state.flight).toBe("a");
    // Nothing else goes while one is on its way.
    expect(page.later(10_000)).toEqual([]);
    const done = page.on({
      kind: "taken",
      batchId: "a",
      changes: [change(6, [set("title", "One")], { batchId: "a", acts: ["a"] })],
    });
    expect(kinds(done)).toEqual(["forget"]);
    expect(page.state).toMatchObject({ revision: 6, queue: [], flight: null, sendAt: null });
    expect(page.state.base.card.title).toBe("One");
  });

  it("joins the one before it for two seconds, and puts off its going", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.now += 300;
    page.write("b", set("note", "Two"));
    expect(page.state.queue).toHaveLength(1);
    expect(page.later(349)).toEqual([]);
    expect(kinds(page.later(1))).toEqual(["keep", "send"]);
    expect(page.state.queue[0]!.acts.map((a) => a.id)).toEqual(["a", "b"]);
    // Sent: what comes now goes by itself, and says what it lies on.
    page.write("c", set("note", "Three"));
    expect(page.state.queue.map((b) => b.id)).toEqual(["a", "c"]);
    expect(page.state.queue[1]!.follows).toEqual(["a", "b"]);
    const slow = new Page();
    slow.write("a", set("title", "One"));
    slow.now += 1999;
    slow.write("b", set("note", "Two"));
    expect(slow.state.queue).toHaveLength(1);
    slow.now += 1;
    slow.write("c", set("note", "Three"));
    expect(slow.state.queue).toHaveLength(2);
  });

  it("begins another batch after two hundred, and after a newer revision was heard of", () => {
    const page = new Page();
    for (let i = 0; i < 201; i += 1) page.write(`a${i}`, set("note", `n${i}`));
    expect(page.state.queue.map((b) => b.acts.length)).toEqual([200, 1]);
    const other = new Page();
    other.write("a", set("note", "One"));
    other.on({ kind: "heard", changes: [change(6, [set("title", "Theirs")])] });
    other.write("b", set("note", "Two"));
    expect(other.state.queue.map((b) => b.madeOn)).toEqual([5, 6]);
  });

  it("that changes nothing does nothing; one that makes no sense is told and not kept", () => {
    const page = new Page();
    expect(page.write("a")).toEqual([]);
    expect(page.state.queue).toEqual([]);
    const [told] = page.write("b", {
      kind: "remove",
      entity: "run",
      id: "gone",
    } as Edit);
    expect(told).toEqual({ kind: "tell", message: expect.stringContaining("gone") as string });
    const wrong = page.write("c", {
      kind: "setOnce",
      entity: "practices",
      field: "colours",
      value: [{ use: "feed", colour: "dusk" }],
    } as unknown as Edit);
    expect(wrong).toEqual([
      { kind: "tell", message: 'invalid colour: "dusk" (such as brown or brown/white)' },
    ]);
    expect(page.state).toEqual(opened());
  });
});

describe("steps back", () => {
  it("go back and forth over what was done, and an act ends what could be done again", () => {
    const page = new Page();
    expect(page.on({ kind: "undo", id: "x" })).toEqual([]);
    expect(page.on({ kind: "redo", id: "x" })).toEqual([]);
    page.write("a", set("title", "One"));
    page.write("b", set("title", "Two"));
    page.on({ kind: "undo", id: "u1" });
    expect(page.state.job.card.title).toBe("One");
    page.on({ kind: "undo", id: "u2" });
    expect(page.state.job.card.title).toBe("Bar");
    expect(page.state.redoSteps).toHaveLength(2);
    page.on({ kind: "redo", id: "r1" });
    expect(page.state.job.card.title).toBe("One");
    expect(page.state).toMatchObject({ undoSteps: { length: 1 }, redoSteps: { length: 1 } });
    page.write("c", set("note", "new"));
    expect(page.state.redoSteps).toEqual([]);
    expect(page.state.undoSteps).toHaveLength(2);
  });

  it("are two hundred at most, the latest", () => {
    const page = new Page();
    for (let i = 0; i < 205; i += 1) page.write(`a${i}`, set("note", `n${i}`));
    expect(page.state.undoSteps).toHaveLength(200);
    expect(page.state.undoSteps[0]!.act).toEqual([set("note", "n5")]);
  });
});

describe("a line that is cut", () => {
  it("is tried again after 1.5 s, twice as long each time, half a minute at most", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.later(350);
    const pauses = [1500, 3000, 6000, 12_000, 24_000, 30_000, 30_000];
    pauses.forEach((pause, i) => {
      page.on({ kind: "unreached", batchId: "a", afterMs: null });
      expect(page.state).toMatchObject({ line: "cut", missed: i + 1, flight: null });
      expect(page.later(pause - 1)).toEqual([]);
      expect(kinds(page.later(1))).toEqual(["send"]);
    });
    page.on({ kind: "unreached", batchId: "a", afterMs: 700 });
    expect(page.state.sendAt).toBe(page.now + 700);
    page.on({ kind: "lineClear" });
    expect(page.state).toMatchObject({ line: "clear", missed: 0, sendAt: page.now });
  });

  it("is not put off by writing on, and nothing is waited for where nothing waits", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.later(350);
    page.on({ kind: "unreached", batchId: "a", afterMs: null });
    const { sendAt } = page.state;
    page.now += 1000;
    page.write("b", set("note", "Two"));
    expect(page.state.sendAt).toBe(sendAt);
    const idle = new Page();
    idle.on({ kind: "unreached", batchId: "x", afterMs: null });
    expect(idle.state.sendAt).toBeNull();
  });

  it("by signing out holds everything until somebody signs in", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.later(350);
    page.on({ kind: "signedOut", batchId: "a" });
    expect(page.state).toMatchObject({ line: "signedOut", flight: null, sendAt: null });
    page.write("b", set("note", "Two"));
    expect(page.later(60_000)).toEqual([]);
    page.on({ kind: "lineClear" });
    expect(kinds(page.later(0))).toEqual(["send"]);
  });
});

describe("what others saved", () => {
  it("comes under what waits here", () => {
    const page = new Page();
    page.write("a", set("note", "mine"));
    page.on({ kind: "heard", changes: [change(6, [set("title", "Theirs")])] });
    expect(page.state.revision).toBe(6);
    expect(page.state.job.card).toMatchObject({ title: "Theirs", note: "mine" });
    expect(page.on({ kind: "heard", changes: [change(6, [set("title", "Old")])] })).toEqual([]);
    expect(page.state.job.card.title).toBe("Theirs");
  });

  it("with one missing between is read anew, and an older state only where it was set back", () => {
    const page = new Page();
    expect(page.on({ kind: "heard", changes: [change(7, [set("title", "T")])] })).toEqual([
      { kind: "read", setBack: false },
    ]);
    expect(page.state.revision).toBe(5);
    page.write("a", set("note", "mine"));
    const older = titled(document, "Older");
    page.on({ kind: "read", revision: 4, document: older, setBack: false });
    expect(page.state.base).toBe(document);
    const kept = page.on({ kind: "read", revision: 4, document: older, setBack: true });
    expect(page.state).toMatchObject({ revision: 4, undoSteps: [], redoSteps: [] });
    expect(page.state.job.card).toMatchObject({ title: "Older", note: "mine" });
    // What was made on a later state is made on this one from now on, and kept so.
    expect(kept).toMatchObject([{ kind: "keep", batch: { id: "a", madeOn: 4 } }]);
    expect(page.on({ kind: "read", revision: 9, document: older, setBack: false })).toEqual([]);
    expect(page.state.queue[0]!.madeOn).toBe(4);
  });

  it("sets back a page that is ahead of the server", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.later(350);
    expect(page.on({ kind: "ahead", batchId: "a" })).toEqual([{ kind: "read", setBack: true }]);
    expect(page.state).toMatchObject({ flight: null, line: "cut", missed: 1 });
  });

  it("of one's own by another page waits here no longer", () => {
    const page = new Page(
      opened({ waiting: [batch("w", [{ id: "a", edits: [set("note", "x")] }])] }),
    );
    expect(page.state.sendAt).toBe(START);
    const forgot = page.on({
      kind: "heard",
      changes: [change(6, [set("note", "x")], { batchId: "w", acts: ["a"] })],
    });
    expect(forgot).toMatchObject([{ kind: "forget", batches: [{ id: "w" }] }]);
    expect(page.state).toMatchObject({ queue: [], sendAt: null });
  });
});

describe("what the server refuses", () => {
  it("is parted into its acts, each by itself; the one that fails is set aside and told", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.write("b", set("note", "Two"));
    page.later(350);
    const parted = page.on({ kind: "refused", batchId: "a", message: "no" });
    expect(kinds(parted)).toEqual(["keep", "keep", "forget"]);
    expect(page.state.queue).toMatchObject([
      { id: "a-1", single: true, sealed: false, follows: [] },
      { id: "b-1", single: true, sealed: false, follows: ["a"] },
    ]);
    expect(kinds(page.later(0))).toEqual(["keep", "send"]);
    const aside = page.on({ kind: "refused", batchId: "a-1", message: "no such word" });
    expect(kinds(aside)).toEqual(["setAside", "end", "tell"]);
    expect(page.state.setAside).toMatchObject([{ batch: { id: "a-1" }, message: "no such word" }]);
    expect(page.state.queue.map((b) => b.id)).toEqual(["b-1"]);
    expect(page.state.job.card).toMatchObject({ title: "Bar", note: "Two" });
    expect(page.state.undoSteps).toEqual([]);
    // Heard of a second time it is set aside once.
    page.state = {
      ...page.state,
      queue: [batch("a-1", [{ id: "a", edits: [] }]), ...page.state.queue],
    };
    page.on({ kind: "refused", batchId: "a-1", message: "still no" });
    expect(page.state.setAside).toHaveLength(1);
    expect(page.on({ kind: "dropSetAside", batchId: "a-1" })).toEqual([
      { kind: "forgetSetAside", batchId: "a-1" },
    ]);
    expect(page.state.setAside).toEqual([]);
    expect(page.on({ kind: "refused", batchId: "nobody's", message: "no" })).toEqual([]);
  });

  it("for good, as the job is no more: all of it is set aside", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.later(350);
    page.write("b", set("note", "Two"));
    expect(kinds(page.on({ kind: "gone", message: "removed" }))).toEqual([
      "setAside",
      "setAside",
      "end",
      "tell",
    ]);
    expect(page.state).toMatchObject({
      queue: [],
      flight: null,
      sendAt: null,
      setAside: [{ message: "removed" }, { message: "removed" }],
    });
  });
});

describe("a batch of which another page sent other acts", () => {
  it("goes on with what is not closed of it, under a new id", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.write("b", set("note", "Two"));
    page.later(350);
    const effects = page.on({
      kind: "differs",
      batchId: "a",
      closed: ["a"],
      changes: [change(6, [set("title", "One")], { batchId: "a", acts: ["a"] })],
      id: "fresh",
    });
    expect(kinds(effects)).toEqual(["keep", "forget"]);
    expect(page.state.queue).toMatchObject([
      { id: "fresh", sealed: false, follows: ["a", "b"], acts: [{ id: "b" }] },
    ]);
    expect(page.state).toMatchObject({ revision: 6, flight: null, sendAt: page.now });
    const none = page.on({
      kind: "differs",
      batchId: "fresh",
      closed: ["b"],
      changes: [],
      id: "z",
    });
    expect(kinds(none)).toEqual(["forget"]);
    expect(page.state.queue).toEqual([]);
  });

  it("or that another page ended, waits here no longer; what was added since does", () => {
    const page = new Page();
    page.write("a", set("title", "One"));
    page.write("b", set("note", "Two"));
    const [mine] = page.state.queue;
    const nobody = batch("other", [{ id: "q", edits: [] }]);
    expect(page.on({ kind: "endedElsewhere", batches: [nobody], ids: ["i"] })).toEqual([]);
    const seen = { ...mine!, acts: mine!.acts.slice(0, 1) };
    const kept = page.on({ kind: "endedElsewhere", batches: [seen], ids: ["left"] });
    expect(kept).toMatchObject([{ kind: "keep", batch: { id: "left", acts: [{ id: "b" }] } }]);
    expect(page.state.job.card).toMatchObject({ title: "Bar", note: "Two" });
    const [left] = page.state.queue;
    page.on({ kind: "endedElsewhere", batches: [left!], ids: ["none"] });
    expect(page.state).toMatchObject({ queue: [], sendAt: null });
  });
});

describe("two that wanted different things", () => {
  const disputed = () => {
    const page = new Page();
    page.write("a", set("title", "Mine"), set("note", "also mine"));
    page.later(350);
    page.write("b", set("bench", "2"));
    page.on({
      kind: "clashed",
      batchId: "a",
      who: "Wren",
      changes: [change(6, [set("title", "Theirs")])],
    });
    return page;
  };

  it("are asked about, and nothing goes meanwhile", () => {
    const page = disputed();
    expect(page.state.clash).toMatchObject({
      who: "Wren",
      revision: 6,
      disputed: [{ batchId: "a", theirs: [set("title", "Theirs")], pairs: { length: 1 } }],
    });
    expect(page.later(60_000)).toEqual([]);
    page.write("c", set("customer", "x"));
    expect(page.later(60_000)).toEqual([]);
  });

  it("keep mine: made anew on what is known, to go at once", () => {
    const page = disputed();
    const effects = page.on({ kind: "settle", keep: "mine", id: "s" });
    expect(effects).toMatchObject([
      { kind: "keep", batch: { id: "s-0", madeOn: 6, sealed: false, givenUp: [], follows: [] } },
      { kind: "end", batches: [{ id: "a" }] },
    ]);
    expect(page.state.queue).toMatchObject([{ id: "s-0" }, { id: "b", follows: ["a"] }]);
    expect(page.state.job.card).toMatchObject({ title: "Mine", note: "also mine", bench: "2" });
    expect(page.state).toMatchObject({ clash: null, sendAt: page.now, undoSteps: [] });
  });

  it("keep theirs: only what is not disputed stays, and what was given up is said", () => {
    const page = disputed();
    page.on({ kind: "settle", keep: "theirs", id: "s" });
    expect(page.state.job.card).toMatchObject({ title: "Theirs", note: "also mine", bench: "2" });
    expect(page.state.queue[0]).toMatchObject({
      id: "s-0",
      acts: [{ id: "a", edits: [set("note", "also mine")] }],
      givenUp: [],
    });
    const whole = new Page();
    whole.write("a", set("title", "Mine"));
    whole.write("b", set("note", "n"));
    whole.later(350);
    whole.on({
      kind: "clashed",
      batchId: "a",
      who: "Wren",
      changes: [change(6, [set("title", "Theirs")])],
    });
    whole.on({ kind: "settle", keep: "theirs", id: "s" });
    expect(whole.state.queue).toMatchObject([{ givenUp: ["a"], acts: [{ id: "b" }] }]);
  });

  it("nothing is settled where nothing is disputed, nor asked where the server saw one and none is", () => {
    const page = new Page();
    expect(page.on({ kind: "settle", keep: "mine", id: "s" })).toEqual([]);
    page.write("a", set("title", "Mine"));
    page.later(350);
    const theirs = change(6, [set("note", "elsewhere")]);
    page.on({ kind: "clashed", batchId: "a", who: "Wren", changes: [theirs] });
    expect(page.state).toMatchObject({ clash: null, flight: null, sendAt: page.now });
  });
});

describe("a page that opens", () => {
  const act = (id: string) => ({ id, edits: [set("note", id)] });

  it("takes up what waits in order of its beginning, sealed; another page's only when it is final", () => {
    const state = opened({
      waiting: [
        batch("late", [act("3")], { at: START - 10 }),
        batch("b", [act("2")], { at: START - 20 }),
        batch("a", [act("1")], { at: START - 20, sealed: false }),
        batch("growing", [act("4")], { tab: "other", sealed: false, at: START - 4000 }),
        batch("grown", [act("5")], { tab: "other", sealed: false, at: START - 4001 }),
        batch("sealed", [act("6")], { tab: "other" }),
      ],
    });
    expect(state.queue.map((b) => b.id)).toEqual(["grown", "a", "b", "late", "sealed"]);
    expect(state.queue.every((b) => b.sealed)).toBe(true);
    expect(state).toMatchObject({ sendAt: START, kept: true, line: "clear" });
    expect(opened().sendAt).toBeNull();
  });

  it("leaves out of the picture what makes no sense any more, and still sends it", () => {
    const gone = { kind: "remove", entity: "run", id: "gone" } as Edit;
    const state = opened({ waiting: [batch("a", [{ id: "1", edits: [gone] }, act("2")])] });
    expect(state.job.card.note).toBe("2");
    expect(state.queue[0]!.acts).toHaveLength(2);
  });

  it("says whether the browser keeps what waits", () => {
    const page = new Page();
    page.on({ kind: "keeping", kept: false });
    expect(page.state.kept).toBe(false);
  });
});
