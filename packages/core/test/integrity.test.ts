import { asId, integrityFaults, type Job } from "../src/index.ts";
import { FELLRUNNER, demoJobs } from "../src/demo/index.ts";
import { changed, expectFaults } from "./changed.ts";
import { jobWith, keyed } from "./helpers.ts";

const having = (has: (job: Job) => boolean): Job => {
  const found = demoJobs().find(has);
  if (!found) throw new Error("no such job in the demo");
  return found;
};

/** On a pack, with controls of a kit, a ledger, panels and lamps in place. */
const cart = having((job) => job.controls.length > 1 && job.holes.length > 1);
/** Its wires come made up. */
const unboxed = having((job) => job.harnesses.length > 0);
/** On a battery, with modules that are plugged in and a vehicle of more than one variant. */
const varied = having((job) => job.vehicle.variants.length > 0);
const aimed = having((job) => job.aims.length > 0);
const quad = jobWith("bar-40", 2, keyed, {
  switchPartId: asId("switch-bar-5"),
  relayPartId: asId("relay-30"),
});

describe("a document that points at nothing", () => {
  it("is told by the place that points: feeds, switches, relays, plugs, wires", () => {
    const none = (what: string, id = "gone") => `no ${what} with id "${id}" in this job`;
    expectFaults(quad, [
      ["runs[0].feed", { kind: "pin", pinId: "gone" }, "runs[0].feed.pinId", none("wire")],
      [
        "runs[0].feed",
        { kind: "supply", supplyId: "gone" },
        "runs[0].feed.supplyId",
        none("supply"),
      ],
      ["runs[0].throughId", "gone", "runs[0].throughId", none("plug-in module")],
      ["runs[0].tapPinId", "gone", "runs[0].tapPinId", none("wire")],
      ["runs[0].switchPartId", "gone", "runs[0].switchPartId", none("switch")],
      ["runs[0].switchPartId", "relay-30", "runs[0].switchPartId", none("switch", "relay-30")],
      ["runs[0].relayPartId", "switch-bar-5", "runs[0].relayPartId", none("relay", "switch-bar-5")],
      ["runs[0].connectorPartId", "gone", "runs[0].connectorPartId", none("plug")],
      ["lamps[1].runId", "gone", "lamps[1].runId", none("run")],
      ["lamps[1].partId", "relay-30", "lamps[1].partId", none("lamp part", "relay-30")],
      ["lamps[0].replaces", "gone", "lamps[0].replaces", none("load of the vehicle")],
      ["vehicle.pins[0].connectorId", "gone", "vehicle.pins[0].connectorId", none("connector")],
    ]);
    expectFaults(cart, [
      [
        "supplies[0].partId",
        cart.lamps[0]!.partId,
        "supplies[0].partId",
        none("converter, box, battery or flasher", cart.lamps[0]!.partId),
      ],
      ["controls[0].switchPartId", "gone", "controls[0].switchPartId", none("switch")],
      [
        "controls[0].feed",
        { kind: "supply", supplyId: "x" },
        "controls[0].feed.supplyId",
        none("supply", "x"),
      ],
      ["mounts[1].lampId", "gone", "mounts[1].lampId", none("lamp")],
      ["fasteners[2].stepId", "gone", "fasteners[2].stepId", none("step")],
      ["plugs[0].stepId", "gone", "plugs[0].stepId", none("step")],
      ["strip[1].after", ["gone"], "strip[1].after[0]", none("step")],
      ["strip[0].covers", ["gone"], "strip[0].covers[0]", none("place")],
      ["lamps[3].at", "gone", "lamps[3].at", none("place")],
      ["supplies[1].at", "gone", "supplies[1].at", none("place")],
      ["controls[1].at", "gone", "controls[1].at", none("place")],
      ["runs[0].relayAt", "gone", "runs[0].relayAt", none("place")],
      ["runs[0].switchAt", "gone", "runs[0].switchAt", none("place")],
      ["runs[0].spliceAt", "gone", "runs[0].spliceAt", none("place")],
      ["vehicle.connectors[0].at", "gone", "vehicle.connectors[0].at", none("place")],
      ["vehicle.segments[0].fromId", "gone", "vehicle.segments[0].fromId", none("place")],
      ["vehicle.segments[0].toId", "gone", "vehicle.segments[0].toId", none("place")],
    ]);
    expectFaults(aimed, [["aims[0].mountId", "gone", "aims[0].mountId", none("lamp in place")]]);
    expectFaults(unboxed, [
      ["wireChoices[0].harnessId", "gone", "wireChoices[0].harnessId", none("harness")],
    ]);
    expectFaults(varied, [
      ["vehicle.variant", "gone", "vehicle.variant", none("variant")],
      ["vehicle.pins[2].variant", "gone", "vehicle.pins[2].variant", none("variant")],
    ]);
  });

  it("is a landmark without a panel, and with it the holes that are measured from it", () => {
    const lost = integrityFaults(changed(cart, "landmarks[0].templateId", "gone"));
    const { id } = cart.landmarks[0]!;
    const leaning = cart.holes.filter(
      ({ by }) =>
        (by.kind === "from" && by.landmarkId === id) ||
        (by.kind === "between" && (by.fromId === id || by.toId === id)),
    );
    expect(leaning.length).toBeGreaterThan(0);
    expect(lost).toHaveLength(1 + leaning.length);
    expect(lost).toContainEqual({
      path: "landmarks[0].templateId",
      message: 'no template with id "gone" in this job',
    });
    for (const fault of lost.slice(1)) {
      expect(fault.path).toMatch(/^holes\[\d\]\.by\.(landmarkId|fromId|toId)$/);
      expect(fault.message).toBe(`no landmark on this panel with id "${id}" in this job`);
    }
  });

  it("takes a picture of a step or of the whole job, not of a step that is gone", () => {
    const photo = (stepId: string) => ({
      ...cart,
      photos: [{ id: "p", caption: "", stepId: stepId as never }],
    });
    expect(integrityFaults(photo(""))).toEqual([]);
    expect(integrityFaults(photo(cart.strip[0]!.id))).toEqual([]);
    expect(integrityFaults(photo("gone"))).toEqual([
      { path: "photos[0].stepId", message: 'no step with id "gone" in this job' },
    ]);
  });

  it("plugs in modules alone, and no other box", () => {
    const [module] = varied.supplies;
    const [run, ...others] = varied.runs;
    const through = [{ ...run!, throughId: module!.id }, ...others];
    expect(integrityFaults({ ...varied, runs: through })).toEqual([]);
    const box = {
      ...varied,
      parts: varied.parts.map((p) => (p.kind === "box" ? { ...p, form: "hub" as const } : p)),
      runs: through,
    };
    expect(integrityFaults(box)).toContainEqual({
      path: "runs[0].throughId",
      message: `no plug-in module with id "${module!.id}" in this job`,
    });
  });
});

describe("a value that cannot be", () => {
  it("is told with what would be valid", () => {
    expectFaults(quad, [
      [
        "runs[0].wire",
        "thick",
        "runs[0].wire",
        'invalid wire size: "thick" (a size such as 16 AWG or 1.5 mm²)',
      ],
      [
        "runs[0].fuse",
        { kind: "rating", ratingA: 12 },
        "runs[0].fuse.ratingA",
        "invalid fuse: 12 A (one of 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40)",
      ],
      [
        "runs[0].fuse",
        { kind: "breaker", ratingA: 6 },
        "runs[0].fuse.ratingA",
        "invalid fuse: 6 A (one of 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40)",
      ],
      [
        "runs[0].feed",
        { kind: "pack" },
        "runs[0].feed",
        'invalid feed: "pack" (this vehicle has no traction pack)',
      ],
      [
        "runs[0].feed",
        { kind: "block", blocks: 1 },
        "runs[0].feed.blocks",
        "invalid tap: 1 blocks (1 to 1 of 0)",
      ],
      [
        "vehicle.pins[1].colour",
        "mauvish",
        "vehicle.pins[1].colour",
        'invalid colour: "mauvish" (such as brown or brown/white)',
      ],
    ]);
    expect(
      integrityFaults(changed(quad, "vehicle.places[0].id", "a b")).map((f) => f.message),
    ).toContain('invalid id: "a b" (letters, digits, - and _)');
    expectFaults(cart, [
      [
        "fasteners[0].back",
        99,
        "fasteners[0].back",
        `invalid count: 99 back of ${cart.fasteners[0]!.count} (needs ${cart.fasteners[0]!.count} or fewer)`,
      ],
      [
        "controls[0].inputs",
        [],
        "controls[0].inputs",
        "invalid inputs: none (signals of the vehicle, one or more)",
      ],
      [
        "controls[0].inputs",
        ["switch"],
        "controls[0].inputs",
        "invalid inputs: switch (signals of the vehicle, one or more)",
      ],
      [
        "controls[0].wire",
        "0",
        "controls[0].wire",
        'invalid wire size: "0" (a size such as 16 AWG or 1.5 mm²)',
      ],
      [
        "supplies[0].wire",
        "0",
        "supplies[0].wire",
        'invalid wire size: "0" (a size such as 16 AWG or 1.5 mm²)',
      ],
    ]);
    expectFaults(unboxed, [
      [
        "wireChoices[1].gaugeId",
        "9 mm",
        "wireChoices[1].gaugeId",
        'invalid wire size: "9 mm" (such as 18 AWG or 0.75 mm²)',
      ],
      [
        "wireChoices[1].colour",
        "dusk",
        "wireChoices[1].colour",
        'invalid colour: "dusk" (such as brown or brown/white)',
      ],
      [
        "wireChoices[1].wire",
        unboxed.wireChoices[0]!.wire,
        "wireChoices[1].wire",
        `"${unboxed.wireChoices[0]!.wire}" is spoken of twice (once is enough)`,
      ],
      [
        "practices.colours",
        [{ use: "feed", colour: "dusk" }],
        "practices.colours[0].colour",
        'invalid colour: "dusk" (such as brown or brown/white)',
      ],
    ]);
  });

  it("is a tap of all blocks of a pack, of none, or of a part of one", () => {
    const { system } = cart.vehicle;
    const blocks = system.kind === "engine" ? 0 : system.pack.blocks;
    const told = (n: number) =>
      integrityFaults(changed(cart, "supplies[0].feed", { kind: "block", blocks: n }));
    for (let n = 1; n < blocks; n += 1) expect(told(n)).toEqual([]);
    for (const n of [0, blocks, 1.5]) {
      expect(told(n)).toEqual([
        {
          path: "supplies[0].feed.blocks",
          message: `invalid tap: ${n} blocks (1 to ${blocks - 1} of ${blocks})`,
        },
      ]);
    }
  });

  it("is a pack whose cells do not part evenly among its blocks", () => {
    const { system } = cart.vehicle;
    if (system.kind === "engine") throw new Error("a cart without a pack");
    const { blocks } = system.pack;
    expect(integrityFaults(changed(cart, "vehicle.system.pack.cells", blocks * 3))).toEqual([]);
    expect(integrityFaults(changed(cart, "vehicle.system.pack.cells", blocks * 3 + 1))).toEqual([
      {
        path: "vehicle.system.pack.blocks",
        message: `invalid blocks: ${blocks} of ${blocks * 3 + 1} cells (cells must part evenly among the blocks)`,
      },
    ]);
  });

  it("is a charging curve of one point, or one that goes back", () => {
    const points = (list: readonly unknown[]) =>
      integrityFaults(changed(quad, "vehicle.system.charging.points", list));
    const { system } = FELLRUNNER;
    if (system.kind !== "engine") throw new Error("a quad without an engine");
    const [a, b] = system.charging.points;
    expect(points([a, b])).toEqual([]);
    expect(points([a])).toEqual([
      {
        path: "vehicle.system.charging.points",
        message: "1 points (the curve needs two or more)",
      },
    ]);
    expect(points([b, a])).toEqual([
      {
        path: "vehicle.system.charging.points[1].rpm",
        message: `invalid engine speed: ${a!.rpm} (needs to be above ${b!.rpm})`,
      },
    ]);
    expect(points([a, { ...b!, rpm: a!.rpm }])).toHaveLength(1);
  });

  it("is a fact out of its own bounds, or below nothing, wherever it stands", () => {
    const out = { ...quad.runs[0]!.feedM, low: 2, value: 1, high: 3 };
    const below = { ...quad.runs[0]!.feedM, low: -1, value: 1, high: 3 };
    const message = "invalid bounds: 2 … 1 … 3 (needs low ≤ value ≤ high)";
    expectFaults(quad, [
      ["runs[0].feedM", out, "runs[0].feedM", message],
      ["runs[0].feedM", below, "runs[0].feedM", "invalid lower bound: -1 (needs 0 or more)"],
      ["vehicle.reaches.frontM", out, "vehicle.reaches.frontM", message],
    ]);
    const high = { ...out, low: 1, value: 4 };
    expect(integrityFaults(changed(quad, "vehicle.reaches.frontM", high))).toHaveLength(1);
  });

  it("is a stretch of loom that ends where it starts, or has no length", () => {
    const [first] = cart.vehicle.segments;
    expectFaults(cart, [
      [
        "vehicle.segments[0].toId",
        first!.fromId,
        "vehicle.segments[0].toId",
        `"${first!.fromId}" is where it starts (needs another place)`,
      ],
      [
        "vehicle.segments[0].lengthM",
        { ...first!.lengthM, low: 0 },
        "vehicle.segments[0].lengthM",
        "invalid length: 0 m at its lower bound (needs more than 0)",
      ],
    ]);
  });

  it("is more spots than fasteners", () => {
    const [{ count, spots }] = cart.fasteners as [Job["fasteners"][number]];
    expect(spots.length).toBeLessThanOrEqual(count);
    const many = Array.from({ length: count + 1 }, () => ({ x: 0.5, y: 0.5 }));
    expectFaults(cart, [
      [
        "fasteners[0].spots",
        many,
        "fasteners[0].spots",
        `${count + 1} spots for ${count} fasteners (needs ${count} or fewer)`,
      ],
    ]);
    expect(integrityFaults(changed(cart, "fasteners[0].spots", many.slice(1)))).toEqual([]);
  });
});
