import { type Edit } from "../src/index.ts";
import { START, Page, batch, change, kinds, opened, set } from "./syncPage.ts";

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
    });
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
