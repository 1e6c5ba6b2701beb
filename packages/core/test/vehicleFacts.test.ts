/** Numbers of a vehicle by keys that are the same on every machine of a model, and what was found out of them. */
import {
  asId,
  createJob,
  boundedValue,
  foundBetween,
  measured,
  measuredOn,
  vehicleFacts,
  type PinId,
  type Vehicle,
} from "../src/index.ts";
import { DEMO_VEHICLES, FELLRUNNER, PETREL } from "../src/demo/index.ts";
import { edited } from "./helpers.ts";

const KEY = "output at 2000 rpm";

const measuredAt = (vehicle: Vehicle, key: string, value: number): Vehicle => {
  const fact = vehicleFacts(vehicle).find((one) => one.key === key)!;
  return edited(createJob("", "", vehicle), fact.set(measured(value))).vehicle;
};

describe("facts of a vehicle", () => {
  it.each(DEMO_VEHICLES.map((v) => [v.model, v] as const))(
    "of %s have keys of their own, and each says itself anew and nothing else",
    (_, vehicle) => {
      const facts = vehicleFacts(vehicle);
      expect(new Set(facts.map(({ key }) => key)).size).toBe(facts.length);
      for (const [i, { set }] of facts.entries()) {
        const after = vehicleFacts(edited(createJob("", "", vehicle), set(measured(3))).vehicle);
        const moved = after.flatMap(({ fact }, j) => (fact === facts[j]!.fact ? [] : [j]));
        expect(moved).toEqual([i]);
        expect(after[i]!.fact).toEqual(measured(3));
      }
    },
  );

  it("that were measured between two states are told, with those that are measured no longer", () => {
    const after = measuredAt(FELLRUNNER, KEY, 13);
    expect(foundBetween(FELLRUNNER, after)).toEqual({
      put: [expect.objectContaining({ key: KEY, value: 13, unit: "A", said: "" })],
      gone: [],
    });
    expect(foundBetween(after, FELLRUNNER)).toEqual({ put: [], gone: [KEY] });
    expect(foundBetween(after, after)).toEqual({ put: [], gone: [] });
    expect(foundBetween(after, measuredAt(after, KEY, 13.5)).put).toHaveLength(1);
    // An estimate is no measurement.
    const guess = edited(
      createJob("", "", FELLRUNNER),
      vehicleFacts(FELLRUNNER)
        .find(({ key }) => key === KEY)!
        .set(boundedValue(9, "stated")),
    ).vehicle;
    expect(foundBetween(FELLRUNNER, guess).put).toEqual([]);
  });

  it("of two wires in one cavity are told apart, whichever of them is proved", () => {
    const [pin] = PETREL.pins;
    const two = (first: "proved" | "guess"): Vehicle => ({
      ...PETREL,
      pins: [
        { ...pin!, certainty: first },
        { ...pin!, id: asId<PinId>("twin"), certainty: "proved", colour: "pink" },
      ],
    });
    const keys = (of: Vehicle) =>
      measuredOn(of).flatMap(({ key, value }) => (value === null ? [key] : []));
    const [first, second] = keys(two("proved"));
    expect(first).not.toBe(second);
    expect(keys(two("guess"))).toEqual([second]);
  });

  it("of a wire that was proved say its colour and what it carries", () => {
    const [pin] = PETREL.pins;
    const proved = {
      ...PETREL,
      pins: [{ ...pin!, certainty: "proved" as const, colour: "green" }],
    };
    const [wire] = measuredOn(proved).filter((one) => one.value === null);
    expect(wire!.said).toContain("green");
    expect(wire!.said).toContain(`live when ${pin!.liveWhen}`);
    expect(wire!.key).toContain(`/ ${pin!.cavity.toLowerCase()}`);
  });
});
