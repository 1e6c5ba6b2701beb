/** Where lamps sit, what is stuck on, and what a job takes from the shelf. */
import {
  ADHESIVES,
  adhesiveOf,
  curing,
  jobSummary,
  lopsided,
  needsOf,
  notPressable,
  planJob,
  setIn,
  shimMm,
  slowedBy,
  synthesise,
  shelfName,
  takenOfShelf,
  turnDeg,
  wrongHanded,
  measured,
  type Bond,
  type Job,
} from "../src/index.ts";
import { withLedger, kitByHand } from "./jobs.ts";
import { edited } from "./helpers.ts";

const tourer = (): Job => withLedger();

const shuttle = (): Job => kitByHand();

describe("lamps in place", () => {
  it("a shim's thickness is the foot times the tangent, and back", () => {
    // 1.8° under a 40 mm foot: 40 · tan 1.8° = 1.257 mm, by hand.
    expect(shimMm(40, 1.8)).toBeCloseTo(1.257, 3);
    expect(turnDeg(40, shimMm(40, 1.8))).toBeCloseTo(1.8, 9);
    expect(shimMm(40, -1.8)).toBeCloseTo(-1.257, 3);
  });

  it("tells a bracket on the wrong side and a pair that does not mirror", () => {
    const job = tourer();
    expect(wrongHanded(job)).toEqual([]);
    expect(lopsided(job)).toEqual([]);
    const [left] = job.mounts.filter((m) => m.hand === "left");
    const swapped = edited(job, setIn("mount", left!.id, "hand", "right"));
    const rules = (j: Job) =>
      planJob(j, "metric").findings.filter((f) => f.rule === "lamps-in-place");
    expect(rules(swapped)[0]!.title).toBe("A bracket for the right on the left");
    const fog = job.mounts.find((m) => m.tiltDeg === 1.2)!;
    const low = edited(job, setIn("mount", fog.id, "heightM", measured(0.58, 0.575, 0.585)));
    expect(rules(low)[0]!.figures).toEqual([
      { label: "height", value: "−40 mm apart", limit: "10 mm" },
    ]);
  });

  // UN R53: indicators 350 to 1200 mm high, 240 mm apart in front, 180 mm behind. 49 CFR
  // 571.108: 9 in apart behind, 20 in high or more. All from memory.
  it("holds positions against the rule pack of the place", () => {
    const at = (place: string, outM: number, heightM: number) => {
      const job = tourer();
      const turns = job.mounts.filter((m) => m.hand !== "any");
      const moved = edited(
        job,
        { kind: "setOnce", entity: "practices", field: "place", value: place },
        ...turns.flatMap((m) => [
          setIn("mount", m.id, "outM", measured(outM, outM, outM)),
          setIn("mount", m.id, "heightM", measured(heightM, heightM, heightM)),
        ]),
      );
      return planJob(moved, "metric")
        .findings.filter((f) => f.rule === "lamps-in-place")
        .map((f) => f.title);
    };
    expect(at("un", 0.095, 0.92)).toEqual([]);
    expect(at("un", 0.085, 0.92)[0]).toMatch(/too close for UN regulations/);
    expect(at("us", 0.095, 0.92)[0]).toMatch(/too close for US federal/);
    expect(at("us", 0.12, 0.92)).toEqual([]);
    expect(at("un", 0.17, 1.25)[0]).toMatch(/too high for UN/);
    expect(at("us", 0.17, 0.45)[0]).toMatch(/too low for US/);
    expect(at("off-road", 0.01, 3)).toEqual([]);
  });

  it("asks lamps of a wide vehicle to stand near its edge", () => {
    const job = edited(shuttle(), {
      kind: "setOnce",
      entity: "practices",
      field: "place",
      value: "un",
    });
    const inner = job.mounts.filter((m) => m.side !== "centre");
    const moved = edited(
      job,
      ...inner.map((m) => setIn("mount", m.id, "outM", measured(0.15, 0.15, 0.15))),
    );
    const titles = planJob(moved, "metric").findings.map((f) => f.title);
    expect(titles.some((t) => /too far from the vehicle's edge/.test(t))).toBe(true);
  });
});

describe("adhesive", () => {
  const bond: Bond = { ...tourer().bonds[0]!, cleaned: true, dryFitted: true, marked: true };

  it("is refused outside its window, and until it is made ready", () => {
    expect(notPressable({ ...bond, surfaceC: 20 })).toEqual([]);
    expect(notPressable({ ...bond, surfaceC: 4 })[0]).toMatch(/too cold .*needs 15 to 38/);
    expect(notPressable({ ...bond, surfaceC: 60 })[0]).toMatch(/too hot/);
    expect(notPressable({ ...bond, surfaceC: 20, cleaned: false })).toEqual(["not cleaned"]);
    for (const a of ADHESIVES) expect(a.leastC).toBeLessThan(a.mostC);
  });

  it("cures half as fast for each 10 °C below 20 °C, and no faster above", () => {
    expect(slowedBy(10)).toBe(2);
    expect(slowedBy(0)).toBe(4);
    expect(slowedBy(35)).toBe(1);
  });

  it("feeds the board with the moments at which it may be handled and has cured", () => {
    const pressed = { ...bond, surfaceC: 20, pressedAt: "2026-11-25T09:00:00Z" };
    const { handleH, cureH } = adhesiveOf(pressed.adhesive);
    const when = curing(pressed)!;
    expect(when.handle.getTime() - Date.parse(pressed.pressedAt)).toBe(handleH * 3_600_000);
    const job: Job = { ...tourer(), bonds: [pressed] };
    expect(jobSummary(job).curing).toEqual([
      {
        what: "Cable clips inside the lid, acrylic foam tape",
        handleAt: "2026-11-25T09:30:00.000Z",
        curedAt: new Date(Date.parse(pressed.pressedAt) + cureH * 3_600_000).toISOString(),
      },
    ]);
    expect(jobSummary(tourer()).curing).toEqual([]);
  });
});

describe("what a job takes from the shelf", () => {
  it("is its lamps, its wire as cut and the terminals on its ends, until it is handed over", () => {
    const job = tourer();
    const needs = needsOf(job, synthesise(job));
    const taken = takenOfShelf([{ needs }]);
    const takenOf = (name: string): number => taken.get(shelfName(name)) ?? 0;
    expect(takenOf("12 W amber fog pod")).toBe(2);
    expect(takenOf("Spade terminal 6.3 mm")).toBeGreaterThan(10);
    const wire = needs.filter((n) => n.unit === "m");
    expect(takenOf("Wire 16 AWG, metre")).toBe(
      wire.find((n) => n.name === "wire 16 AWG")?.count ?? 0,
    );
    const over = edited(job, {
      kind: "setOnce",
      entity: "card",
      field: "stage",
      value: "handOver",
    });
    expect(jobSummary(over).needs).toEqual([]);
  });
});
