/** What the ordinary way makes of a sentence: common practice. */
import {
  DEFAULT_PRACTICES,
  asId,
  checkedCircuit,
  elementsOf,
  planSentence,
  readSentence,
  type ConnectorId,
  type PinId,
  type Vehicle,
} from "../src/index.ts";
import { DEMO_SHELF, FELLRUNNER } from "../src/demo/index.ts";
import { WORLD } from "./sentences.ts";

describe("a job of one sentence", () => {
  const planned = (text: string) => {
    const said = readSentence(text, WORLD);
    return planSentence(said, said.vehicle ?? FELLRUNNER, DEFAULT_PRACTICES, DEMO_SHELF);
  };

  it.each([
    [
      "pods with high beam, a 40 W light bar on its own switch and a horn",
      "Pods, 40 W light bar and horn",
    ],
    ["a bar on its own switch and pods with high beam", "Bar and pods"],
    ["pods with high beam and an LED tail lamp with the key", "Pods and LED tail lamp"],
  ])("is called by what is on it, units and capitals as they are written: %s", (text, title) => {
    expect(planned(`${text} on the Fellrunner`).card.title).toBe(title);
  });

  it("of lamps in place of the factory's takes their wire as it is, and theirs are gone", () => {
    const job = planned("LED turn lamps in place of the bulbs by adapters on the Petrel");
    expect(job.runs.map(({ feed, relay }) => [feed.kind, relay])).toEqual([
      ["pin", "no"],
      ["pin", "no"],
    ]);
    const gone = job.vehicle.baseLoads.map((load) => load.id);
    for (const lamp of job.lamps) {
      expect(lamp.joint).toBe("adapter");
      expect(gone).toContain(lamp.replaces);
    }
    // Where the map has no such wire the lamps are planned all the same, as added ones.
    const unmapped = planned("two LED turn lamps in place of the bulbs on the quad");
    expect(unmapped.lamps.map((l) => l.replaces)).toEqual(["", ""]);
    const told = readSentence(
      "two LED turn lamps in place of the bulbs on the quad",
      WORLD,
    ).assumed;
    expect(told.filter((line) => /planned as added/.test(line))).toHaveLength(2);
    const mapped = readSentence(
      "LED turn lamps in place of the bulbs on the Petrel",
      WORLD,
    ).assumed;
    expect(mapped.join()).not.toContain("planned as added");
  });

  it("of a lamp in another's place hangs on the wire nearest to its end of the vehicle", () => {
    const park = FELLRUNNER.pins.find((pin) => pin.liveWhen === "park")!;
    // The map knows one at the dash; a second one is found under the seat.
    const tail = { ...park, id: asId<PinId>("tail"), connectorId: asId<ConnectorId>("rear") };
    const vehicle = { ...FELLRUNNER, pins: [...FELLRUNNER.pins, tail] };
    const said = readSentence("an LED tail lamp in place of the old tail lamp", WORLD);
    const pinOf = (of: Vehicle) => {
      const job = planSentence(said, of, DEFAULT_PRACTICES, DEMO_SHELF);
      const { feed } = job.runs[0]!;
      return feed.kind === "pin" ? feed.pinId : null;
    };
    expect(pinOf(vehicle)).toBe("tail");
    expect(pinOf(FELLRUNNER)).toBe(park.id);
  });

  it("at both ends has half of its lamps at each, in the place of others too", () => {
    const pods = planned("three pods front and rear with own switch on the quad");
    expect(pods.lamps.map((l) => l.place)).toEqual(["front", "front", "rear"]);
    const tails = planned(
      "two LED tail lamps left and right in place of the factory tail lamps on the Lapwing",
    );
    expect(tails.lamps.map((l) => [l.place, l.replaces !== ""])).toEqual([
      ["left", true],
      ["right", true],
    ]);
  });

  it("on a pack has loads that do not bear it behind one converter, big enough for all", () => {
    const job = planned("two 30 W pods on own switch and a horn on the button on the Porter");
    const [supply, ...others] = job.supplies;
    expect(others).toEqual([]);
    const part = job.parts.find((p) => p.id === supply!.partId);
    expect(part?.kind).toBe("converter");
    // 60 W at 12 V and 3 A, and a fifth to spare.
    expect(part?.kind === "converter" && part.outA).toBeGreaterThanOrEqual(10);
    for (const { feed } of job.runs) expect(feed).toMatchObject({ kind: "supply" });
    const rules = checkedCircuit(job).findings.map((f) => f.rule);
    expect(rules).not.toContain("lamp-volts");
    // What was said to hang on the pack hangs there, and what bears it needs nothing between.
    const across = planned("a horn from the pack on the Porter");
    expect(across.supplies).toEqual([]);
    expect(checkedCircuit(across).findings.map((f) => f.title)).toContain(
      "Too many volts for this horn",
    );
    expect(planned("four 10 W pods in series on the Porter").supplies).toEqual([]);
    expect(planned("a 48 V 2 A horn on the Porter").supplies).toEqual([]);
  });

  it("in series hangs on the pack of a vehicle that has a 12 V battery, too", () => {
    const job = planned("three 10 W pods in series on own switch on the Litter");
    expect(job.runs[0]!.feed.kind).toBe("pack");
    expect(checkedCircuit(job).findings.map((f) => f.rule)).not.toContain("lamp-volts");
  });

  it("has what is said after one load for that one alone, and one converter for all of them", () => {
    const job = planned(
      "six 18 W pods and two 24 W work lamps on own switch through a converter on the Porter",
    );
    expect(job.supplies).toHaveLength(1);
    const { circuit, findings } = checkedCircuit(job);
    expect(findings.filter((f) => f.severity === "stop")).toEqual([]);
    // 9.4 A wants 15 A at 80 %, and each pod's own 18 AWG lead carries 13.5 A: it is 10 A.
    const fuses = elementsOf(circuit, circuit.runs[0]!.out, "fuse");
    expect(fuses.map((fuse) => fuse.ratingA)).toEqual([10]);
    // Its own switch carries what the fuse of the converter lets through.
    const [gate] = elementsOf(circuit, circuit.feeders[0]!.path, "switch");
    const [before] = elementsOf(circuit, [...circuit.feeders[0]!.path], "fuse");
    expect(gate!.part.contactA).toBeGreaterThanOrEqual(before!.ratingA);
  });
});
