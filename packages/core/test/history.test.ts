import {
  COLLECTIONS,
  allOf,
  applyEdit,
  asId,
  createDeviation,
  describeEdit,
  fastenerText,
  fieldWords,
  measured,
  pinFuse,
  pinWire,
  setCircuit,
  valueText,
  type Edit,
  type Job,
} from "../src/index.ts";
import { LITTER, MIDGE, demoJobs } from "../src/demo/index.ts";
import { RUN, jobWith, keyed, onVehicle } from "./helpers.ts";
import { barAndPods, kitByHand } from "./jobs.ts";

const job = jobWith("bar-40", 2, keyed);
const said = (edit: unknown, of: Job = job): string => describeEdit(edit as Edit, of);

describe("a value in a few words", () => {
  it.each([
    [null, "nothing"],
    ["", "nothing"],
    ["text", "text"],
    [true, "yes"],
    [false, "no"],
    [0.12345, "0.123"],
    [12, "12"],
    [[], "nothing"],
    [["left", "right"], "left, right"],
    [[1, 2, 3, 4, 5], "5 entries"],
    [[{ use: "feed", colour: "red" }], "feed red"],
    [{ kind: "rating", ratingA: 10 }, "rating 10"],
    [{ kind: "x", inner: { a: 1 } }, "x"],
    [measured(3.5), "3.5 (measured)"],
  ])("%j is %s", (value, words) => {
    expect(valueText(value)).toBe(words);
  });

  it("is a condition as a sentence", () => {
    expect(valueText(allOf("switch", "key"))).toBe("own switch and key on");
  });

  it("has its field as words, without the letter of its unit", () => {
    expect(fieldWords("fuseSchool")).toBe("fuse school");
    expect(fieldWords("feedM")).toBe("feed");
    expect(fieldWords("capacityAh")).toBe("capacity");
    expect(fieldWords("coilOhm")).toBe("coil");
    expect(fieldWords("name")).toBe("name");
  });
});

describe("a line of the history", () => {
  it("says what was set, of whom, and to what", () => {
    expect(said(pinFuse(RUN, { kind: "rating", ratingA: 10 }))).toBe(
      "run “Test run”: fuse → rating 10",
    );
    expect(said(pinWire(RUN, null))).toBe("run “Test run”: wire → nothing");
    expect(said(setCircuit(RUN, "condition", allOf("brake")))).toBe(
      "run “Test run”: condition → brake",
    );
    expect(said({ kind: "setOnce", entity: "card", field: "title", value: "New" })).toBe(
      "job card: title → New",
    );
    expect(
      said({ kind: "setOnce", entity: "practices", field: "fuseSchool", value: "nextSize" }),
    ).toBe("practice: fuse school → nextSize");
    expect(
      said({
        ...{ kind: "setOnce", entity: "practices", field: "colours" },
        value: [{ use: "ground", colour: "brown" }],
      }),
    ).toBe("practice: colours → ground brown");
    expect(
      said({ kind: "set", entity: "pin", id: "brake", field: "colour", value: "green" }),
    ).toMatch(/^wire “.+”: colour → green$/);
  });

  it("names what came and what went by what it is called", () => {
    const [lamp] = job.lamps;
    expect(said({ kind: "remove", entity: "lamp", id: lamp!.id })).toBe(
      `lamp “${lamp!.label}” removed`,
    );
    expect(said({ kind: "add", entity: "run", value: job.runs[0], at: 0 })).toBe(
      "run “Test run” added",
    );
    const placed = barAndPods();
    const [mount] = placed.mounts;
    const label = placed.lamps.find((l) => l.id === mount!.lampId)!.label;
    expect(said({ kind: "remove", entity: "mount", id: mount!.id }, placed)).toBe(
      `lamp in place “${label}” removed`,
    );
    const aim = placed.aims.find((a) => a.mountId === mount!.id)!;
    expect(said({ kind: "remove", entity: "aim", id: aim.id }, placed)).toBe(
      `aim “${label}” removed`,
    );
    // Nothing of that id: the id is all there is to say.
    expect(said({ kind: "remove", entity: "mount", id: "gone" }, placed)).toBe(
      "lamp in place “gone” removed",
    );
  });

  it("says how a lamp stood on the wall", () => {
    const placed = barAndPods();
    const [aim] = placed.aims;
    const stood = (upMm: number | null) =>
      said(
        {
          ...{ kind: "set", entity: "aim", id: aim!.id, field: "errors" },
          value: upMm === null ? [] : [{ upMm }],
        },
        placed,
      );
    expect(stood(-40)).toMatch(/^aim “.+”: stood 40 mm low on the wall$/);
    expect(stood(25)).toMatch(/: stood 25 mm high on the wall$/);
    expect(stood(null)).toMatch(/: not measured$/);
  });

  it("says what was read, in which position, in its unit", () => {
    const read = (step: string, value: number | null, note = "") =>
      said({
        ...{ kind: "add", entity: "reading", at: 0 },
        value: { id: "r", step, value, note, low: 0, high: 0, by: "", at: "" },
      });
    expect(read(`volts|key+${RUN}|x`, 12.345)).toBe("reading 12.35 V (key + Test run on)");
    expect(read("amps|off|x", 0.5)).toBe("reading 0.5 A (all off)");
    expect(read("milliamps|off|x", 3)).toBe("reading 3 mA (all off)");
    expect(read("ohms|off|x", 0.1)).toBe("reading 0.1 Ω (all off)");
    expect(read(`look|${RUN}|x`, 0.5)).toBe("reading by eye or ear 50 % (Test run on)");
    expect(read("volts|off|x", null, "no time")).toBe(
      "step of the test left out (all off): no time",
    );
  });

  it("says another electrical system", () => {
    expect(said({ kind: "replaceSystem", value: MIDGE.system })).toBe("electrical system → pack");
    expect(said({ kind: "replaceSystem", value: job.vehicle.system })).toBe(
      "electrical system → engine and battery",
    );
    expect(said({ kind: "replaceSystem", value: LITTER.system })).toBe("electrical system → pack");
  });

  it("has no edit without words, whatever is removed of a whole job", () => {
    const cart = kitByHand();
    const lists = { lamp: cart.lamps, run: cart.runs, hole: cart.holes, stripStep: cart.strip };
    for (const [entity, list] of Object.entries(lists)) {
      for (const { id } of list) {
        const line = said({ kind: "remove", entity, id }, cart);
        expect(line).toMatch(/^.+ “.+” removed$/);
        expect(line).not.toContain("undefined");
      }
    }
    const d = createDeviation("d", "joined", RUN, {});
    expect(said({ kind: "add", entity: "deviation", value: d, at: 0 })).toContain("deviation");
  });
});

describe("an edit that makes no sense", () => {
  const refused = (edit: unknown, of: Job = job) => {
    const result = applyEdit(of, edit as Edit);
    if (result.ok) throw new Error("taken");
    return [result.path, result.message];
  };

  it("is told with its place: no such thing, no such field, there already", () => {
    expect(refused({ kind: "set", entity: "run", id: "gone", field: "name", value: "" })).toEqual([
      "run",
      'no run with id "gone"',
    ]);
    expect(refused({ kind: "set", entity: "run", id: RUN, field: "colour", value: "" })).toEqual([
      `run.${RUN}.colour`,
      'no such field: "colour"',
    ]);
    expect(refused({ kind: "set", entity: "run", id: RUN, field: "id", value: "" })).toEqual([
      `run.${RUN}.id`,
      'no such field: "id"',
    ]);
    expect(refused({ kind: "add", entity: "run", value: job.runs[0], at: 0 })).toEqual([
      `run.${RUN}`,
      `there is a run with id "${RUN}" already`,
    ]);
    expect(refused({ kind: "remove", entity: "run", id: "gone" })).toEqual([
      "run",
      'no run with id "gone"',
    ]);
    expect(refused({ kind: "setOnce", entity: "card", field: "x", value: "" })).toEqual([
      "card.x",
      'no such field: "x"',
    ]);
    expect(refused({ kind: "setOnce", entity: "charging", field: "points", value: [] })).toEqual([
      "charging.points",
      'no such field: "points"',
    ]);
  });

  it("is one on what this vehicle does not have, or that nobody knows", () => {
    const pack = onVehicle(MIDGE);
    expect(
      refused({ kind: "setOnce", entity: "charging", field: "idleRpm", value: 1 }, pack),
    ).toEqual(["charging", "this vehicle has no charging"]);
    const point = { id: "p", rpm: 1, outputA: measured(1) };
    expect(refused({ kind: "add", entity: "chargingPoint", value: point, at: 0 }, pack)).toEqual([
      "chargingPoint",
      "this vehicle has no chargingPoint list",
    ]);
    for (const kind of ["set", "add", "remove", "setOnce"]) {
      expect(refused({ kind, entity: "dream", id: "x", field: "y", value: { id: "x" } })).toEqual([
        "edit.entity",
        "no such entity",
      ]);
    }
    expect(applyEdit(job, { kind: "dream" } as unknown as Edit).ok).toBe(false);
  });

  it("puts in where it is told to, and at the end where that lies beyond", () => {
    const wish = (id: string) => ({ id, purpose: "other" as const, text: id });
    const put = (of: Job, id: string, at: number): Job => {
      const result = applyEdit(of, { kind: "add", entity: "wish", value: wish(id), at });
      if (!result.ok) throw new Error(result.message);
      return result.job;
    };
    const three = put(put(put(job, "a", 0), "b", 99), "c", 1);
    expect(three.wishes.map((w) => w.id)).toEqual(["a", "c", "b"]);
    expect(put(three, "d", -5).wishes[0]!.id).toBe("d");
    expect(asId<never>("a")).toBe("a");
  });
});

describe("an entry of a job in its history", () => {
  it("is told by its name, or by what it is, and never by its id", () => {
    let told = 0;
    for (const of of demoJobs()) {
      for (const [entity, { get }] of Object.entries(COLLECTIONS)) {
        for (const { id } of (get(of) ?? []) as readonly { id: string }[]) {
          const line = said({ kind: "remove", entity, id }, of);
          // Some are called as people call them: "pods".
          if (/\d/.test(id)) expect([entity, line.includes(`“${id}”`)]).toEqual([entity, false]);
          told += 1;
        }
      }
    }
    expect(told).toBeGreaterThan(1000);
  });

  it("is a fastener by how many and what they are, a stretch by its ends, a point by its speed", () => {
    const fitted = demoJobs().find((j) => j.fasteners.length > 0 && j.vehicle.segments.length > 0)!;
    const [fastener] = fitted.fasteners;
    const added = said({ kind: "add", entity: "fastener", value: fastener, at: 0 }, fitted);
    expect(added).toBe(`fastener “${fastener!.count} of ${fastenerText(fastener!)}” added`);
    const [stretch] = fitted.vehicle.segments;
    const name = (id: string) => fitted.vehicle.places.find((p) => p.id === id)!.name;
    expect(said({ kind: "remove", entity: "segment", id: stretch!.id }, fitted)).toBe(
      `stretch “${name(stretch!.fromId)} – ${name(stretch!.toId)}” removed`,
    );
    const { system } = fitted.vehicle;
    if (system.kind !== "engine") throw new Error("it has an engine");
    const [point] = system.charging.points;
    expect(said({ kind: "remove", entity: "chargingPoint", id: point!.id }, fitted)).toBe(
      `charging point “${point!.rpm} rpm” removed`,
    );
  });
});
