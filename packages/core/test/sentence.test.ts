/** Sentences as people in the trade say them, and what a planner would make of each: common practice. */
import fc from "fast-check";
import {
  DEFAULT_PRACTICES,
  checkedCircuit,
  conditionText,
  elementsOf,
  integrityFaults,
  planSentence,
  printSentence,
  readSentence,
  type Input,
  type SaidCircuit,
  type SaidJob,
  type SentenceWorld,
} from "../src/index.ts";
import { DEMO_SHELF, DEMO_VEHICLES, FELLRUNNER } from "../src/demo/index.ts";

const WORLD: SentenceWorld = {
  vehicles: DEMO_VEHICLES,
  shelf: DEMO_SHELF,
  customers: ["Hollin Fell Rescue Post"],
  today: new Date(2026, 10, 26, 10),
  vehicle: null,
};

const circuitWords = (c: SaidCircuit): string =>
  [
    `${c.count} ${c.part.id} ${c.place} [${conditionText(c.condition)}]`,
    ...(c.feed.kind === "usual" ? [] : [c.feed.kind]),
    ...(c.relay === "auto" ? [] : [`relay ${c.relay}`]),
    ...(c.series ? ["series"] : []),
    ...(c.bothSides ? ["both sides"] : []),
    ...(c.replaces ? [`replaces ${c.replaces}`] : []),
  ].join(" ");

const aboutWords = ({ vehicle, machine, customer, promised }: SaidJob): string =>
  [vehicle?.profileId ?? "", machine, customer, promised].filter((t) => t !== "").join(" | ");

/** Sentence; its circuits; vehicle, machine, customer and day; what was not understood. */
const SENTENCES: readonly (readonly [string, string, string, string])[] = [
  [
    "40 W bar on its own switch and two pods with high beam on the Fellrunner for Scar Top Farm, by 2 Dec",
    "1 bar-40 front [own switch]; 2 pod-18 front [high beam]",
    "fellrunner-420 | Scar Top Farm | 2026-12-02",
    "",
  ],
  [
    "two spot pods on high beam, Petrel 650 (marshal 2)",
    "2 pod-30 front [high beam]",
    "petrel-650 | marshal 2",
    "",
  ],
  [
    "LED turn signals front and rear on the quad",
    "2 turn-led left [left turn]; 2 turn-led right [right turn]",
    "fellrunner-420",
    "",
  ],
  [
    "a horn and a work light at the back",
    "1 horn-3a front [horn button]; 1 work-24 rear [own switch and key on]",
    "",
    "",
  ],
  ["brake light at the back", "1 tail-brake-led rear [brake]", "", ""],
  ["pair of flood pods with own switch and key", "2 pod-18 front [own switch and key on]", "", ""],
  [
    "120w light bar, off with low beam",
    "1 bar-120 front [own switch and key on and not low beam]",
    "",
    "",
  ],
  ["heated grips with the ignition", "1 grips-heated front [key on]", "", ""],
  ["four red strip lights under the seat always on", "4 strip-12-short inside []", "", ""],
  ["usb outlet from the battery on the key", "1 outlet-usb inside [key on] battery", "", ""],
  ["left turn lamp with left indicator", "1 turn-led left [left turn]", "", ""],
  [
    "two 30 W spot pods with high beam but not with low beam",
    "2 pod-30 front [high beam and not low beam]",
    "",
    "",
  ],
  ["tail light with park lights", "1 tail-two-level rear [park light]", "", ""],
  ["2x 18W pods on a rocker switch", "2 pod-18 front [own switch]", "", ""],
  ["one amber fog pod on the left with own switch", "1 amber-pod-12 left [own switch]", "", ""],
  ["rear work lamp with reverse", "1 work-24 rear [reverse]", "", ""],
  ["60 W bar with own switch", "1 said-bar-60_w-white front [own switch]", "", ""],
  [
    "two flod pods with hi beam on the fellruner",
    "2 pod-18 front [high beam]",
    "fellrunner-420",
    "",
  ],
  ["flashing brake lamp when braking", "1 brake-flasher rear [brake]", "", ""],
  ["pods with key and brake", "2 pod-18 rear [key on and brake]", "", ""],
  [
    "light bar on a switch, horn on the horn button and a usb charger keyed",
    "1 bar-40 front [own switch]; 1 horn-3a front [horn button]; 1 outlet-usb inside [key on]",
    "",
    "",
  ],
  ["two pods with own switch or high beam", "2 pod-18 front [own switch, or high beam]", "", ""],
  ["four turn signals", "2 turn-led left [left turn]; 2 turn-led right [right turn]", "", ""],
  [
    "a light bar with a relay from the battery on its own switch",
    "1 bar-40 front [own switch] battery relay yes",
    "",
    "",
  ],
  [
    "six pods in series from the pack on the Porter",
    "6 pod-plain-10 front [own switch and key on] pack series",
    "porter-48",
    "",
  ],
  [
    "two pods through a converter on the Porter 48 with own switch",
    "2 pod-18 front [own switch] converter",
    "porter-48",
    "",
  ],
  [
    "path lights at the back with park on the Litter",
    "2 path-red rear [park light]",
    "litter-36",
    "",
  ],
  [
    "please put a bar on the quad for Mrs Hault by Friday",
    "1 bar-40 front [own switch and key on]",
    "fellrunner-420 | Mrs Hault | 2026-11-27",
    "",
  ],
  [
    "headlight bulb with low beam on the Midge",
    "1 bulb-headlight-35 front [low beam]",
    "midge-60",
    "",
  ],
  [
    "pods for looking further at night",
    "2 pod-18 front [own switch and key on]",
    "",
    "looking further / night",
  ],
  ["20 Ah gizmo thing", "", "", "20 Ah gizmo thing"],
  ["two work lights on the left side with own switch", "2 work-24 left [own switch]", "", ""],
  [
    "bar and two pods with the high beam",
    "1 bar-40 front [own switch and key on]; 2 pod-18 front [high beam]",
    "",
    "",
  ],
  ["stop light strip when braking", "1 strip-12-short rear [brake]", "", ""],
  ["a brake light that flashes", "1 brake-flasher rear [brake]", "", ""],
  ["high beam pods", "2 pod-18 front [high beam]", "", ""],
  ["switched 40 W bar", "1 bar-40 front [own switch]", "", ""],
  [
    "pods not with high or low beam with the key",
    "2 pod-18 front [not high beam and not low beam and key on]",
    "",
    "",
  ],
  ["driving lights with main beam", "2 pod-30 front [high beam]", "", ""],
  [
    "lights on the mower for mowing at dusk with own switch",
    "",
    "swathe-52",
    "lights / mowing / dusk",
  ],
  [
    "work lamp on the mower with the engine running",
    "1 work-24 front [engine running]",
    "swathe-52",
    "",
  ],
  [
    "spot pods with full beam, never with the dipped beam",
    "2 pod-30 front [high beam and not low beam]",
    "",
    "",
  ],
  ["reversing: work light with reverse gear", "1 work-24 rear [reverse]", "", ""],
  ["amber turn lamp on the right with right blinker", "1 turn-led right [right turn]", "", ""],
  ["right turn lamp", "1 turn-led right [right turn]", "", ""],
  ["two red path lamps inside with parking lights", "2 path-red inside [park light]", "", ""],
  [
    "brake lamp with brake lever or brake pedal",
    "1 tail-brake-led rear [brake lever, or brake pedal]",
    "",
    "",
  ],
  ["hazard lights on four turn lamps", "4 turn-led front [hazards]", "", ""],
  ["a 40 watt bar keyed and switched", "1 bar-40 front [key on and own switch]", "", ""],
  ["3 A horn on the button", "1 horn-3a front [horn button]", "", ""],
  [
    "strip of red LEDs at the back with the tail light",
    "1 strip-12-short rear [park light]",
    "",
    "",
  ],
  ["LED tail and brake lamp at the rear", "1 tail-brake-led rear [brake]", "", ""],
  [
    "Wants a light bar. Own switch. Key on. For the Carrick 1100, customer Dr Pell, by 24 December",
    "1 bar-40 front [own switch and key on]",
    "carrick-1100 | Dr Pell | 2026-12-24",
    "",
  ],
  ["bar without a relay on its own switch", "1 bar-40 front [own switch] relay no", "", ""],
  ["two 24 W work lamps, one switch", "2 work-24 front [own switch]", "", ""],
  ["outlet off the battery always on", "1 outlet-usb inside [] battery", "", ""],
  ["quad bar 40W own swtich", "1 bar-40 front [own switch]", "fellrunner-420", ""],
  ["pods front and rear with own switch", "2 pod-18 front [own switch]", "", "rear"],
  [
    "two pods up front with ignition on the Lapwing by tomorrow",
    "2 pod-18 front [key on]",
    "lapwing-125 | 2026-11-27",
    "",
  ],
  [
    "turn lamps in place of bulbs on the Petrel",
    "1 turn-led left [left turn] replaces splice; 1 turn-led right [right turn] replaces splice",
    "petrel-650",
    "",
  ],
  [
    "led turn lamps left and right in place of the bulbs",
    "1 turn-led left [left turn] replaces splice; 1 turn-led right [right turn] replaces splice",
    "",
    "",
  ],
  [
    "replace the factory turn bulbs with four LED turn lamps by adapters",
    "2 turn-led left [left turn] replaces adapter; 2 turn-led right [right turn] replaces adapter",
    "",
    "",
  ],
  [
    "Replace the tail light with an LED tail light, and a horn with a button",
    "1 tail-two-level rear [park light] replaces splice; 1 horn-3a front [horn button]",
    "",
    "",
  ],
  [
    "left and right turn signals and a bar on its own switch",
    "1 turn-led left [left turn]; 1 turn-led right [right turn]; 1 bar-40 front [own switch]",
    "",
    "",
  ],
  ["two 35 W bulbs on one switch", "2 bulb-headlight-35 front [own switch]", "", ""],
  [
    "two 55 W halogen spots with high beam",
    "2 said-spot-55_w-plain-warm_white front [high beam]",
    "",
    "",
  ],
  ["88 W heater on its own switch", "1 said-heater-88_w-none inside [own switch]", "", ""],
  ["60 W heated seat with the key", "1 said-heater-60_w-none inside [key on]", "", ""],
  ["two 5 A horns", "2 said-horn-5_a-none front [horn button]", "", ""],
  ["a 48 V 2 A horn on the button", "1 said-horn-2_a-48_v-none front [horn button]", "", ""],
  ["three 20 W floods on own switch", "3 pod-18 front [own switch]", "", ""],
  ["12 V strip with the brake", "1 strip-12-short rear [brake]", "", ""],
  [
    "four 10 W pods in series on own switch on the Porter",
    "4 pod-plain-10 front [own switch] series",
    "porter-48",
    "",
  ],
  [
    "three 12 V lamps of 10 W in series on own switch",
    "3 pod-plain-10 front [own switch] series",
    "",
    "",
  ],
  ["two path lights each side always on", "4 path-red left [] both sides", "", ""],
  [
    "path lights on the left and right with park",
    "2 path-red left [park light] both sides",
    "",
    "",
  ],
  ["one turn lamp a side", "1 turn-led left [left turn]; 1 turn-led right [right turn]", "", ""],
  [
    "replace the tail lamp with a 5 W LED lamp",
    "1 tail-two-level rear [park light] replaces splice",
    "",
    "",
  ],
  [
    "30 W LED headlight in place of the headlight",
    "1 said-headlight-30_w-white front [low beam] replaces splice",
    "",
    "",
  ],
  ["gizmos of 12 V", "", "", "gizmos / 12 V"],
  [
    "a dozen path lights on the Porter with park",
    "12 path-red front [park light]",
    "porter-48",
    "",
  ],
  ["twin pods with highbeam", "2 pod-18 front [high beam]", "", ""],
  [
    "pods & bar on own switch + key for Tarn House by 2026-12-24",
    "2 pod-18 front [own switch and key on]; 1 bar-40 front [own switch and key on]",
    "Tarn House | 2026-12-24",
    "",
  ],
];

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
      expect(job.lamps).toHaveLength(said.circuits.reduce((n, c) => n + c.count, 0));
      expect(checkedCircuit(job).circuit.runs).toHaveLength(job.runs.length);
    }
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
    expect(assumed("turn lamps in place of the bulbs").join("\n")).toContain(
      "spliced to the wires",
    );
    expect(assumed("turn lamps in place of the bulbs by adapters").join("\n")).not.toContain(
      "spliced",
    );
  });

  it("finds the same part however the shelf is ordered", () => {
    const shelf = [...DEMO_SHELF].sort((a, b) => (a.id < b.id ? -1 : 1));
    for (const [text, circuits] of SENTENCES) {
      const said = readSentence(text, { ...WORLD, shelf });
      expect(said.circuits.map(circuitWords).join("; ")).toBe(circuits);
    }
  });

  const planned = (text: string) => {
    const said = readSentence(text, WORLD);
    return planSentence(said, said.vehicle ?? FELLRUNNER, DEFAULT_PRACTICES, DEMO_SHELF);
  };

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
    expect(planned("a horn from the pack on the Porter").supplies).toEqual([]);
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
    const [gate] = elementsOf(circuit, circuit.trunks[0]!.path, "switch");
    const [before] = elementsOf(circuit, [...circuit.trunks[0]!.path], "fuse");
    expect(gate!.part.contactA).toBeGreaterThanOrEqual(before!.ratingA);
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
  bothSides: fc.boolean(),
});

const circuit = anyCircuit.map((c): SaidCircuit => {
  // One lamp is on one side only.
  const bothSides = c.bothSides && c.count > 1;
  return { ...c, bothSides, place: bothSides ? "left" : c.place };
});

describe("a printed plan", () => {
  it("reads back the same", () => {
    fc.assert(
      fc.property(
        fc.array(circuit, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...DEMO_VEHICLES),
        fc.constantFrom("", "Scar Top Farm", "Hollin Fell Rescue Post", "Dr Pell"),
        fc.constantFrom("", "2026-12-02", "2027-01-31"),
        (circuits, vehicle, customer, promised) => {
          const said: SaidJob = {
            ...{ vehicle, machine: "", customer, promised, circuits },
            ...{ notUnderstood: [], assumed: [] },
          };
          const text = printSentence(said);
          const back = readSentence(text, WORLD);
          expect([text, back.circuits.map(circuitWords)]).toEqual([
            text,
            circuits.map(circuitWords),
          ]);
          expect([text, aboutWords(back)]).toEqual([text, aboutWords(said)]);
          expect([text, back.notUnderstood]).toEqual([text, []]);
        },
      ),
    );
  });
});
