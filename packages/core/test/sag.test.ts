/** Sources under load: by the law of a source with a resistance inside, and blocks against ngspice. */
import {
  allOf,
  append,
  asId,
  benchAt,
  createCircuit,
  everythingOn,
  feelsCharge,
  postsVolts,
  restVolts,
  runningVolts,
  setCircuit,
  solveUnderLoad,
  sourceOhms,
  synthesise,
  type Input,
  type Job,
  type LampId,
  type LoadPart,
  type NodeId,
  type CircuitId,
} from "../src/index.ts";
import { PORTER, demoPart } from "../src/demo/index.ts";
import { edited, jobWith } from "./helpers.ts";
import { ngspice } from "./ngspice.ts";

/** A plain resistor of so many ohms, on a circuit of its own. */
const resistor = (ohm: number): LoadPart => ({
  ...(demoPart("pod-18") as LoadPart),
  ...{ id: asId(`r-${ohm}`), name: `${ohm} ohm`, family: "heater" },
  load: {
    ...{ kind: "resistive", ratedV: 12 },
    powerW: { value: 144 / ohm, low: 144 / ohm, high: 144 / ohm, provenance: "measured" },
  },
});

function solved(job: Job, volts = restVolts(job.vehicle)) {
  const circuit = synthesise(job);
  const result = solveUnderLoad(job, circuit, everythingOn(job, volts));
  if (result.kind !== "solved") throw new Error(result.kind);
  const at = (node: string): number => result.result.volts.get(asId<NodeId>(node)) ?? NaN;
  return { circuit, result, at };
}

/** What goes out of a post by the wires that begin there, in A. */
function outOf({ circuit, result }: ReturnType<typeof solved>, post: string): number {
  return [...circuit.elements.values()]
    .filter((e) => e.from === post || e.to === post)
    .reduce((sum, e) => {
      const amps = result.point.at.get(e.id)?.currentA ?? 0;
      return sum + (e.from === post ? amps : -amps);
    }, 0);
}

describe("a battery at rest", () => {
  it.each([3, 1.5, 0.8])("sags by its current times its resistance with %s Ω on it", (ohm) => {
    const job = jobWith(resistor(ohm), 1, allOf("switch"));
    const made = solved(job);
    const amps = outOf(made, "battery.pos");
    expect(amps).toBeGreaterThan(3);
    const { sourceV } = restVolts(job.vehicle);
    const { sourceOhm } = sourceOhms(job.vehicle);
    expect(sourceOhm).toBeGreaterThan(0.005);
    expect(made.at("battery.pos")).toBeCloseTo(sourceV - sourceOhm * amps, 3);
  });

  it("shows less the emptier it is, and the bench with it: 12.7 V full, 12.2 V half (handbook)", () => {
    const job = jobWith(resistor(3), 1, allOf("switch"));
    const circuit = synthesise(job);
    const set = { inputs: new Set<Input>(), switches: new Set(job.runs.map((r) => r.id)) };
    expect(postsVolts(job, set.inputs).sourceV).toBeCloseTo(12.7, 9);
    expect(postsVolts(job, set.inputs, 0.5).sourceV).toBeCloseTo(12.2, 9);
    expect(postsVolts(job, new Set<Input>(["engine"]), 0.5)).toEqual(runningVolts(job.vehicle));
    expect(feelsCharge(job, set.inputs)).toBe(true);
    expect(feelsCharge(job, new Set<Input>(["engine"]))).toBe(false);
    const lampV = (charge?: number): number => {
      const view = benchAt(
        job,
        circuit,
        { ...set, ...(charge !== undefined && { charge }) },
        "metric",
      );
      if (view.kind !== "solved") throw new Error(view.words);
      return view.strips[0]!.lamps[0]!.volts;
    };
    // Everything on the way is a resistance: what the lamp has is in proportion to what the battery shows.
    expect(lampV(0.5) / lampV(1)).toBeCloseTo(12.2 / 12.7, 4);
    expect(lampV()).toBe(lampV(1));
  });

  it("is felt by what hangs on a pack, engine or none", () => {
    const job = jobWith("pod-18", 1, allOf("switch"), {}, PORTER);
    expect(feelsCharge(job, new Set<Input>(["engine"]))).toBe(true);
    const [full, half] = [1, 0.5].map((c) => postsVolts(job, new Set<Input>(), c).packV);
    expect(half! / full!).toBeCloseTo(12.2 / 12.7, 2);
  });

  it("is held by the regulator while the engine charges it", () => {
    const job = jobWith(resistor(1), 1, allOf("switch"));
    const volts = runningVolts(job.vehicle);
    expect(solved(job, volts).at("battery.pos")).toBeCloseTo(volts.sourceV, 6);
  });
});

/** A cart with one load on the whole pack and one on some of its blocks. */
function onPack(blocks: number): Job {
  const pack = jobWith(resistor(24), 1, allOf("switch"), { feed: { kind: "pack" } }, PORTER);
  const id = asId<CircuitId>("run-2");
  const run = createCircuit(id, "Tap", PORTER, "front", allOf("switch"));
  const part = resistor(4);
  const tapped = edited(pack, append(pack, "run", run), append(pack, "part", part));
  return edited(
    tapped,
    setCircuit(id, "feed", { kind: "block", blocks }),
    append(tapped, "lamp", {
      ...tapped.lamps[0]!,
      ...{ id: asId<LampId>("lamp-tap"), runId: id, partId: part.id },
    }),
  );
}

describe("a pack", () => {
  it.each([1, 2])("sags block by block, as ngspice has it, with %s blocks tapped", (blocks) => {
    const job = onPack(blocks);
    const { system } = job.vehicle;
    if (system.kind === "engine") throw new Error("no pack");
    const made = solved(job);
    const all = system.pack.blocks;
    const { packV } = restVolts(job.vehicle);
    const { packOhm } = sourceOhms(job.vehicle);
    const [tapA, packA] = [outOf(made, `pack.tap${blocks}`), outOf(made, "pack.pos")];
    expect(Math.min(tapA, packA)).toBeGreaterThan(0.5);
    const cells = Array.from({ length: all }, (_, i) => {
      const [below, above] = [i === 0 ? "0" : `n${i}`, `n${i + 1}`];
      return [`V${i} m${i} ${below} ${packV / all}`, `R${i} m${i} ${above} ${packOhm / all}`].join(
        "\n",
      );
    });
    const theirs = ngspice(
      [
        `* pack`,
        ...cells,
        `I1 n${blocks} 0 ${tapA}`,
        `I2 n${all} 0 ${packA}`,
        ".op",
        ".end",
        "",
      ].join("\n"),
    );
    expect(made.at(`pack.tap${blocks}`)).toBeCloseTo(theirs.get(`n${blocks}`) ?? NaN, 3);
    expect(made.at("pack.pos")).toBeCloseTo(theirs.get(`n${all}`) ?? NaN, 3);
    expect(made.at("pack.pos")).toBeLessThan(packV - 0.01);
  });
});
