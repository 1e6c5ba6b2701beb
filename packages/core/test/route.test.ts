import { Graph, alg } from "@dagrejs/graphlib";
import fc from "fast-check";
import {
  asId,
  applyEdits,
  chafePlaces,
  checkJob,
  costOf,
  faults,
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
  type Hazard,
  type Job,
  type MapPlace,
  type MapSegment,
  type PlaceId,
  type SegmentId,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";

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

const demo = (title: string): Job => demoJobs().find((j) => j.card.title.startsWith(title))!;

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
    const job = demo("Box lamp");
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
    const job = demo("Road kit");
    const plan = routeOf(job, synthesise(job));
    expect(plan.gaps).toEqual([]);
    expect(plan.segments.length).toBeGreaterThan(8);
  });

  it("gives lengths to the circuit: what is guessed goes, what is measured stays", () => {
    const job = demo("Tail box strips");
    const off = lengthsOff(routeOf(job, synthesise(job)));
    expect(off.length).toBeGreaterThan(0);
    const taken = applyEdits(job, takeLengths(off));
    if (!taken.ok) throw new Error(taken.message);
    const after = synthesise(taken.job);
    expect(lengthsOff(routeOf(taken.job, after))).toEqual([]);
    const long = (circuit: typeof after): number =>
      [...circuit.elements.values()].reduce(
        (sum, e) => sum + (e.kind === "wire" ? e.lengthM.value : 0),
        0,
      );
    expect(long(after)).toBeGreaterThan(long(synthesise(job)));
    const [first] = off;
    const pinned = applyEdits(job, [
      {
        kind: "set",
        entity: "run",
        id: first!.runId,
        field: "loadM",
        value: measured(9, 8.9, 9.1),
      },
    ]);
    if (!pinned.ok) throw new Error(pinned.message);
    const left = lengthsOff(routeOf(pinned.job, synthesise(pinned.job)));
    expect(left.some((l) => l.runId === first!.runId && l.field === "loadM")).toBe(false);
  });

  it("says at the place which ends are not connected", () => {
    const whole = demo("Box lamp");
    const cutOff: Job = {
      ...whole,
      vehicle: {
        ...whole.vehicle,
        segments: whole.vehicle.segments.filter((s) => s.id !== "trunk-hinge-trunk-lid"),
      },
    };
    const gaps = routeOf(cutOff, synthesise(cutOff)).gaps;
    expect(gaps.length).toBeGreaterThan(0);
    expect(gaps[0]!.words).toMatch(/no way from .* to Trunk lid: measure a stretch/);
    const found = planJob(cutOff, "metric").findings.filter((f) => f.rule === "route-fits");
    expect(found.some((f) => /no way/.test(f.title))).toBe(true);
  });

  it("tells chafe places to the faults until somebody signs for the protection", () => {
    const job = demo("Box lamp");
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
    const job = demo("Box lamp");
    const gone = applyEdits(job, removePlace(job, asId<PlaceId>("trunk-lid")));
    if (!gone.ok) throw new Error(gone.message);
    expect(integrityFaults(gone.job)).toEqual([]);
    expect(gone.job.lamps.every((l) => l.at !== "trunk-lid")).toBe(true);
    const back = applyEdits(gone.job, gone.inverse);
    expect(back.ok && back.job).toEqual(job);
  });

  it("refuses a stretch to nowhere and one from a place to itself, by path", () => {
    const job = demo("Box lamp");
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
    const job = demo("Box lamp");
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
