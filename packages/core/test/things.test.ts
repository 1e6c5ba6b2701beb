/** What is known of every kind of unit, over all jobs of the demo and jobs by chance. */
import { synthesise, thingOf, type Circuit, type Unit } from "../src/index.ts";
import { chanceOf, demoJobs, manyCircuitJob, randomJob } from "../src/demo/index.ts";

const jobs = [
  ...demoJobs(),
  manyCircuitJob(13),
  ...Array.from({ length: 60 }, (_, i) => randomJob(chanceOf(900 + i))),
];
const circuits = jobs.map((job) => ({ job, circuit: synthesise(job) }));

const insidesOf = ({ elements }: Circuit, unit: Unit) =>
  [...elements.values()].filter((e) => e.unit === unit.id);

describe("a kind of unit", () => {
  it("has a piece in hand for each that is fitted, and none for the vehicle's or a joint of wires", () => {
    const joints: ReadonlySet<Unit["kind"]> = new Set(["splice", "chassis", "groundBlock"]);
    const theirs: ReadonlySet<Unit["kind"]> = new Set(["pack", "factory"]);
    const seen = new Set<Unit["kind"]>();
    const wrong: unknown[] = [];
    for (const { job, circuit } of circuits) {
      for (const unit of circuit.units.values()) {
        seen.add(unit.kind);
        const pieces = thingOf(unit).pieces(unit, insidesOf(circuit, unit), job);
        const none = joints.has(unit.kind) || theirs.has(unit.kind);
        const isRight = none ? pieces.length === 0 : !unit.fitted || pieces.length > 0;
        if (!isRight || pieces.some(({ name }) => name.trim() === "")) wrong.push([unit, pieces]);
      }
    }
    expect(wrong).toEqual([]);
    // Every kind that there is was tried.
    expect(seen.size).toBe(17);
  });

  it("takes time to fit where there is a piece to fit, and a tip finds every one but a splice", () => {
    const units = circuits.flatMap(({ circuit }) => [...circuit.units.values()]);
    const isRight = (unit: Unit): boolean => {
      const { reachMin, fitMin, onePlace } = thingOf(unit);
      const reached =
        unit.kind === "splice" ? reachMin === null : reachMin !== null && reachMin > 0;
      return reached && fitMin >= 0 && onePlace === ["chassis", "groundBlock"].includes(unit.kind);
    };
    expect(units.filter((unit) => !isRight(unit))).toEqual([]);
  });
});
