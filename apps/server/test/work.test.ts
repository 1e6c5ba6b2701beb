/** What whoever keeps the servers says of heavy work: how far paper stands behind, how long is waited. */
import { paperPriority } from "../src/work/paperPriority.ts";
import { patience } from "../src/work/patience.ts";

describe.each([
  {
    name: "DRAGONET_PAPER_PRIORITY",
    ...{ ask: paperPriority, usual: 3, good: ["0", "7", "19"], bad: ["-1", "20", "1.5", "low"] },
    valid: "a whole number, 0 for beside requests to 19",
  },
  {
    name: "DRAGONET_PATIENCE",
    ...{ ask: patience, usual: 1, good: ["1", "20", "100"], bad: ["0", "101", "2.5", "long"] },
    valid: "a whole number from 1 to 100",
  },
])("$name", ({ name, ask, usual, good, bad, valid }) => {
  const before = process.env;
  const unsaid = Object.fromEntries(Object.entries(before).filter(([key]) => key !== name));
  afterAll(() => {
    process.env = before;
  });
  const said = (text: string): number => {
    process.env = { ...unsaid, [name]: text };
    return ask();
  };

  it("is what was said, or what is usual", () => {
    expect(good.map(said)).toEqual(good.map(Number));
    expect(said("")).toBe(usual);
    process.env = unsaid;
    expect(ask()).toBe(usual);
  });

  it.each(bad)("%s is refused with what would be valid", (text) => {
    expect(() => said(text)).toThrow(`invalid ${name}: ${text} (${valid})`);
  });
});
