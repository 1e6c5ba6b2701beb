/** Wrong wirings that no lamp shows: ways past a fuse, and currents that nothing was chosen for. */
import { podsOnRelay } from "./jobs.ts";
import {
  asId,
  createDeviation,
  elementsOf,
  everythingOn,
  printSpice,
  prove,
  solveCircuit,
  spiceNames,
  restVolts,
  sourceOhms,
  synthesise,
  toldUnits,
  wireEnds,
  wiresOf,
  type Finding,
  type Job,
  type NodeId,
  type WiringDeviation,
} from "../src/index.ts";
import { FELLRUNNER, PORTER } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { part, when } from "../src/demo/job/jobMaker.ts";
import { findingsOf } from "./helpers.ts";
import { ngspice } from "./ngspice.ts";

const relayed = podsOnRelay();

const cart: Job = make("cart", "", PORTER, "").run(
  "horn",
  "Horn",
  "front",
  when("switch"),
  [["pod-18", 1, "front"]],
  { feed: { kind: "pack" }, return: "wire" },
).job;

const wrong = (job: Job, kind: WiringDeviation["kind"], fields: Partial<WiringDeviation>): Job => ({
  ...job,
  deviations: [createDeviation("w", kind, job.runs[0]!.id, fields)],
});
const told = (job: Job, rule: string): Finding[] => findingsOf(job).filter((f) => f.rule === rule);
const figure = (f: Finding | undefined): number => Number(f?.figures[0]?.value.split(" ")[0]);

describe("a way past a fuse", () => {
  it("is told with the wires that lost it, and not where a fuse is still before them", () => {
    const bypass = told(
      wrong(relayed, "tied", { at: "pods_fuse.in", otherAt: "pods_fuse.out" }),
      "unfused-wire",
    );
    expect(bypass).toHaveLength(1);
    expect(bypass[0]).toMatchObject({ severity: "stop", title: "A way past the fuse" });
    const circuit = synthesise(relayed);
    const behind = wiresOf(circuit).find(
      (w) => w.from === "pods_fuse.out" || w.to === "pods_fuse.out",
    )!;
    expect(bypass[0]!.place.words).toContain(behind.label);
    // Behind the relay's contact as well: all the way to the lamps.
    const branch = wiresOf(circuit).find((w) => w.role === "branch")!;
    expect(bypass[0]!.place.words).toContain(branch.label);
    const own = { at: "pods_relay.30", otherAt: "pods_fuse.out" };
    expect(told(wrong(relayed, "tied", own), "unfused-wire")).toEqual([]);
    const source = { at: "battery.pos", otherAt: "pods_fuse.in" };
    expect(told(wrong(relayed, "tied", source), "unfused-wire")).toEqual([]);
  });

  it("is told of a wire whose end sits before the fuse, and of two ends exchanged on it", () => {
    const circuit = synthesise(relayed);
    const feed = wiresOf(circuit).find((w) => w.from === "pods_fuse.out")!;
    const moved = { wire: feed.id, end: "from" as const, at: "pods_fuse.in" };
    const [finding] = told(wrong(relayed, "endMoved", moved), "unfused-wire");
    expect(finding?.place.elementId).toBe(feed.id);
    // A fuse has no right way round.
    const turned = { at: "pods_fuse.in", otherAt: "pods_fuse.out" };
    expect(told(wrong(relayed, "reversed", turned), "unfused-wire")).toEqual([]);
  });

  it("is none where a source's own negative is reached: that is a short", () => {
    const job = wrong(relayed, "tied", { at: "battery.pos", otherAt: "battery.neg" });
    expect(told(job, "unfused-wire")).toEqual([]);
    expect(told(job, "short-circuit")).toHaveLength(1);
  });
});

describe("a short", () => {
  it("before any fuse burns a wire, by what the battery and the loop let through", () => {
    const [found, ...more] = told(
      wrong(relayed, "tied", { at: "battery.pos", otherAt: "battery.neg" }),
      "short-circuit",
    );
    expect(more).toEqual([]);
    expect(found?.title).toBe("A wire burns with everything off before any fuse opens");
    // Ohm's law over the battery's own resistance; the tie has next to none.
    const most = restVolts(FELLRUNNER).sourceV / sourceOhms(FELLRUNNER).sourceOhm;
    expect(figure(found)).toBeLessThanOrEqual(most);
    expect(figure(found)).toBeGreaterThan(0.5 * most);
  });

  it("behind a fuse opens that, and burns nothing", () => {
    const found = told(
      wrong(relayed, "tied", { at: "pods_fuse.out", otherAt: "battery.neg" }),
      "short-circuit",
    );
    const fuse = elementsOf(synthesise(relayed), synthesise(relayed).runs[0]!.out, "fuse")[0]!;
    expect(found.map((f) => f.title)).toEqual([`${fuse.ratingA} A fuse opens with everything off`]);
    expect(found[0]!.place.elementId).toBe(fuse.id);
    expect(figure(found[0])).toBeGreaterThan(1.35 * fuse.ratingA);
  });

  it("on a factory wire opens the factory's fuse, by name", () => {
    const circuit = synthesise(relayed);
    const tap = [...circuit.elements.values()].find((e) => e.kind === "tap")!;
    const found = told(
      wrong(relayed, "tied", { at: tap.to, otherAt: "battery.neg" }),
      "short-circuit",
    );
    const { fuseA, carries } = tap.pin;
    expect(fuseA).toBeGreaterThan(0);
    expect(found.map((f) => f.title)).toEqual([`Factory ${fuseA} A fuse opens with everything on`]);
    expect(found[0]!.place.words).toContain(carries);
    expect(found[0]!.place.elementId).toBe(tap.id);
  });

  it("that a contact closes is told with everything on", () => {
    const found = told(
      wrong(relayed, "tied", { at: "pods_splice.j", otherAt: "battery.neg" }),
      "short-circuit",
    );
    expect(found.map((f) => f.title)).toEqual([expect.stringMatching(/opens with everything on$/)]);
  });

  it("between two blocks of a pack is told though every lamp works", () => {
    const [found] = told(
      wrong(cart, "tied", { at: "pack.tap2", otherAt: "pack.pos" }),
      "short-circuit",
    );
    expect(found).toMatchObject({ severity: "stop" });
    const tie = [
      ...synthesise(
        wrong(cart, "tied", { at: "pack.tap2", otherAt: "pack.pos" }),
      ).elements.values(),
    ];
    const stray = tie.find((e) => e.id === found!.place.elementId);
    if (stray?.kind !== "wire") throw new Error("no wire is named");
    expect(found!.place.words).toContain(wireEnds(synthesise(cart), stray)[0]);
  });

  it("that is not solved is told, never passed over: a coil that goes to ground through cold bulbs chatters", () => {
    const bulbs: Job = make("bulbs", "", FELLRUNNER, "").run(
      "turns",
      "Turns",
      "front",
      when("switch", "key"),
      [["bulb-turn-10", 2, "front"]],
      { relay: "yes", return: "wire" },
    ).job;
    const coil = wiresOf(synthesise(bulbs)).find((w) => w.from === "turns_relay.85")!;
    // Let go, the coil has its volts through the bulbs; pulled in, both its ends are live.
    const buzzer = wrong(bulbs, "endMoved", { wire: coil.id, end: "to", at: "turns_relay.87" });
    const found = told(buzzer, "short-circuit");
    expect(found.map((f) => f.title)).toEqual(["No state that it settles in with everything on"]);
    expect(found[0]).toMatchObject({ severity: "stop", place: { words: "Turns" } });
  });

  it("is none: a thin wire that bears its load, a wire too many beside another", () => {
    const circuit = synthesise(relayed);
    const branch = wiresOf(circuit).find((w) => w.role === "branch")!;
    const thin = { wire: branch.id, gaugeId: "22 AWG" };
    expect(told(wrong(relayed, "thinWire", thin), "short-circuit")).toEqual([]);
    const beside = { at: "pods_relay.87", otherAt: "pods_splice.j" };
    expect(told(wrong(relayed, "tied", beside), "short-circuit")).toEqual([]);
    expect(told(relayed, "short-circuit")).toEqual([]);
  });
});

describe("a terminal", () => {
  it("with more wires than it takes is told, with its wires and the way back", () => {
    const plugged = make("plugged", "", FELLRUNNER, "").run(
      "pods",
      "Pods",
      "front",
      when("switch", "key"),
      [["pod-18", 2, "front"]],
      { relay: "no", return: "wire", connectorPartId: part("plug-2-mini") },
    ).job;
    const circuit = synthesise(plugged);
    const plug = [...circuit.units.values()].filter((u) => u.kind === "plug");
    const [one, other] = plug.map((u) => `${u.id}.a1`);
    const wire = wiresOf(circuit).find((w) => w.to === other || w.from === other)!;
    const end = wire.to === other ? ("to" as const) : ("from" as const);
    const twice = wrong(plugged, "endMoved", { wire: wire.id, end, at: one! });
    const [found, ...more] = told(twice, "terminal-takes");
    expect(more).toEqual([]);
    expect(found).toMatchObject({ severity: "stop", title: "More wires than a terminal takes" });
    expect(found!.figures).toEqual([{ label: "wires on it", value: "2", limit: "at most 1" }]);
    expect(found!.place.words).toContain(wire.label);
    expect(found!.remedies.map((r) => r.edits)).toEqual([
      [{ kind: "remove", entity: "deviation", id: "w" }],
    ]);
    // A crimp takes two: a second wire on a blade of the relay is none.
    expect(
      told(
        wrong(relayed, "tied", { at: "pods_relay.30", otherAt: "pods_relay.87" }),
        "terminal-takes",
      ),
    ).toEqual([]);
  });
});

describe("what is parted from everything", () => {
  const both: Job = make("two", "", FELLRUNNER, "")
    .run("pods", "Pods", "front", when("switch", "key"), [["pod-18", 1, "front"]], {
      ...{ relay: "yes", return: "wire" },
    })
    .run("bar", "Bar", "front", when("switch"), [["pod-18", 1, "front"]], { relay: "no" }).job;
  const planned = synthesise(both);
  const lamp = [...planned.units.values()].find((u) => u.kind === "lamp" && u.ownerId === "pods")!;
  const leads = wiresOf(planned).filter((w) =>
    [w.from, w.to].some((node) => node.startsWith(`${lamp.id}.`)),
  );
  const adrift: Job = {
    ...both,
    deviations: leads.map(({ id }, i) =>
      createDeviation(`w${i}`, "wireMissing", asId("pods"), { wire: id }),
    ),
  };

  it("is dead at no volts, and the rest is solved as if it were not there", () => {
    const circuit = synthesise(adrift);
    const position = everythingOn(adrift, restVolts(FELLRUNNER));
    const solved = solveCircuit(circuit, position, 20);
    const whole = solveCircuit(planned, position, 20);
    if (solved.kind !== "solved" || whole.kind !== "solved") throw new Error(solved.kind);
    for (const { name } of lamp.terminals) {
      expect(solved.result.volts.get(asId<NodeId>(`${lamp.id}.${name}`))).toBeCloseTo(0, 9);
    }
    const bar = circuit.runs.find((r) => r.runId === "bar")!.branches[0]!.load;
    const [now, before] = [solved.point.at.get(bar)!, whole.point.at.get(bar)!];
    expect(now.currentA).toBeGreaterThan(1);
    expect(now.currentA).toBeCloseTo(before.currentA, 9);
  });

  it("is proved like anything else: its lamp stays dark, and no other is amiss", () => {
    const { differences } = prove(adrift, synthesise(adrift))!;
    expect(new Set(differences.map((d) => d.kind))).toEqual(new Set(["staysDark"]));
    expect(new Set(differences.map((d) => d.runId))).toEqual(new Set(["pods"]));
  });

  it("is in the deck with what ties it, so that another program solves it as well", () => {
    const circuit = synthesise(adrift);
    const solved = solveCircuit(circuit, everythingOn(adrift, restVolts(FELLRUNNER)), 20);
    if (solved.kind !== "solved") throw new Error(solved.kind);
    const theirs = ngspice(printSpice(solved.network, "adrift"));
    for (const [node, name] of spiceNames(solved.network)) {
      if (name === "0") continue;
      expect(theirs.get(name) ?? NaN).toBeCloseTo(solved.result.volts.get(node) ?? NaN, 3);
    }
  });
});

describe("a terminal that a wrong wiring leaves open", () => {
  it("says so where units are told, and no planned one does", () => {
    const said = (job: Job): string[] => {
      const circuit = synthesise(job);
      const solved = solveCircuit(circuit, everythingOn(job, restVolts(FELLRUNNER)), 20);
      if (solved.kind !== "solved") throw new Error(solved.kind);
      return toldUnits(circuit, solved.options, solved.result.volts).flatMap((unit) =>
        unit.terminals
          .filter(({ open }) => open === "nothing is on it, as it is wired")
          .map(({ name }) => `${unit.id}.${name}`),
      );
    };
    expect(said(relayed)).toEqual([]);
    const feed = wiresOf(synthesise(relayed)).find((w) => w.to === "pods_relay.30")!;
    expect(said(wrong(relayed, "wireMissing", { wire: feed.id }))).toEqual(["pods_relay.30"]);
  });
});
