/** Panels that are told one after the other, parted by "then". */
import { readSteps } from "../src/index.ts";

describe("steps told in one breath", () => {
  const told = (text: string) =>
    readSteps(text).map((read) =>
      read.ok ? [read.step.name, read.step.fasteners.map((f) => f.count), read.step.after] : read,
    );

  it("are parted by then, each after the one before it", () => {
    expect(
      told(
        "rack 4 bolts, two long; then the front cover 6 push pins and 2 tabs, and then seat: plug heater",
      ),
    ).toEqual([
      ["rack", [4], []],
      ["front cover", [6, 2], ["rack"]],
      ["seat", [], ["front cover"]],
    ]);
    expect(told("rack 4 bolts; then cover 2 clips; after seat")[1]).toEqual([
      "cover",
      [2],
      ["seat"],
    ]);
  });

  it("are one where then begins no panel", () => {
    expect(told("front cover 4 clips; lift, then slide forward")).toEqual([
      ["front cover", [4], []],
    ]);
    expect(told("front cover 4 clips; lift, then slide; then seat 2 bolts")).toEqual([
      ["front cover", [4], []],
      ["seat", [2], ["front cover"]],
    ]);
  });
});

describe("a fastener's length", () => {
  // 1 in is 25.4 mm, exact; fractions are of an inch: common practice.
  it.each([
    ["4 bolts 1/4-20 x 1 1/2", 38.1],
    ["2 bolts 1/4-20 x 3/4 in", 19.05],
    ["2 hex M6 x 20", 20],
    ["3 screws 1 1/4 in", 31.75],
    ["2 hex M6 x 1.5 in", 38.1],
    ["4 bolts 5/16-18 x 40 mm", 40],
  ])("of “%s” is %d mm", (text, mm) => {
    const [read] = readSteps(`seat ${text}`);
    expect(read?.ok && read.step.fasteners.map((f) => f.lengthMm)).toEqual([mm]);
  });
});
