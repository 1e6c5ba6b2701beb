/** How far paper stands behind requests, as whoever keeps the servers says. */
import { paperPriority } from "../src/work/paperPriority.ts";

describe("the priority of paper", () => {
  const before = process.env.DRAGONET_PAPER_PRIORITY;
  afterAll(() => {
    if (before === undefined) delete process.env.DRAGONET_PAPER_PRIORITY;
    else process.env.DRAGONET_PAPER_PRIORITY = before;
  });
  const said = (text: string): number => {
    process.env.DRAGONET_PAPER_PRIORITY = text;
    return paperPriority();
  };

  it("is what was said, or what is usual", () => {
    expect(["0", "7", "19", ""].map(said)).toEqual([0, 7, 19, 3]);
    delete process.env.DRAGONET_PAPER_PRIORITY;
    expect(paperPriority()).toBe(3);
  });

  it.each(["-1", "20", "1.5", "low"])("%s is refused with what would be valid", (text) => {
    expect(() => said(text)).toThrow(
      `invalid DRAGONET_PAPER_PRIORITY: ${text} (a whole number, 0 for beside requests to 19)`,
    );
  });
});
