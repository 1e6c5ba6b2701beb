/** Wires of the vehicle that nobody has found yet, and where the fuse of a lamp on a factory wire sits. */
import {
  DEFAULT_PRACTICES,
  checkedCircuit,
  cutListOf,
  elementsOf,
  groupsOf,
  planSentence,
  proveGroup,
  readSentence,
  synthesise,
  type Job,
  type Vehicle,
} from "../src/index.ts";
import { DEMO_SHELF, LAPWING, PETREL, PORTER } from "../src/demo/index.ts";

function said(text: string, vehicle: Vehicle): Job {
  const world = { vehicles: [vehicle], shelf: DEMO_SHELF, customers: [], today: new Date() };
  return planSentence(
    readSentence(text, { ...world, vehicle }),
    vehicle,
    DEFAULT_PRACTICES,
    DEMO_SHELF,
  );
}

const wrong = (job: Job): number => {
  const circuit = synthesise(job);
  return groupsOf(job, circuit).reduce(
    (sum, group) => sum + proveGroup(job, circuit, group).differences.length,
    0,
  );
};

describe("a signal whose wire nobody has found", () => {
  const horns = said("twin horns", PETREL);

  it("is a reason to stop, once, and nothing is said of what such a wire may give", () => {
    expect(checkedCircuit(horns).findings.map((f) => [f.severity, f.title])).toEqual([
      ["stop", "No wire known to trigger it"],
    ]);
  });

  it("leaves a coil that is not fed for good: its wire goes to the one that has to be found", () => {
    const circuit = synthesise(horns);
    const ends = cutListOf(horns, circuit).lines.map((wire) => wire.from.at);
    expect(ends.filter((words) => /horn button wire, not found yet/.test(words))).toHaveLength(1);
    // Once it is found where it was looked for, the circuit does what is asked in every position.
    expect(wrong(horns)).toBe(0);
  });

  it("is told as a way of its own where the vehicle is a pack without a battery", () => {
    const lamp = said("work lamp at the rear with reverse", PORTER);
    const circuit = synthesise(lamp);
    const coils = elementsOf(circuit, [...circuit.elements.keys()], "coil");
    // A cart's signals have the volts of its pack: so has the coil.
    expect(coils.map((coil) => coil.part.coilV)).toEqual([48]);
    expect(wrong(lamp)).toBe(0);
    const titles = checkedCircuit(lamp).findings.map((f) => f.title);
    expect(titles).toEqual(["No wire known to trigger it"]);
  });

  it("carries no load without a relay: that stays on what was chosen", () => {
    const bare = { ...horns, runs: horns.runs.map((run) => ({ ...run, relay: "no" as const })) };
    const circuit = synthesise(bare);
    expect([...circuit.units.values()].map((u) => u.name).join()).not.toContain("not found yet");
    expect(checkedCircuit(bare).findings.map((f) => f.title)).toContain(
      "No wire known to trigger it",
    );
  });
});

describe("the fuse of a small lamp on a factory wire", () => {
  it("sits at that wire's plug, whatever the circuit would be fed from otherwise", () => {
    const strip = said("a 12 V strip with the brake", LAPWING);
    const circuit = synthesise(strip);
    expect(circuit.runs[0]!.source.kind).toBe("pin");
    const [stub, load] = cutListOf(strip, circuit).lines;
    // From plug to fuse at hand, and from there to the box at its back: nothing goes by the battery.
    expect(stub!.routedM).toBeLessThanOrEqual(0.2);
    expect(load!.routedM).toBeLessThan(1.5);
    expect(stub!.from.at).toContain("Tail box plug");
  });
});
