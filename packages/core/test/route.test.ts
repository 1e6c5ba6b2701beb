import { Graph, alg } from "@dagrejs/graphlib";
import fc from "fast-check";
import {
  PROVENANCES,
  ampacityA,
  asId,
  applyEdits,
  assumed,
  carriesA,
  chafePlaces,
  checkJob,
  costOf,
  boundedValue,
  faults,
  gaugeOf,
  integrityFaults,
  lengthOf,
  lengthsOff,
  measured,
  planJob,
  removePlace,
  routeOf,
  synthesise,
  takeLengths,
  waysFrom,
  type BoundedValue,
  type Hazard,
  type Job,
  type MapPlace,
  type MapSegment,
  type PlaceId,
  type SegmentId,
} from "../src/index.ts";
import { FELLRUNNER } from "../src/demo/index.ts";
import { withLedger, kitByHand, metreStrips } from "./jobs.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { when } from "../src/demo/job/jobMaker.ts";

const place = (n: number): MapPlace => ({
  id: asId<PlaceId>(`p${n}`),
  name: `place ${n}`,
  role: "other",
  backM: n,
  rightM: 0,
});

const segment = (
  a: number,
  b: number,
  lengthM: number,
  factory: boolean,
  hazards: readonly Hazard[] = [],
): MapSegment => ({
  id: asId<SegmentId>(`s${a}-${b}-${lengthM.toFixed(3)}-${factory}`.replace(".", "_")),
  fromId: asId<PlaceId>(`p${a}`),
  toId: asId<PlaceId>(`p${b}`),
  lengthM: measured(lengthM, lengthM, lengthM),
  factory,
  hazards,
  note: "",
});

describe("ways over the map", () => {
  // Oracle: Dijkstra of a general graph library on the same costs.
  it("cost what a graph library says, on any map", () => {
    const maps = fc
      .integer({ min: 2, max: 12 })
      .chain((n) =>
        fc.tuple(
          fc.constant(n),
          fc.array(
            fc.tuple(
              fc.nat(n - 1),
              fc.nat(n - 1),
              fc.integer({ min: 1, max: 4000 }),
              fc.boolean(),
              fc.subarray<Hazard>(["fork", "hot", "sharp", "water"]),
            ),
            { maxLength: 30 },
          ),
        ),
      );
    fc.assert(
      fc.property(maps, ([n, list]) => {
        const places = Array.from({ length: n }, (_, i) => place(i));
        const segments = list
          .filter(([a, b]) => a !== b)
          .map(([a, b, mm, factory, hazards]) => segment(a, b, mm / 1000, factory, hazards));
        const graph = new Graph({ directed: false, multigraph: true });
        for (const p of places) graph.setNode(p.id);
        segments.forEach((s, i) => graph.setEdge(s.fromId, s.toId, costOf(s), String(i)));
        const known = alg.dijkstra(
          graph,
          "p0",
          (e) => graph.edge(e) as number,
          (v) => graph.nodeEdges(v) ?? [],
        );
        const ways = waysFrom(places, segments, asId<PlaceId>("p0"));
        for (const p of places) {
          const expected = known[p.id]!.distance;
          const way = ways.get(p.id);
          if (expected === Infinity) expect(way).toBeUndefined();
          else {
            expect(way!.cost).toBeCloseTo(expected, 9);
            expect(way!.segments.reduce((sum, s) => sum + costOf(s), 0)).toBeCloseTo(expected, 9);
            expect(way!.places).toHaveLength(way!.segments.length + 1);
          }
        }
      }),
      { seed: 20261125, numRuns: 200 },
    );
  });

  it("keep to the factory loom when the way beside it is only a little shorter", () => {
    const places = [place(0), place(1), place(2)];
    const loom = [segment(0, 1, 0.6, true), segment(1, 2, 0.6, true)];
    const way = (short: number) =>
      waysFrom(places, [...loom, segment(0, 2, short, false)], asId<PlaceId>("p0")).get(
        asId<PlaceId>("p2"),
      )!;
    expect(way(1).segments).toHaveLength(2);
    expect(way(0.7).segments).toHaveLength(1);
  });

  it("go round what is hot, and add the slack that a fork asks for", () => {
    const places = [place(0), place(1), place(2)];
    const hot = segment(0, 2, 0.5, true, ["hot"]);
    const round = [segment(0, 1, 0.4, true), segment(1, 2, 0.4, true, ["fork"])];
    const way = waysFrom(places, [hot, ...round], asId<PlaceId>("p0")).get(asId<PlaceId>("p2"))!;
    expect(way.segments.map((s) => s.id)).toEqual(round.map((s) => s.id));
    expect(lengthOf(way)).toMatchObject({ value: 0.88, provenance: "measured" });
  });
});

describe("the route of a job", () => {
  it("leads every wire of the tourer's box lamp, and none is without a way", () => {
    const job = withLedger();
    const circuit = synthesise(job);
    const plan = routeOf(job, circuit);
    const cut = [...circuit.elements.values()].filter((e) => e.kind === "wire" && e.harness === "");
    expect(plan.gaps).toEqual([]);
    expect(plan.wires).toHaveLength(cut.length);
    expect(lengthsOff(plan)).toEqual([]);
    const hinge = plan.segments.find((s) => s.segment.id === "trunk-hinge-trunk-lid")!;
    expect(hinge.protections.map((p) => p.hazard)).toEqual(["moving", "panel"]);
    expect(hinge.sleeveMm! / 1000).toBeGreaterThanOrEqual(hinge.diameterM);
  });

  it("leads every wire of the shuttle's road kit too, controls of the kit included", () => {
    const job = kitByHand();
    const plan = routeOf(job, synthesise(job));
    expect(plan.gaps).toEqual([]);
    expect(plan.segments.length).toBeGreaterThan(8);
  });

  it("gives lengths to the circuit by itself: what is guessed goes, what is told or measured stays", () => {
    const job = metreStrips();
    const circuit = synthesise(job);
    const ways = new Map(routeOf(job, circuit).wires.map((w) => [w.elementId, w]));
    const wires = [...circuit.elements.values()].filter((e) => e.kind === "wire");
    const routed = wires.filter((w) => (ways.get(w.id)?.way.segments.length ?? 0) > 0);
    expect(routed.length).toBeGreaterThan(3);
    for (const wire of routed) expect(wire.lengthM).toEqual(ways.get(wire.id)!.lengthM);
    expect(lengthsOff(routeOf(job, circuit))).toEqual([]);

    const [run] = job.runs;
    const told = (provenance: "stated" | "measured"): Job => ({
      ...job,
      runs: job.runs.map((r) =>
        r.id === run!.id ? { ...r, loadM: { ...measured(9, 8.9, 9.1), provenance } } : r,
      ),
    });
    const longest = (of: Job): number =>
      Math.max(
        ...[...synthesise(of).elements.values()].map((e) =>
          e.kind === "wire" && e.runId === run!.id ? e.lengthM.value : 0,
        ),
      );
    expect(longest(job)).toBeLessThan(4);
    for (const provenance of ["stated", "measured"] as const) {
      expect(longest(told(provenance))).toBeGreaterThanOrEqual(9);
    }
    // A length that somebody told is held against the map; one that somebody measured is not.
    const off = lengthsOff(routeOf(told("stated"), synthesise(told("stated"))));
    expect(off).toMatchObject([{ runId: run!.id, field: "loadM" }]);
    expect(lengthsOff(routeOf(told("measured"), synthesise(told("measured"))))).toEqual([]);
    const taken = applyEdits(told("stated"), takeLengths(off));
    if (!taken.ok) throw new Error(taken.message);
    expect(longest(taken.job)).toBeLessThan(4);
  });

  it("says at the place which ends are not connected", () => {
    const whole = withLedger();
    const cutOff: Job = {
      ...whole,
      vehicle: {
        ...whole.vehicle,
        segments: whole.vehicle.segments.filter((s) => s.id !== "trunk-hinge-trunk-lid"),
      },
    };
    const gaps = routeOf(cutOff, synthesise(cutOff)).gaps;
    expect(gaps.length).toBeGreaterThan(0);
    expect(gaps[0]!.words).toMatch(/no route from .* to Trunk lid: measure a stretch/);
    const found = planJob(cutOff, "metric").findings.filter((f) => f.rule === "route-fits");
    expect(
      found.some((f) => /Not to be reached/.test(f.title) && /measure a stretch/.test(f.why)),
    ).toBe(true);
  });

  it("says which stretches with wires in them nobody has measured, and is quiet once they are", () => {
    const whole = withLedger();
    const used = routeOf(whole, synthesise(whole)).segments.map(({ segment }) => segment);
    const mapped = (lengthM: (m: MapSegment) => BoundedValue): Job => ({
      ...whole,
      vehicle: {
        ...whole.vehicle,
        segments: whole.vehicle.segments.map((s) => ({ ...s, lengthM: lengthM(s) })),
      },
    });
    const guessed = (job: Job) =>
      planJob(job, "metric").findings.filter((f) => f.title.startsWith("Lengths guessed: nobody"));
    expect(guessed(whole)).toEqual([]);
    const [first] = used;
    const one = guessed(mapped((s) => (s.id === first!.id ? assumed(s.lengthM.value) : s.lengthM)));
    expect(one).toHaveLength(1);
    expect(one[0]!.why.split(";")).toHaveLength(1);
    const all = guessed(mapped((s) => assumed(s.lengthM.value)));
    expect(all[0]!.why.split(";")).toHaveLength(used.length);
    // A sister machine's tape counts as one.
    expect(guessed(mapped((s) => boundedValue(s.lengthM.value, "sister")))).toEqual([]);
  });

  it("adds up a way as well known as its worst stretch", () => {
    const whole = withLedger();
    const [wire] = routeOf(whole, synthesise(whole)).wires.filter((w) => w.way.segments.length > 1);
    const { segments, places } = wire!.way;
    for (const worst of PROVENANCES) {
      const way = segments.map((s, i) => ({
        ...s,
        lengthM: boundedValue(s.lengthM.value, i === 1 ? worst : "measured"),
      }));
      expect(lengthOf({ ...wire!.way, places, segments: way }).provenance).toBe(worst);
    }
  });

  it("tells chafe places to the faults until somebody signs for the protection", () => {
    const job = withLedger();
    const circuit = synthesise(job);
    const chafed = (faults(job, circuit) ?? []).filter((f) => f.chafes.length > 0);
    expect(chafed.length).toBeGreaterThan(0);
    expect(chafed.every((f) => f.kind === "chafed")).toBe(true);
    const plan = routeOf(job, circuit);
    const signed: Job = {
      ...job,
      checks: plan.segments.flatMap((s) =>
        s.protections.map((p) => ({ id: p.checkId, by: "Pim Okkerse" })),
      ),
    };
    const again = synthesise(signed);
    const after = routeOf(signed, again);
    for (const f of chafed) expect(chafePlaces(signed, after, f.elementId)).toEqual([]);
  });

  it("loses a place with its stretches, and what sat there goes to the usual one", () => {
    const job = withLedger();
    const gone = applyEdits(job, removePlace(job, asId<PlaceId>("trunk-lid")));
    if (!gone.ok) throw new Error(gone.message);
    expect(integrityFaults(gone.job)).toEqual([]);
    expect(gone.job.lamps.every((l) => l.at !== "trunk-lid")).toBe(true);
    const back = applyEdits(gone.job, gone.inverse);
    expect(back.ok && back.job).toEqual(job);
  });

  it("refuses a stretch to nowhere and one from a place to itself, by path", () => {
    const job = withLedger();
    const [first, ...rest] = job.vehicle.segments;
    const wrong = (fields: Partial<MapSegment>) =>
      integrityFaults({
        ...job,
        vehicle: { ...job.vehicle, segments: [{ ...first!, ...fields }, ...rest] },
      }).map((f) => `${f.path}: ${f.message}`);
    expect(wrong({ toId: asId<PlaceId>("moon") })).toEqual([
      'vehicle.segments[0].toId: no place with id "moon" in this job',
    ]);
    expect(wrong({ toId: first!.fromId })[0]).toMatch(/needs another place/);
    expect(wrong({ lengthM: measured(0, 0, 0) })[0]).toMatch(/needs more than 0/);
  });

  it("costs no vehicle without a map anything", () => {
    const job = withLedger();
    const bare: Job = { ...job, vehicle: { ...job.vehicle, places: [], segments: [] } };
    expect(routeOf(bare, synthesise(bare))).toEqual({
      wires: [],
      segments: [],
      gaps: [],
      lengths: [],
    });
    expect(typeof checkJob).toBe("function");
  });
});

describe("bundles on the way", () => {
  const many = (count: number, part: string): Job => {
    let maker = make("bundle", "", FELLRUNNER, "");
    for (let n = 1; n <= count; n += 1) {
      maker = maker.run(`r${n}`, `r${n}`, "front", when("switch"), [[part, 1, "front"]], {
        return: "wire",
      });
    }
    return maker.job;
  };
  const wires = (job: Job) =>
    [...synthesise(job).elements.values()].filter((e) => e.kind === "wire" && e.group === "r1");
  const most = (job: Job): number =>
    Math.max(...wires(job).map((w) => (w.kind === "wire" ? w.bundle : 0)));
  const areaOf = (job: Job): number =>
    Math.max(...wires(job).map((w) => (w.kind === "wire" ? gaugeOf(w.gaugeId).areaM2 : 0)));

  it("count loaded wires, out and back, where most lie side by side", () => {
    expect(most(many(1, "bar-120"))).toBe(2);
    expect(most(many(3, "bar-120"))).toBe(6);
  });

  // IEC 60364-5-52, 523.5 (from memory): what is loaded to 30 % or less is not counted.
  it("leave out wires that carry next to nothing", () => {
    expect(most(many(6, "path-red"))).toBe(1);
  });

  it("ask for more copper, are told with the choice, and are unknown without a map", () => {
    const bundled = many(6, "bar-120");
    const free = { ...bundled, vehicle: { ...bundled.vehicle, places: [], segments: [] } };
    expect(most(free)).toBe(1);
    expect(areaOf(bundled)).toBeGreaterThan(areaOf(many(1, "bar-120")));
    const [first] = synthesise(bundled).choices.filter((c) => c.kind === "wire");
    expect(first!.reason).toContain("among 12 loaded wires");
    const wire = wires(bundled)[0]!;
    const own = { ambientC: 40, insulationC: 85, bundledWires: 1 };
    if (wire.kind !== "wire") throw new Error("not a wire");
    expect(carriesA(wire, own)).toBeCloseTo(
      ampacityA(gaugeOf(wire.gaugeId), own) / Math.sqrt(wire.bundle),
      9,
    );
  });
});
