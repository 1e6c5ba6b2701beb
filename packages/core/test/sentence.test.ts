/** Sentences as people in the trade say them, and what a planner would make of each: common practice. */
import fc from "fast-check";
import {
  DEFAULT_PRACTICES,
  VEHICLE_KINDS,
  asId,
  checkedCircuit,
  conditionText,
  integrityFaults,
  planSentence,
  printSentence,
  readSentence,
  usualVehicle,
  type Input,
  type PartId,
  type ProfileId,
  type SaidCircuit,
  type SaidJob,
} from "../src/index.ts";
import { SENTENCES, WORLD } from "./sentences.ts";
import { DEMO_SHELF, DEMO_VEHICLES, FELLRUNNER, demoShelf } from "../src/demo/index.ts";

const circuitWords = (c: SaidCircuit): string =>
  [
    `${c.count} ${c.part.id} ${c.place} [${conditionText(c.condition)}]`,
    ...(c.feed.kind === "usual" ? [] : [c.feed.kind]),
    ...(c.relay === "auto" ? [] : [`relay ${c.relay}`]),
    ...(c.series ? ["series"] : []),
    ...(c.second ? [`and ${c.second}`] : []),
    ...(c.lengthM > 0 ? [`${c.lengthM} m`] : []),
    ...(c.replaces ? [`replaces ${c.replaces}`] : []),
    ...(c.dim ? ["dim"] : []),
  ].join(" ");

const aboutWords = ({ vehicle, machine, customer, promised }: SaidJob): string =>
  [vehicle?.profileId ?? "", machine, customer, promised].filter((t) => t !== "").join(" | ");

describe("a sentence", () => {
  it.each(SENTENCES)("%s", (text, circuits, about, notUnderstood) => {
    const said = readSentence(text, WORLD);
    expect(said.circuits.map(circuitWords).join("; ")).toBe(circuits);
    expect(aboutWords(said)).toBe(about);
    expect(said.notUnderstood.join(" / ")).toBe(notUnderstood);
  });

  it("becomes a job that is sound, and can be planned and checked", () => {
    for (const [text] of SENTENCES) {
      const said = readSentence(text, WORLD);
      const job = planSentence(said, said.vehicle ?? FELLRUNNER, DEFAULT_PRACTICES, DEMO_SHELF);
      expect(integrityFaults(job)).toEqual([]);
      expect(job.runs).toHaveLength(said.circuits.length);
      expect(job.wishes.map((w) => w.text)).toEqual([text]);
      expect(job.lamps).toHaveLength(said.circuits.reduce((n, c) => n + c.count, 0));
      expect(checkedCircuit(job).circuit.runs).toHaveLength(job.runs.length);
    }
  });

  it("of a tail and brake light plans one housing with two levels, each on its own wire", () => {
    const said = readSentence("two brake and tail lights on the Lapwing", WORLD);
    const job = planSentence(said, said.vehicle!, DEFAULT_PRACTICES, DEMO_SHELF);
    const [brake, tail] = job.runs.map(({ id }) => job.lamps.filter((l) => l.runId === id));
    expect(brake!.map((l) => [l.light, l.housing])).toEqual([
      ["main", ""],
      ["main", ""],
    ]);
    expect(tail!.map((l) => [l.light, l.housing])).toEqual(brake!.map((l) => ["dim", l.id]));
    const { circuit, findings } = checkedCircuit(job);
    expect(findings.filter((f) => f.severity === "stop")).toEqual([]);
    const housings = [...circuit.units.values()].filter(
      (u) => u.name === brake![0]!.label || u.name === brake![1]!.label,
    );
    expect(housings).toHaveLength(2);
  });

  it("names a job by what is on it, turn lamps of both sides once", () => {
    const titled = (text: string) => {
      const said = readSentence(text, WORLD);
      return planSentence(said, FELLRUNNER, DEFAULT_PRACTICES, DEMO_SHELF).card.title;
    };
    expect(titled("turn lamps and a bar on its own switch")).toBe("Turn lamps and bar");
    expect(titled("left turn lamp and a horn")).toBe("Left turn and horn");
    expect(titled("two pods")).toBe("Pods");
  });

  it("unboxes a kit by its name or the words before kit, beside what else is said", () => {
    const said = readSentence(
      "unbox the road kit on the Porter and two pods with high beam for Fold Lane Bakery",
      { ...WORLD, shelf: demoShelf() },
    );
    expect(said.kits.map((k) => k.id)).toEqual(["kit-road-cart"]);
    expect(said.circuits.map(circuitWords)).toEqual(["2 pod-18 front [high beam]"]);
    expect([said.notUnderstood, aboutWords(said)]).toEqual([[], "porter-48 | Fold Lane Bakery"]);
    const job = planSentence(said, said.vehicle!, DEFAULT_PRACTICES, DEMO_SHELF);
    expect(job.card.title).toBe("Road kit for carts, six relays and pods");
    expect(job.kit.length).toBeGreaterThan(5);
    // Its brake lights are the kit's.
    expect(job.wishes.map((w) => w.purpose)).toEqual(["beSeenBraking"]);
    expect(integrityFaults(job)).toEqual([]);
    expect(checkedCircuit(job).circuit.runs).toHaveLength(job.runs.length);
    expect(job.runs.length).toBe(1 + said.kits[0]!.content.runs.length);
    // Of two that are called the same, neither is meant by half a name.
    const twice = [
      ...demoShelf(),
      { ...KITS[0]!, id: asId<PartId>("other"), name: "Road kit, small" },
    ];
    expect(readSentence("road kit on the Porter", { ...WORLD, shelf: twice }).kits).toEqual([]);
  });

  it("means the shop's only vehicle of a kind by the words for it, and none where there are two", () => {
    const vehicles = VEHICLE_KINDS.map((kind, i) =>
      usualVehicle(kind, asId<ProfileId>(kind), `Invented ${i}`),
    );
    const meant = (words: string, among = vehicles) =>
      readSentence(`two pods on the ${words}`, { ...WORLD, vehicles: among }).vehicle?.kind ?? null;
    const said = {
      ...{ atv: "quad", "side-by-side": "sideBySide", "side by side": "sideBySide" },
      ...{ bike: "motorcycle", "e-bike": "eBike", scooter: "scooter", trailer: "trailer" },
      ...{ "snow machine": "snowMachine", "golf cart": "cart", "utility cart": "utilityCart" },
      ...{ mower: "mower", trike: "trike", buggy: "buggy", spaceship: null },
    };
    expect(Object.keys(said).map((words) => [words, meant(words)])).toEqual(Object.entries(said));
    // A shop without one keeps its scooters among its motorcycles.
    expect(
      meant(
        "scooter",
        vehicles.filter((v) => v.kind !== "scooter"),
      ),
    ).toBe("motorcycle");
    const two = [...vehicles, usualVehicle("cart", asId<ProfileId>("other"), "Invented 99")];
    expect(meant("golf cart", two)).toBeNull();
  });

  it("says what it took for usual, and that a lamp is not on the shelf", () => {
    expect(readSentence("a 40 W bar", WORLD).assumed.join("\n")).toContain(
      "Bar: own switch with the key, as nobody said what turns it on",
    );
    const assumed = (text: string) => readSentence(text, WORLD).assumed;
    expect(assumed("a 60 W bar on its own switch")).toEqual([
      "Bar: not on the shelf; taken as an LED lamp of 60 W for 9–32 V",
    ]);
    expect(assumed("an 88 W heater on its own switch")).toEqual([
      "Heater: not on the shelf; taken as a plain load without a driver of 88 W for 12 V",
    ]);
    expect(assumed("two 5 A horns")).toEqual([
      "Horns: not on the shelf; taken as a horn of 5 A for 12 V",
    ]);
    expect(assumed("three 20 W floods on own switch")).toEqual([
      "Floods: 18 W flood pod is the nearest to 20 W on the shelf",
    ]);
    const onPetrel = (text: string) => assumed(`${text} on the Petrel`).join("\n");
    expect(onPetrel("turn lamps in place of the bulbs")).toContain(
      "Left turn: spliced to left turn (orange, Tail plug cavity 4), taken for the wire of what goes",
    );
    expect(onPetrel("turn lamps in place of the bulbs by adapters")).toContain(
      "Left turn: on left turn (orange, Tail plug cavity 4)",
    );
    expect(onPetrel("LED turn lamps and a USB outlet")).not.toContain("taken for the wire");
  });

  it("finds the same part however the shelf is ordered", () => {
    const shelf = [...DEMO_SHELF].sort((a, b) => (a.id < b.id ? -1 : 1));
    for (const [text, circuits] of SENTENCES) {
      const said = readSentence(text, { ...WORLD, shelf });
      expect(said.circuits.map(circuitWords).join("; ")).toBe(circuits);
    }
  });

  it("names what it plans as people write it", () => {
    const names = (text: string) => readSentence(text, WORLD).circuits.map((c) => c.name);
    expect(names("an led strip with the brake and two usb outlets with the key")).toEqual([
      "LED strip",
      "USB outlets",
    ]);
    expect(names("leds bar on its own switch")).toEqual(["LED bar"]);
  });

  it("takes the vehicle that is given where it names none", () => {
    const said = readSentence("two pods on high beam", { ...WORLD, vehicle: FELLRUNNER });
    expect(said.vehicle?.profileId).toBe("fellrunner-420");
  });

  it("never throws and drops no word silently, whatever is typed", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 120, unit: "grapheme" }), (text) => {
        const said = readSentence(text, WORLD);
        for (const phrase of said.notUnderstood) expect(text).toContain(phrase);
      }),
    );
    // Words of letters that no word here begins with: each has to be told, in its order.
    const made = fc.string({
      unit: fc.constantFrom("q", "x", "z", "v"),
      minLength: 4,
      maxLength: 9,
    });
    fc.assert(
      fc.property(fc.array(made, { minLength: 1, maxLength: 6 }), (words) => {
        const told = readSentence(`two pods with ${words.join(" and ")}`, WORLD).notUnderstood;
        expect(told.join(" ").split(/\s+and\s+|\s+/)).toEqual(words);
      }),
    );
    const nonsense = readSentence("zorp the quibble", WORLD);
    expect(nonsense.notUnderstood).toEqual(["zorp", "quibble"]);
  });
});

const INPUTS: readonly Input[] = [
  ...(["switch", "key", "engine", "park", "low", "high", "brake", "left", "right"] as const),
  ...(["hazard", "horn", "reverse", "lever", "pedal"] as const),
];
const term = fc.record({ input: fc.constantFrom(...INPUTS), negated: fc.boolean() });
const group = fc
  .uniqueArray(term, { minLength: 1, maxLength: 3, selector: (t) => t.input })
  .filter((terms) => terms.some((t) => !t.negated));
const KITS = demoShelf().flatMap((p) => (p.kind === "kit" ? [p] : []));
const loads = DEMO_SHELF.filter((p) => p.kind === "load");
const anyCircuit: fc.Arbitrary<SaidCircuit> = fc.record({
  name: fc.constant(""),
  part: fc.constantFrom(...loads),
  count: fc.integer({ min: 1, max: 12 }),
  place: fc.constantFrom("front", "rear", "left", "right", "inside"),
  condition: fc.record({ anyOf: fc.array(group, { minLength: 1, maxLength: 2 }) }),
  feed: fc.constantFrom({ kind: "usual" }, { kind: "battery" }, { kind: "pack" }),
  relay: fc.constantFrom("auto", "yes", "no"),
  series: fc.boolean(),
  replaces: fc.constantFrom(null, "splice", "plug", "adapter"),
  second: fc.constantFrom(null, "right", "rear"),
  lengthM: fc.constant(0),
  dim: fc.boolean(),
});

const circuit = anyCircuit.map((c): SaidCircuit => {
  // One lamp is on one side only.
  const second = c.count > 1 ? c.second : null;
  return { ...c, second, place: second ? (second === "right" ? "left" : "front") : c.place };
});

describe("a printed plan", () => {
  it("reads back the same", () => {
    fc.assert(
      fc.property(
        fc.array(circuit, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...DEMO_VEHICLES),
        fc.constantFrom("", "Scar Top Farm", "Hollin Fell Rescue Post", "Dr Pell"),
        fc.constantFrom("", "2026-12-02", "2027-01-31"),
        fc.subarray([...KITS]),
        (circuits, vehicle, customer, promised, kits) => {
          const said: SaidJob = {
            ...{ words: "", vehicle, machine: "", customer, promised, kits },
            // The first has none before it whose housing it could share.
            circuits: circuits.map((c, i) => (i === 0 ? { ...c, dim: false } : c)),
            ...{ notUnderstood: [], assumed: [] },
          };
          const text = printSentence(said);
          const back = readSentence(text, { ...WORLD, shelf: demoShelf() });
          expect([text, back.circuits.map(circuitWords)]).toEqual([
            text,
            said.circuits.map(circuitWords),
          ]);
          expect([text, back.kits.map((k) => k.id)]).toEqual([text, kits.map((k) => k.id)]);
          expect([text, aboutWords(back)]).toEqual([text, aboutWords(said)]);
          expect([text, back.notUnderstood]).toEqual([text, []]);
        },
      ),
    );
  });
});
