/**
 * Ordinary lamps, wired as the trade wires them, on vehicles whose wires are known: what the check says
 * of them has to be about the vehicle (its charging, its pack, a converter that is small), never about
 * what the plan itself has picked. Common practice.
 */
import {
  DEFAULT_PRACTICES,
  allOf,
  checkedCircuit,
  groupFindings,
  planSentence,
  prove,
  type Input,
  type Job,
  type LoadPart,
  type SaidCircuit,
} from "../src/index.ts";
import { DEMO_SHELF, DEMO_VEHICLES, chanceOf, demoPart, type Chance } from "../src/demo/index.ts";

interface Ordinary {
  readonly part: string;
  readonly counts: readonly number[];
  readonly place: SaidCircuit["place"];
  readonly when: readonly (readonly Input[])[];
}

const ORDINARY: readonly Ordinary[] = [
  {
    ...{ part: "pod-18", counts: [1, 2], place: "front" },
    when: [["switch", "key"], ["switch", "high"], ["switch"]],
  },
  {
    ...{ part: "pod-30", counts: [1, 2], place: "front" },
    when: [["switch", "key"], ["switch", "high"], ["high"]],
  },
  {
    ...{ part: "bar-40", counts: [1], place: "front" },
    when: [["switch", "key"], ["switch"], ["switch", "high"]],
  },
  {
    ...{ part: "work-24", counts: [1, 2], place: "rear" },
    when: [["switch", "key"], ["reverse"], ["switch"]],
  },
  {
    ...{ part: "amber-pod-12", counts: [2], place: "front" },
    when: [
      ["switch", "low"],
      ["switch", "key"],
    ],
  },
  { part: "outlet-usb", counts: [1], place: "inside", when: [["key"]] },
  { part: "horn-3a", counts: [1, 2], place: "front", when: [["horn"]] },
  { part: "tail-brake-led", counts: [1], place: "rear", when: [["brake"]] },
  { part: "brake-flasher", counts: [1], place: "rear", when: [["brake"]] },
];

const below = (chance: Chance, n: number): number => Math.floor(chance() * n);

function oneOf<T>(chance: Chance, list: readonly T[]): T {
  const found = list[below(chance, list.length)];
  if (found === undefined) throw new Error("nothing to choose from");
  return found;
}

/** One to three circuits of different lamps, on whatever wires the vehicle has for them. */
function rightJob(chance: Chance): Job {
  const vehicle = oneOf(chance, DEMO_VEHICLES);
  const live = new Set<string>(["switch", ...vehicle.pins.map((pin) => pin.liveWhen)]);
  const left = ORDINARY.filter(({ when }) =>
    when.some((inputs) => inputs.every((x) => live.has(x))),
  );
  const circuits = Array.from({ length: 1 + below(chance, 3) }, (_, i): SaidCircuit | null => {
    if (left.length === 0) return null;
    const [load] = left.splice(below(chance, left.length), 1);
    if (!load) return null;
    const when = load.when.filter((inputs) => inputs.every((x) => live.has(x)));
    return {
      ...{ name: `Circuit ${i + 1}`, part: demoPart(load.part) as LoadPart, place: load.place },
      ...{ count: oneOf(chance, load.counts), condition: allOf(...oneOf(chance, when)) },
      feed: vehicle.system.kind === "pack" ? { kind: "converter" } : { kind: "usual" },
      ...{ relay: "auto", series: false, replaces: null, second: null, lengthM: 0, dim: false },
    };
  });
  const said = {
    ...{
      vehicle,
      words: "",
      kits: [],
      machine: "",
      customer: "",
      promised: "",
      notUnderstood: [],
      assumed: [],
    },
    circuits: circuits.filter((c) => c !== null),
  };
  return planSentence(said, vehicle, DEFAULT_PRACTICES, DEMO_SHELF);
}

const JOBS = Array.from({ length: 500 }, (_, i) => rightJob(chanceOf(i + 1)));

/** What the vehicle itself may be told of. */
const OF_THE_VEHICLE: ReadonlySet<string> = new Set([
  ...["charging-short", "pack-wiring note", "converter-fits fix", "parked-draw"],
  // Three coils on a wire of which nobody knows for sure what it gives.
  "tap-over-limit note",
  // A rescue radio that somebody may need.
  "radio-noise note",
  // What nobody has placed on the map has its lengths guessed, and is told so.
  "route-fits note",
]);

/** More than a converter gives is no right wiring, and said to be none. */
const RIGHT = JOBS.filter(
  (job) =>
    !checkedCircuit(job).findings.some((f) => f.rule === "converter-fits" && f.severity === "stop"),
);

describe("500 right wirings by chance", () => {
  it("bring no finding about what the plan has picked", () => {
    expect(RIGHT.length).toBeGreaterThan(450);
    const alarms = RIGHT.flatMap((job, i) =>
      groupFindings(checkedCircuit(job).findings)
        .filter(({ rule, severity }) => {
          return !OF_THE_VEHICLE.has(rule) && !OF_THE_VEHICLE.has(`${rule} ${severity}`);
        })
        .map(({ rule, title }) => `${i + 1}: ${rule}: ${title}`),
    );
    expect(alarms).toEqual([]);
  });

  it("do in every position what is asked of them", () => {
    for (const job of RIGHT.slice(0, 120)) {
      const { circuit } = checkedCircuit(job);
      expect(prove(job, circuit)?.differences).toEqual([]);
    }
  });
});
