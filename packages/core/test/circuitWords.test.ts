import {
  elementOf,
  elementsOf,
  endWords,
  everythingOf,
  insideOf,
  synthesise,
  terminalAt,
  terminalWords,
  unitAt,
  wiredTerminals,
  wireEnds,
  wiresOf,
  wholePath,
  powerPath,
  controlPath,
  type ElementId,
  type NodeId,
} from "../src/index.ts";
import { rootV } from "../src/circuit/index.ts";
import { asId } from "../src/index.ts";
import { oneRun, switchPart } from "./helpers.ts";
import { kitByHand, onHub } from "./jobs.ts";

const relayed = synthesise(
  oneRun("bar-120", undefined, { relay: "yes", relayPartId: switchPart("relay-30") }),
);
const all = [relayed, synthesise(kitByHand()), synthesise(onHub())];

describe("terminals in words", () => {
  it.each([
    ["87", "87"],
    ["pos", "+"],
    ["neg", "−"],
    ["in_pos", "input +"],
    ["in_neg", "input −"],
    ["out_pos", "output +"],
    ["out_neg", "output −"],
    ["ch3", "channel 3"],
    ["in12", "input 12"],
    ["ret2", "ground of input 2"],
    ["sense_left", "sense left"],
    ["child2", "child2"],
  ])("%s is %s", (terminal, words) => {
    expect(terminalWords(terminal)).toBe(words);
  });

  it("of a splice, a fuse or a lamp are its name alone; of a relay with the terminal", () => {
    const words = new Set(wiresOf(relayed).flatMap((wire) => wireEnds(relayed, wire)));
    expect([...words].some((w) => / 87$/.test(w))).toBe(true);
    expect([...words].some((w) => / 86$/.test(w))).toBe(true);
    for (const circuit of all) {
      for (const wire of wiresOf(circuit)) {
        for (const end of [wire.from, wire.to]) {
          const unit = unitAt(circuit, end);
          const said = endWords(circuit, end);
          if (!unit) expect(said).toBe("ground");
          else expect(said.startsWith(unit.name)).toBe(true);
          if (unit && ["splice", "fuse", "lamp", "plug", "diode"].includes(unit.kind)) {
            expect(said).toBe(unit.name);
          }
          if (unit?.kind === "relay") expect(said).toMatch(/ (30|85|86|87|87a)$/);
        }
      }
    }
  });
});

describe("what a circuit holds", () => {
  it("is found by its id, and a missing one is told with it", () => {
    const [first] = [...relayed.elements.keys()];
    expect(elementOf(relayed, first!).id).toBe(first);
    expect(() => elementOf(relayed, asId("gone"))).toThrow('circuit has no element "gone"');
    expect(() => terminalAt(relayed, "gone.1" as NodeId)).toThrow(
      'circuit has no terminal "gone.1"',
    );
    for (const { from } of wiresOf(relayed)) {
      if (unitAt(relayed, from))
        expect(terminalAt(relayed, from).name).toBe(from.split(".").at(-1));
    }
  });

  it("is picked by kind, in order", () => {
    const [run] = relayed.runs;
    const path = powerPath(run!);
    expect(elementsOf(relayed, path, "fuse").length).toBeGreaterThan(0);
    expect(elementsOf(relayed, path, "wire").map((w) => w.id)).toEqual(
      path.filter((id) => elementOf(relayed, id).kind === "wire"),
    );
  });

  it("has paths that hang together: feed in power, power and control in the whole", () => {
    for (const circuit of all) {
      for (const run of circuit.runs) {
        const whole = new Set(wholePath(run));
        for (const id of [...powerPath(run), ...controlPath(run)]) {
          expect(whole.has(id)).toBe(true);
        }
        // From the source to where lamps part first, what comes before the run before it.
        const feed = [...run.feedShared, ...run.out];
        expect(powerPath(run).slice(0, feed.length)).toEqual(feed);
        for (const { load } of run.branches) expect(powerPath(run)).toContain(load);
      }
    }
    const [run] = relayed.runs;
    expect(controlPath(run!).length).toBeGreaterThan(2);
    expect(controlPath(run!).some((id) => elementOf(relayed, id).kind === "coil")).toBe(true);
  });

  it("hold what makes the supplies live that a run hangs on, and not what others hang on", () => {
    const circuit = synthesise(kitByHand());
    const gated = circuit.feeders.filter((feeder) => feeder.gate.length > 0);
    expect(gated.length).toBeGreaterThan(0);
    for (const run of circuit.runs) {
      const all = new Set(everythingOf(circuit, run));
      for (const id of wholePath(run)) expect(all.has(id)).toBe(true);
      for (const { path, gate } of gated) {
        const hangs = path.some((id) => wholePath(run).includes(id));
        expect(gate.every((id) => all.has(id))).toBe(hangs);
      }
    }
    const apart = { ...gated[0]!, path: [] };
    const [run] = circuit.runs;
    expect(everythingOf({ feeders: [apart] }, run!)).toEqual([...wholePath(run!), ...run!.extra]);
    const stray = asId<ElementId>("stray");
    expect(everythingOf({ feeders: [] }, { ...run!, extra: [stray] })).toContain(stray);
  });

  it("counts the wires at each terminal: two ends of every wire, no more", () => {
    for (const circuit of all) {
      const counts = [...wiredTerminals(circuit).values()];
      expect(counts.reduce((a, b) => a + b, 0)).toBe(2 * wiresOf(circuit).length);
      expect(Math.min(...counts)).toBe(1);
    }
  });
});

describe("volts of a source", () => {
  it("are the battery's, a share of the pack's, or its own", () => {
    const point = { sourceV: 12.7, packV: 48 };
    expect(rootV({ kind: "battery" }, point)).toBe(12.7);
    expect(rootV({ kind: "pack", share: 1 }, point)).toBe(48);
    expect(rootV({ kind: "pack", share: 1 / 3 }, point)).toBeCloseTo(16, 9);
    expect(rootV({ kind: "fixed", volts: 18 }, point)).toBe(18);
  });
});

describe("names that sound like something else", () => {
  it.each(["tail splice", "step 3", "ground", "battery +"])(
    "a lamp called %s stays one",
    (label) => {
      const made = oneRun("bar-120");
      const job = { ...made, lamps: made.lamps.map((lamp) => ({ ...lamp, label })) };
      const circuit = synthesise(job);
      const pigtails = wiresOf(circuit).filter((w) => w.harness !== "" && w.harnessId === "");
      expect(pigtails.length).toBeGreaterThan(0);
      for (const wire of pigtails.filter((w) => w.role !== "factory")) {
        const [broken] = insideOf(wire).faults(wire, circuit);
        expect(broken?.words).toContain(`pigtail of ${label}`);
      }
      const plain = synthesise(made);
      expect(wiresOf(circuit).map((w) => w.lengthM)).toEqual(wiresOf(plain).map((w) => w.lengthM));
    },
  );
});
