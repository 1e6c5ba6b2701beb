import { takeBatch, type Change, type Edit } from "../src/index.ts";

const set = (field: string, value: string): Edit =>
  ({ kind: "setOnce", entity: "card", field, value }) as Edit;

const request = (edits: Readonly<Record<string, readonly Edit[]>>, more: object = {}) => ({
  id: "b",
  madeOn: 5,
  follows: [],
  givenUp: [],
  acts: Object.entries(edits).map(([id, of]) => ({ id, edits: of })),
  ...more,
});

const change = (edits: readonly Edit[], more: Partial<Change> = {}): Change => ({
  revision: 6,
  batchId: "other",
  who: "Wren",
  acts: [],
  edits,
  ...more,
});

const open: ReadonlySet<string> = new Set();

describe("a batch that comes to the server", () => {
  const title = set("title", "One");
  const note = set("note", "Two");
  const both = request({ a: [title], b: [note] });

  it("is new, and taken without what is closed of it", () => {
    expect(takeBatch(both, 5, null, open, [])).toEqual({ kind: "new", acts: both.acts });
    expect(takeBatch(both, 5, null, new Set(["a"]), [])).toEqual({
      kind: "new",
      acts: [both.acts[1]],
    });
  });

  it("comes again when its answer was lost, or all of it went another way", () => {
    expect(takeBatch(both, 6, change([title, note]), open, [])).toEqual({ kind: "again" });
    expect(takeBatch(both, 6, null, new Set(["a", "b"]), [])).toEqual({ kind: "again" });
    // More of it had been sent by another page than this one knows of, or less.
    const all = new Set(["a", "b"]);
    expect(takeBatch(both, 6, change([title, note, set("bench", "1")]), all, [])).toEqual({
      kind: "again",
    });
    expect(takeBatch(both, 6, change([title]), all, [])).toEqual({ kind: "again" });
  });

  it("differs where under its id other edits were taken", () => {
    expect(takeBatch(both, 6, change([title]), new Set(["a"]), [])).toEqual({
      kind: "differs",
      taken: [title],
      closed: ["a"],
    });
    // One act with more edits than were taken is other content under its name.
    const one = request({ a: [title, note] });
    expect(takeBatch(one, 6, change([title]), new Set(["a"]), [])).toMatchObject({
      kind: "differs",
    });
    const other = change([set("title", "Other")]);
    expect(takeBatch(both, 6, other, new Set(["a", "b"]), [])).toMatchObject({ kind: "differs" });
  });

  it("is ahead where its revision is not known here", () => {
    expect(takeBatch(request({ a: [title] }, { madeOn: 7 }), 6, null, open, [])).toEqual({
      kind: "ahead",
    });
    expect(takeBatch(request({ a: [title] }, { madeOn: 6 }), 6, null, open, [])).toMatchObject({
      kind: "new",
    });
    // What was taken is taken, whatever it was made on.
    const lost = request({ a: [title] }, { madeOn: 9 });
    expect(takeBatch(lost, 6, null, new Set(["a"]), [])).toEqual({ kind: "again" });
  });

  it("clashes with who wanted another thing of the same place last", () => {
    const theirs = set("title", "Theirs");
    const since = [
      change([theirs], { revision: 6, who: "Wren" }),
      change([set("bench", "3")], { revision: 7, who: "Ansa" }),
    ];
    expect(takeBatch(both, 7, null, open, since)).toMatchObject({
      kind: "clash",
      who: "Wren",
      pairs: [{ theirs }],
    });
    const again = [...since, change([set("title", "Hers")], { revision: 8, who: "Ansa" })];
    expect(takeBatch(both, 8, null, open, again)).toMatchObject({ kind: "clash", who: "Ansa" });
    // Not with what is closed of it, nor with what it lay on, nor with itself.
    expect(takeBatch(both, 7, null, new Set(["a"]), since)).toMatchObject({ kind: "new" });
    const on = (acts: readonly string[]) => [change([theirs], { acts })];
    const follows = request({ a: [title] }, { follows: ["x"] });
    expect(takeBatch(follows, 6, null, open, on(["x"]))).toMatchObject({ kind: "new" });
    expect(takeBatch(follows, 6, null, open, on(["a"]))).toMatchObject({ kind: "new" });
    expect(takeBatch(follows, 6, null, open, on(["y"]))).toMatchObject({ kind: "clash" });
    expect(takeBatch(both, 6, null, open, [change([title])])).toMatchObject({ kind: "new" });
  });
});
