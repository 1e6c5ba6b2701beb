/** What the ways of modules do over time, and what becomes of them. */
import fc from "fast-check";
import {
  PLAIN,
  restVolts,
  setCircuit,
  solveCircuit,
  synthesise,
  wayLevels,
  type Behaviour,
  type Input,
  type WayInput,
} from "../src/index.ts";
import { DEMO_SHELF } from "../src/demo/index.ts";
import { onHub } from "./jobs.ts";
import { edited, rulesOf } from "./helpers.ts";

describe("ways of modules", () => {
  const told = (...list: readonly (readonly [number, boolean])[]): WayInput[] => [
    { atS: 0, on: false, inputs: new Set<Input>(), kmh: 60 },
    ...list.map(([atS, on]) => ({ atS, on, inputs: new Set<Input>(), kmh: 60 })),
  ];

  /** The same behaviour by brute force: a millisecond at a time, with counters and no spans. */
  function byTheMillisecond(b: Behaviour, list: readonly WayInput[], endS: number): number[] {
    const out: number[] = [];
    let [latched, was, wasWanted] = [false, false, false];
    const wants: boolean[] = [];
    let k = 0;
    for (let ms = 0; ms < endS * 1000; ms += 1) {
      while (k + 1 < list.length && list[k + 1]!.atS * 1000 <= ms + 1e-6) k += 1;
      const now = list[k]!.on;
      if (now && !was) latched = !latched;
      was = now;
      wants.push(b.latch ? latched : now);
    }
    const delay = Math.round(b.delayS * 1000);
    const runOn = Math.round(b.runOnS * 1000);
    let [flashLeft, phase, lastFlash] = [0, 0, -Infinity];
    let sinceOff = Infinity;
    let onFor = 0;
    for (let ms = 0; ms < wants.length; ms += 1) {
      onFor = wants[ms] ? onFor + 1 : 0;
      if (wants[ms]) sinceOff = 0;
      else sinceOff += 1;
      // Delayed rise: asked for longer than the delay; run-on: asked within it.
      const rising = onFor > delay;
      const wanted = rising || (wasWanted && (wants[ms]! || sinceOff <= runOn));
      if (wanted && !wasWanted) {
        const fresh = ms - lastFlash >= Math.round(b.lockoutS * 1000);
        flashLeft = b.flashes !== 0 && fresh ? (b.flashes < 0 ? Infinity : b.flashes) : 0;
        phase = 0;
      }
      const [on, off] = [Math.round(b.onS * 1000), Math.round(b.offS * 1000)];
      let level = 0;
      if (wanted) {
        if (flashLeft > 0) {
          level = phase < on ? b.level : 0;
          phase += 1;
          if (phase === on + off) {
            phase = 0;
            flashLeft -= 1;
          }
          lastFlash = ms + 1;
        } else level = b.level;
      }
      wasWanted = wanted;
      out.push(level);
    }
    return out;
  }

  const behaviours = fc.record({
    delayS: fc.constantFrom(0, 0.2, 0.5),
    runOnS: fc.constantFrom(0, 0.3, 1),
    flashes: fc.constantFrom(0, 2, 4, -1),
    onS: fc.constantFrom(0.08, 0.1),
    offS: fc.constantFrom(0.08, 0.12),
    latch: fc.boolean(),
    level: fc.constantFrom(0.3, 1),
  });

  it("agree with a brute-force oracle that steps a millisecond at a time", () => {
    fc.assert(
      fc.property(
        behaviours,
        fc.array(fc.integer({ min: 3, max: 20 }), { minLength: 1, maxLength: 6 }),
        (fields, gaps) => {
          // Delay not longer than any press, so that both read a cut-off press alike.
          const b: Behaviour = { ...PLAIN, ...fields, delayS: Math.min(fields.delayS, 0.2) };
          let at = 0;
          const events = gaps.map((gap, i) => {
            at += gap / 10;
            return [Number(at.toFixed(1)), i % 2 === 0] as const;
          });
          const list = told(...events);
          const endS = at + 2;
          const steps = wayLevels(b, list, endS);
          const brute = byTheMillisecond(b, list, endS);
          const levelAt = (ms: number): number => {
            let level = 0;
            for (const s of steps) if (s.atS * 1000 <= ms + 1e-6) level = s.level;
            return level;
          };
          // Edges may fall a rounding apart: compare in the middle of each ten milliseconds.
          let apart = 0;
          for (let ms = 5; ms < brute.length; ms += 10) {
            if (levelAt(ms) !== brute[ms]) apart += 1;
          }
          expect(apart).toBeLessThanOrEqual(2 + Math.ceil(brute.length / 400));
        },
      ),
      { seed: 11, numRuns: 150 },
    );
  });

  it("are silent while something turns, and for a while after", () => {
    const quiet: Behaviour = { ...PLAIN, offWith: ["left"], offHoldS: 1 };
    const list: WayInput[] = [
      { atS: 0, on: true, inputs: new Set<Input>(), kmh: 0 },
      { atS: 2, on: true, inputs: new Set<Input>(["left"]), kmh: 0 },
      { atS: 4, on: true, inputs: new Set<Input>(), kmh: 0 },
    ];
    expect(wayLevels(quiet, list, 10)).toEqual([
      { atS: 0, level: 1 },
      { atS: 2, level: 0 },
      { atS: 5, level: 1 },
    ]);
  });

  it("flash above their speed only, and go from dim to full with the brake", () => {
    const gated: Behaviour = { ...PLAIN, flashes: 3, flashFromKmh: 50 };
    const at = (kmh: number) =>
      wayLevels(gated, [{ atS: 0, on: true, inputs: new Set<Input>(), kmh }], 5).length;
    expect(at(30)).toBe(1);
    expect(at(60)).toBeGreaterThan(5);
    const boost: Behaviour = { ...PLAIN, level: 0.2, boostWith: ["brake"] };
    const list: WayInput[] = [
      { atS: 0, on: true, inputs: new Set<Input>(), kmh: 0 },
      { atS: 1, on: true, inputs: new Set<Input>(["brake"]), kmh: 0 },
    ];
    expect(wayLevels(boost, list, 3).map((s) => s.level)).toEqual([0.2, 1]);
  });

  it("come up softly in eighths, and no further than they are asked", () => {
    const soft: Behaviour = { ...PLAIN, level: 0.8, softS: 0.4 };
    const list: WayInput[] = [
      { atS: 1, on: true, inputs: new Set<Input>(), kmh: 0 },
      { atS: 3, on: false, inputs: new Set<Input>(), kmh: 0 },
    ];
    const rise = wayLevels(soft, list, 5).filter((s) => s.level > 0);
    expect(rise.map((s) => s.level)).toEqual(
      [1, 2, 3, 4, 5, 6, 7, 8].map((k) => expect.closeTo(0.1 * k, 9)),
    );
    expect(rise[7]!.atS).toBeCloseTo(1 + (7 * 0.4) / 8, 9);
    const short = list.with(1, { ...list[1]!, atS: 1.12 });
    expect(Math.max(...wayLevels(soft, short, 5).map((s) => s.level))).toBeCloseTo(0.3, 9);
  });

  it("let go of too much, try again as often as they are set to, and then stay dark", () => {
    const guarded: Behaviour = { ...PLAIN, tripA: 5, retries: 2, retryS: 1 };
    const told = (amps: number): WayInput[] => [
      { atS: 0, on: true, inputs: new Set<Input>(), kmh: 0, amps },
      { atS: 9, on: false, inputs: new Set<Input>(), kmh: 0, amps: 0 },
    ];
    expect(wayLevels(guarded, told(5), 10)).toEqual([
      { atS: 0, level: 1 },
      { atS: 9, level: 0 },
    ]);
    const starts = wayLevels(guarded, told(5.1), 10).filter((s) => s.level > 0);
    expect(starts.map((s) => s.atS)).toEqual([0, 1, 2].map((n) => expect.closeTo(n * 1.05, 9)));
    // What was too much is unplugged before the second try: that one holds.
    const mended: WayInput[] = [
      told(8)[0]!,
      { atS: 0.5, on: true, inputs: new Set<Input>(), kmh: 0, amps: 2 },
    ];
    const held = wayLevels(guarded, mended, 10);
    expect(held[held.length - 1]).toEqual({ atS: expect.closeTo(1.05, 9), level: 1 });
  });

  it("a way set below what its run draws is told before it is fitted", () => {
    const scene = onHub();
    const box = scene.parts.find((p) => p.kind === "box")!;
    const found = (tripA: number) =>
      rulesOf({
        ...scene,
        parts: scene.parts.map((p) =>
          p.id === box.id && p.kind === "box" ? { ...p, behaviours: [{ ...PLAIN, tripA }] } : p,
        ),
      });
    expect(found(0.2)).toContain("box-fits");
    expect(found(30)).not.toContain("box-fits");
  });

  it("come on the shelf as data, a dozen of them", () => {
    const modules = DEMO_SHELF.filter((p) => p.kind === "box" && p.behaviours.length > 0);
    expect(modules.length).toBeGreaterThanOrEqual(12);
  });
});

describe("the dark phase of a channel", () => {
  const hub = onHub();
  const run = hub.runs.find(
    (r) => r.condition.anyOf.flat().some((t) => t.input === "switch") && r.feed.kind === "supply",
  )!;
  const program: Behaviour = {
    ...PLAIN,
    ...{ level: 0.1, boostLevel: 1, boostWith: ["brake"] },
    ...{ flashes: 4, onS: 0.1, offS: 0.1, flashWith: ["brake"], flashFromKmh: 15 },
  };

  /** Whether the channel's first lamp has volts in a position, its program as said. */
  function lit(
    made: Behaviour | null,
    inputs: readonly Input[],
    phase: "on" | "off",
    kmh?: number,
  ) {
    const job = edited(hub, setCircuit(run.id, "program", made));
    const circuit = synthesise(job);
    const solved = solveCircuit(
      circuit,
      {
        ...{ inputs: new Set<Input>(["key", ...inputs]), switches: new Set([run.id]), phase },
        ...(kmh === undefined ? {} : { kmh }),
        ...restVolts(job.vehicle),
      },
      20,
    );
    if (solved.kind !== "solved") throw new Error(solved.kind);
    const load = circuit.runs.find((r) => r.runId === run.id)!.branches[0]!.load;
    const at = solved.point.at.get(load)!;
    return at.fromV - at.toV > 5;
  }

  it("is there where it is dimmed, and not where it is lifted to its full level", () => {
    expect(lit(program, [], "on")).toBe(true);
    expect(lit(program, [], "off")).toBe(false);
    expect(lit(program, ["brake"], "off")).toBe(true);
    // The pedal and the lever are the brake.
    expect(lit(program, ["pedal"], "off")).toBe(true);
  });

  it("is there while it flashes: from a speed on, and with what it flashes with", () => {
    expect(lit(program, ["brake"], "off", 14.9)).toBe(true);
    expect(lit(program, ["brake"], "off", 15)).toBe(false);
    expect(lit(program, ["brake"], "on", 15)).toBe(true);
    const alone = { ...program, level: 1, flashWith: [] };
    expect(lit(alone, [], "off", 15)).toBe(false);
    expect(lit({ ...alone, flashes: 0 }, [], "off", 15)).toBe(true);
    expect(lit({ ...alone, flashWith: ["high"] }, ["brake"], "off", 15)).toBe(true);
  });

  it("is none of a channel that plainly follows", () => {
    expect(lit(null, [], "off", 90)).toBe(true);
  });
});
