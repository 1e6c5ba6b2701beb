import { applyEdits, type Job } from "../src/index.ts";
import { START, Page, batch, change, document, kinds, opened, set } from "./syncPage.ts";

const titled = (job: Job, title: string): Job => {
  const made = applyEdits(job, [set("title", title)]);
  if (!made.ok) throw new Error(made.message);
  return made.job;
};

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
