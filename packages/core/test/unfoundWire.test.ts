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
import { behind } from "./helpers.ts";
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

  it("is told of each that a condition waits for or is broken by, and each has its place", () => {
    const pods = said("two 30 W pods with high beam and not with low beam", LAPWING);
    const told = checkedCircuit(pods).findings.filter((f) => f.rule === "not-buildable");
    expect(told.map(({ place }) => place.words)).toEqual([
      "Pods: no wire live with high beam is in the connector map",
      "Pods: no wire live with low beam is in the connector map",
    ]);
    const ends = cutListOf(pods, synthesise(pods)).lines.map((wire) => wire.from.at);
    for (const beam of ["high beam", "low beam"]) {
      expect(ends).toContain(`${beam} wire, not found yet`);
    }
    expect(wrong(pods)).toBe(0);
  });

  it("leaves a feed that the key is to work behind its relay, and not live for good", () => {
    const keyless = { ...PORTER, pins: PORTER.pins.filter((pin) => pin.liveWhen !== "key") };
    const horn = behind("converter-60-12", "horn-3a", 1, keyless, { gate: "key" });
    const { circuit, findings } = checkedCircuit(horn);
    expect(findings.map((f) => f.title)).toContain("No wire known to trigger it");
    const [feeder] = circuit.feeders;
    expect(elementsOf(circuit, feeder!.path, "contact")).toHaveLength(1);
    expect(elementsOf(circuit, feeder!.gate, "tap").map((tap) => tap.pin.carries)).toEqual([
      "key on wire, not found yet",
    ]);
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
