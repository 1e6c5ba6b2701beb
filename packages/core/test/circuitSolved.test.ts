/** A circuit solved over and over: at other temperatures, with changes, with relays that never rest. */
import {
  GROUND,
  addLamps,
  allOf,
  append,
  asId,
  createCircuit,
  designPoint,
  everythingOn,
  restVolts,
  solveCircuit,
  solveCircuitWith,
  solveNetwork,
  synthesise,
  type Circuit,
  type Element,
  type ElementId,
  type Job,
  type Network,
  type NodeId,
  type CircuitId,
} from "../src/index.ts";
import { FELLRUNNER, demoPart } from "../src/demo/index.ts";
import { behind, edited, jobWith, keyed } from "./helpers.ts";
import { net, node, ohm } from "./net.ts";

const rest = (job: Job) => everythingOn(job, restVolts(job.vehicle));

const ofKind = <K extends Element["kind"]>(circuit: Circuit, kind: K) =>
  [...circuit.elements.values()].filter((e): e is Extract<Element, { kind: K }> => e.kind === kind);

/** The battery behind so many ohms of its own, and a load behind every relay of so many. */
const weak =
  (circuit: Circuit, sourceOhm: number, loadOhm: number) =>
  ({ branches, held }: Network): Network => {
    const contacts = ofKind(circuit, "contact");
    const volts = held.get(asId<NodeId>("battery.pos")) ?? 0;
    const posts = new Map(held);
    posts.delete(asId<NodeId>("battery.pos"));
    return {
      held: posts,
      branches: [
        ...branches,
        {
          ...{ id: asId<ElementId>("inside"), from: asId<NodeId>("battery.pos"), to: GROUND },
          ...{ model: { kind: "source" as const, volts, ohm: sourceOhm }, words: "battery" },
        },
        ...contacts.map(({ to }, i) => ({
          ...{ id: asId<ElementId>(`heavy-${i}`), from: to, to: GROUND },
          ...{ model: ohm(loadOhm), words: "heavy" },
        })),
      ],
    };
  };

describe("a network with nothing free", () => {
  it("carries what Ohm says between the posts", () => {
    const result = solveNetwork(net({ a: 12, b: 2 }, ["r", "a", "b", ohm(4)]));
    if (result.kind !== "solved") throw new Error(result.kind);
    expect(result.amps.get(asId<ElementId>("r"))).toBe(2.5);
    expect(result.volts.get(node("b"))).toBe(2);
    expect(result.health).toMatchObject({ steps: 0, pivotRatio: 1, residualA: 0 });
  });

  it("is named where a part of it hangs on nothing", () => {
    const result = solveNetwork(
      net({ a: 12, b: 0 }, ["r", "a", "b", ohm(4)], ["adrift", "x", "y", ohm(1)]),
    );
    expect(result).toEqual({
      kind: "singular",
      floating: expect.arrayContaining(["adrift"]) as string[],
    });
  });
});

describe("a circuit that is solved again", () => {
  const job = jobWith("grips-heated", 1, keyed);
  const circuit = synthesise(job);
  const [load] = ofKind(circuit, "load");

  const ampsAt = (celsius: number, estimate: "low" | "value" | "high" = "value"): number => {
    const solved = solveCircuit(circuit, rest(job), celsius, estimate);
    if (solved.kind !== "solved") throw new Error(solved.kind);
    return solved.result.amps.get(load!.id)!;
  };

  it("has the copper of its own temperature each time, and its own bounds", () => {
    const cool = ampsAt(20);
    const warm = ampsAt(80);
    // Copper gains 0.393 % a kelvin (IEC 60228): a resistance behind it gets less.
    expect(warm).toBeLessThan(cool);
    expect(ampsAt(20)).toBe(cool);
    expect(ampsAt(20, "high")).not.toBe(cool);
    expect(ampsAt(20)).toBe(cool);
    const fresh = solveCircuit({ ...circuit }, rest(job), 80);
    if (fresh.kind !== "solved") throw new Error(fresh.kind);
    expect(fresh.result.amps.get(load!.id)).toBe(warm);
  });

  it("with changes of one shape is what it is with each by itself", () => {
    const by = (sourceOhm: number, shape?: string) => {
      const solved = solveCircuitWith(circuit, {
        ...{ position: rest(job), celsius: 40, change: weak(circuit, sourceOhm, 8) },
        ...(shape !== undefined && { shape }),
      });
      if (solved.kind !== "solved") throw new Error(solved.kind);
      return solved.result.amps.get(load!.id)!;
    };
    const apart = [0.05, 0.4, 0.1].map((ohms) => by(ohms));
    const shaped = [0.05, 0.4, 0.1].map((ohms) => by(ohms, "weak"));
    shaped.forEach((amps, i) => expect(amps).toBeCloseTo(apart[i]!, 9));
    expect(shaped[1]!).toBeLessThan(shaped[0]!);
    // The plain circuit has not changed with it.
    expect(ampsAt(40)).toBeGreaterThan(shaped[0]!);
  });

  it("tells a relay that drops what holds it up: pulls in at 9.5 V, has 0.4 V when it has", () => {
    const relayed = jobWith("pod-18", 1, allOf("switch"), { relay: "yes" });
    const made = synthesise(relayed);
    const [coil] = ofKind(made, "coil");
    expect(coil).toBeDefined();
    const at = (sourceOhm: number, loadOhm: number) =>
      solveCircuitWith(made, {
        ...{ position: rest(relayed), celsius: 40, change: weak(made, sourceOhm, loadOhm) },
      });
    const [contact] = ofKind(made, "contact");
    const chatters = at(30, 1);
    expect(chatters).toEqual({ kind: "chatters", contacts: [contact!.id] });
    // Enough is left for it to hold, though it would not pull in by that.
    const holds = at(30, 20);
    expect(holds).toMatchObject({ kind: "solved" });
    if (holds.kind === "solved") expect(holds.closed.has(contact!.id)).toBe(true);
    // Too little to pull in at all.
    const never = at(80, 20);
    if (never.kind !== "solved") throw new Error(never.kind);
    expect(never.closed.size).toBe(0);
  });

  it("refuses a contact that is worked by no coil", () => {
    const relayed = jobWith("pod-18", 1, allOf("switch"), { relay: "yes" });
    const made = synthesise(relayed);
    const [contact] = ofKind(made, "contact");
    const wrong: Circuit = {
      ...made,
      elements: new Map([...made.elements, [contact!.id, { ...contact!, coilId: contact!.id }]]),
    };
    expect(() => solveCircuit(wrong, rest(relayed), 40)).toThrow(
      `"${contact!.id}" works a contact and is no coil`,
    );
  });
});

describe("a converter in a circuit", () => {
  const job = behind("converter-48-12", "path-red", 2);
  const circuit = synthesise(job);
  const [converter] = ofKind(circuit, "converter");
  const at = (packV: number, of = circuit, from = job) => {
    const solved = solveCircuit(of, { ...rest(from), packV }, 40);
    if (solved.kind !== "solved") throw new Error(solved.kind);
    const [load] = ofKind(of, "load");
    const point = solved.point.at.get(load!.id)!;
    return { solved, volts: point.fromV - point.toV };
  };

  it("holds its output whatever the pack shows, and takes less the more that is", () => {
    const [low, high] = [34, 50].map((packV) => at(packV));
    expect(low!.volts).toBeCloseTo(high!.volts, 2);
    expect(low!.volts).toBeGreaterThan(converter!.part.outV.value - 0.5);
    // Watts in are watts out and what it keeps for itself: fewer amperes from more volts.
    const takenA = ({ solved }: ReturnType<typeof at>): number => {
      const feed = ofKind(circuit, "wire").find((wire) => wire.to === converter!.from);
      return Math.abs(solved.result.amps.get(feed!.id) ?? 0);
    };
    expect(takenA(low!)).toBeGreaterThan(0.05);
    expect(takenA(high!) / takenA(low!)).toBeCloseTo(34 / 50, 1);
    expect(low!.solved.tripped).toEqual([]);
  });

  it("is off where its input is none, and beyond what it bears: 30 to 52 V by its plate", () => {
    expect(at(5).volts).toBeLessThan(0.1);
    expect(at(5).solved.tripped).toEqual([]);
    expect(at(54).volts).toBeLessThan(0.1);
  });

  it("gives way to more than it can feed, and says that it did", () => {
    const many = behind("converter-48-12", "bar-40", 8);
    const made = synthesise(many);
    const [own] = ofKind(made, "converter");
    const { solved, volts } = at(50, made, many);
    expect(solved.tripped).toEqual([own!.id]);
    expect(volts).toBeLessThan(own!.part.outV.value * 0.9);
  });
});

describe("what a design is judged by", () => {
  const OTHER = asId<CircuitId>("other");
  /** One lamp with high beam, one with its switch while high beam is off. */
  const job = (() => {
    const one = jobWith("pod-18", 1, allOf("switch", "high"));
    const on = {
      anyOf: [
        [
          { input: "switch" as const, negated: false },
          { input: "high" as const, negated: true },
        ],
      ],
    };
    const run = createCircuit(OTHER, "Other", FELLRUNNER, "front", on);
    const withRun = edited(one, append(one, "run", run));
    return edited(
      withRun,
      ...addLamps(withRun, run, demoPart("pod-18"), 1, "front", () => "lamp-other"),
    );
  })();
  const circuit = synthesise(job);

  it("has each run lit, also one that everything on leaves dark", () => {
    const volts = restVolts(job.vehicle);
    const all = solveCircuit(circuit, everythingOn(job, volts), job.practices.ambientC);
    if (all.kind !== "solved") throw new Error(all.kind);
    const { at, sourceV } = designPoint(job, circuit, volts);
    expect(sourceV).toBe(volts.sourceV);
    const loads = ofKind(circuit, "load");
    expect(loads).toHaveLength(2);
    for (const load of loads) expect(at.get(load.id)!.currentA).toBeGreaterThan(1);
    const dark = loads.find((load) => load.runId === OTHER)!;
    expect(all.point.at.get(dark.id)!.currentA).toBeLessThan(0.01);
  });

  it("is empty where nothing settles", () => {
    const contacts = ofKind(circuit, "contact");
    expect(contacts.length).toBeGreaterThan(0);
    const none = designPoint(
      job,
      { ...circuit, elements: new Map(), runs: [] },
      restVolts(job.vehicle),
    );
    expect([...none.at]).toEqual([]);
  });
});
