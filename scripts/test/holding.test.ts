/** How much more several servers hold than one: what is said of it must follow from what was measured. */
import { holdingTold, type Held } from "../lib/holding.mjs";

const held = (size: number, perSecond: number, cores: Held["cores"]): Held => ({
  ...{ size, perSecond, cores },
  all: { kind: "all", n: 45 * perSecond, p50: 90, p95: 200, p99: 300 },
});

describe("what several servers hold", () => {
  it("is told beside one, with the machine as what binds where its cores are full", () => {
    const told = holdingTold(
      held(1, 180, [["servers", 0.95]]),
      held(3, 225, [
        ["servers", 1.2],
        ["postgres", 0.7],
      ]),
      2,
    );
    expect(told.split("\n")).toEqual([
      "one server: 180 answers a second, 95th of a hundred after 200 ms; cores: servers 0.95",
      "3 servers: 225 answers a second, 95th of a hundred after 200 ms; cores: servers 1.20, postgres 0.70",
      "3 servers hold 1.25 times what one holds; what binds is the machine: 1.90 of 2 cores are taken, most of it by servers",
    ]);
  });

  it("is not the machine's fault where cores are left", () => {
    const told = holdingTold(held(1, 100, [["servers", 1]]), held(3, 120, [["postgres", 2]]), 8);
    expect(told).toContain("3 servers hold 1.20 times what one holds");
    expect(told).toContain("2.00 of 8 cores are taken: what binds is something else");
  });
});
