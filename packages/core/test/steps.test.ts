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
