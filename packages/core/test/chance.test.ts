/**
 * Texts and documents by chance: what reads them answers in words and never gives way; what
 * is computed of them keeps its own promises.
 */
import fc from "fast-check";
import {
  CandumpReader,
  SIMULATED_DBC,
  addStep,
  allOf,
  applyEdits,
  budgetOf,
  createJob,
  printPartsCsv,
  printScript,
  printVehiclesCsv,
  readDbc,
  readPartsCsv,
  readScript,
  readStep,
  readVehiclesCsv,
  setCircuit,
  synthesise,
  type Job,
} from "../src/index.ts";
import { DEMO_SHELF, DEMO_VEHICLES, FELLRUNNER, demoJobs } from "../src/demo/index.ts";
import { RUN, edited, jobWith } from "./helpers.ts";

const RUNS = { seed: 21, numRuns: 300 };

/** A text with a piece of it replaced, as a slip of a hand or a torn file leaves it. */
const slip = (text: string) =>
  fc
    .tuple(fc.nat(text.length), fc.nat(12), fc.string({ maxLength: 8 }))
    .map(([at, length, put]) => text.slice(0, at) + put + text.slice(at + length));

const WORDS = /undefined|NaN|\[object|Cannot read/;

type Answer =
  | { readonly ok: true }
  | { readonly ok: false; readonly faults: readonly { readonly message: string }[] };

/** What a reader answers: a value, or faults with words each. */
function expectAnswer(read: Answer): void {
  if (read.ok) return;
  expect(read.faults.length).toBeGreaterThan(0);
  for (const { message } of read.faults) {
    expect(message).not.toBe("");
    expect(message).not.toMatch(WORDS);
  }
}

describe("texts with a slip in them", () => {
  it.each([
    ["parts as CSV", printPartsCsv(DEMO_SHELF), readPartsCsv],
    ["vehicles as CSV", printVehiclesCsv(DEMO_VEHICLES), readVehiclesCsv],
    ["a DBC file", SIMULATED_DBC, readDbc],
  ] as const)("%s: are read, or refused with place and words", (_, text, read) => {
    fc.assert(
      fc.property(slip(text), (torn) => expectAnswer(read(torn))),
      { ...RUNS, numRuns: 120 },
    );
  });

  it("a script of the controls: is read, or refused by its line", () => {
    const job = demoJobs()[1]!;
    const text =
      "0 key on\n0 park on\n1 left on\n4 left off\n5 brake on\n6 brake off\n8 speed 45\n12 end\n";
    fc.assert(
      fc.property(slip(text), (torn) => {
        const read = readScript(job, torn);
        expectAnswer(read);
        if (!read.ok) {
          for (const { path } of read.faults) expect(path).toMatch(/^line \d+$/);
          return;
        }
        const { events, endS } = read.value;
        events.forEach((e, i) => {
          if (i > 0) expect(e.atS).toBeGreaterThanOrEqual(events[i - 1]!.atS);
          expect(e.atS).toBeLessThanOrEqual(endS);
        });
        // What is printed of it is read as the same again.
        expect(readScript(job, printScript(read.value))).toEqual(read);
      }),
      RUNS,
    );
  });

  it("a log of the bus: good lines are kept, bad ones told by their number", () => {
    const line = fc.oneof(
      fc.nat(5000).map((ms) => `(${(ms / 1000).toFixed(6)}) can0 1A4#0011`),
      fc.string({ maxLength: 30 }).filter((s) => s.trim() !== "" && !s.includes("\n")),
    );
    fc.assert(
      fc.property(fc.array(line, { maxLength: 30 }), fc.nat(40), (lines, cut) => {
        const text = lines.join("\n");
        const whole = new CandumpReader();
        const frames = [...whole.push(text), ...whole.end()];
        const parted = new CandumpReader();
        const same = [
          ...parted.push(text.slice(0, cut)),
          ...parted.push(text.slice(cut)),
          ...parted.end(),
        ];
        // However the text arrives, the same comes of it.
        expect(same).toEqual(frames);
        expect(parted.faults).toEqual(whole.faults);
        for (const fault of whole.faults) expect(fault.path).toMatch(/^line \d+$/);
      }),
      RUNS,
    );
  });
});

describe("a step that is said", () => {
  it("is understood or asked about, whatever is said", () => {
    const part = fc.constantFrom(
      "left cover:",
      "2 hex M6 x 20 front",
      "1 push rear",
      "10 Nm",
      "plug seat heater, under the hook",
      "after seat",
      "hold",
      "paint",
      "6 min",
      "forget the spring",
      "catch two lugs",
      ";",
      ",",
      "0 hex M6",
      "100 cross",
      "x",
    );
    const text = fc.oneof(
      fc.array(part, { maxLength: 9 }).map((parts) => parts.join(" ")),
      fc.array(part, { maxLength: 9 }).map((parts) => parts.join("; ")),
      fc.string({ maxLength: 80 }),
    );
    fc.assert(
      fc.property(text, (said) => {
        const read = readStep(said);
        if (!read.ok) {
          expect(read.message).not.toMatch(WORDS);
          return;
        }
        expect(read.step.name.trim()).not.toBe("");
        let n = 0;
        const job = createJob("test", "", FELLRUNNER);
        const added = addStep(job, read.step, (prefix) => `${prefix}-${(n += 1)}`);
        if (!added.ok) {
          expect(added.message).not.toMatch(WORDS);
          return;
        }
        const made = applyEdits(job, added.edits);
        expect(made.ok).toBe(true);
        if (!made.ok) return;
        for (const f of made.job.fasteners) expect(f.spots).toHaveLength(f.count);
      }),
      RUNS,
    );
  });
});

describe("the budget", () => {
  const spare = (job: Job, i: number): number =>
    budgetOf(job, synthesise(job)).running[i]!.spareA.mid;

  it("never gets better by more lamps, nor by their being on longer", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (count, share, more) => {
          const job = (lamps: number, on: number): Job =>
            edited(
              jobWith("pod-18", lamps, allOf("switch", "key")),
              setCircuit(RUN, "onIdle", on),
              setCircuit(RUN, "onTown", on),
              setCircuit(RUN, "onCruise", on),
            );
          for (let i = 0; i < 3; i += 1) {
            expect(spare(job(count + 1, share), i)).toBeLessThanOrEqual(
              spare(job(count, share), i) + 1e-9,
            );
            expect(spare(job(count, share + more), i)).toBeLessThanOrEqual(
              spare(job(count, share), i) + 1e-9,
            );
          }
        },
      ),
      { ...RUNS, numRuns: 40 },
    );
  });

  it("holds its middle between its bounds, in every state of every demo job", () => {
    for (const job of demoJobs()) {
      const { running } = budgetOf(job, synthesise(job));
      for (const { spareA, loadA, outputA } of running) {
        for (const { low, mid, high } of [spareA, loadA, outputA]) {
          expect(low).toBeLessThanOrEqual(mid);
          expect(mid).toBeLessThanOrEqual(high);
        }
        // What is to spare is what is given less what is taken, bounds against each other.
        expect(spareA.mid).toBeCloseTo(outputA.mid - loadA.mid, 6);
        expect(spareA.low).toBeLessThanOrEqual(outputA.low - loadA.high + 1e-6);
      }
    }
  });
});
