import {
  FLASH_LIMITS,
  PLAIN,
  flashTiming,
  judgeFlash,
  measureFlash,
  stated,
  wayLevels,
  type Behaviour,
  type FlasherFacts,
  type Input,
  type LampTrace,
  type LevelStep,
  type WayInput,
} from "../src/index.ts";

const trace = (steps: readonly LevelStep[]): LampTrace => ({ steps }) as unknown as LampTrace;

/** Lit for `on` of every `period` seconds, so many times from a moment on. */
const flashing = (count: number, period: number, on: number, from = 0): LevelStep[] =>
  Array.from({ length: count }, (_, i) => i).flatMap((i) => [
    { atS: from + i * period, level: 1 },
    { atS: from + i * period + on, level: 0 },
  ]);

describe("what a lamp's flash measures", () => {
  it("is its rate, the share it is lit, and how soon it first went out", () => {
    const measure = measureFlash(trace([{ atS: 0, level: 0 }, ...flashing(6, 0.75, 0.3, 2)]))!;
    expect(measure.perMin).toBeCloseTo(80, 9);
    expect(measure.onShare).toBeCloseTo(0.4, 9);
    expect(measure.firstFlashS).toBeCloseTo(0.3, 9);
    expect(measure.flashes).toBe(6);
  });

  it("is told from three flashes on; a lamp that is lit, dark or lit twice does not flash", () => {
    expect(measureFlash(trace([]))).toBeNull();
    expect(measureFlash(trace([{ atS: 0, level: 1 }]))).toBeNull();
    expect(measureFlash(trace(flashing(2, 0.7, 0.3)))).toBeNull();
    expect(measureFlash(trace(flashing(3, 0.7, 0.3)))).toMatchObject({ flashes: 3 });
  });

  it("is that of the longest spell: a pause over 1.2 s ends one", () => {
    const two = [...flashing(3, 0.5, 0.2), ...flashing(5, 0.8, 0.4, 10)];
    expect(measureFlash(trace(two))).toMatchObject({ flashes: 5 });
    expect(measureFlash(trace(two))!.perMin).toBeCloseTo(75, 9);
    expect(measureFlash(trace(flashing(4, 1.2, 0.5)))).toMatchObject({ flashes: 4 });
    expect(measureFlash(trace(flashing(4, 1.25, 0.5)))).toBeNull();
  });

  it("does not count a change of level between two that are lit", () => {
    const dims = flashing(4, 0.7, 0.35).flatMap((s) =>
      s.level === 1 ? [s, { atS: s.atS + 0.1, level: 0.4 }] : [s],
    );
    expect(measureFlash(trace(dims))).toMatchObject({ flashes: 4 });
    expect(measureFlash(trace(dims))!.onShare).toBeCloseTo(0.5, 9);
  });

  // 49 CFR 571.108 and SAE J590, from memory: 60 to 120 a minute, lit for 30 to 75 %.
  it("is held to the limits of a turn signal, which are themselves proper", () => {
    expect(FLASH_LIMITS).toEqual({ leastPerMin: 60, mostPerMin: 120, leastOn: 0.3, mostOn: 0.75 });
    const judged = (perMin: number, onShare: number) =>
      judgeFlash({ perMin, onShare, firstFlashS: 0, flashes: 9 });
    for (const perMin of [60, 90, 120]) {
      for (const share of [0.3, 0.5, 0.75]) expect(judged(perMin, share)).toBe("");
    }
    expect(judged(121, 0.5)).toBe("too fast");
    expect(judged(59, 0.5)).toBe("too slow");
    expect(judged(90, 0.76)).toBe("lit too long");
    expect(judged(90, 0.29)).toBe("lit too short");
  });
});

describe("a thermal flasher", () => {
  const thermal: FlasherFacts = {
    principle: "thermal",
    leastA: 1,
    ratedA: 2,
    ratePerMin: stated(80),
    onShare: 0.4,
  };
  const perMin = (loadA: number) => {
    const { onS, offS } = flashTiming(thermal, loadA);
    return 60 / (onS + offS);
  };

  it("is faster by the root of its load, within half and 1.6 times", () => {
    expect(perMin(2)).toBeCloseTo(80, 9);
    expect(perMin(1)).toBeCloseTo(80 * Math.SQRT1_2, 9);
    expect(perMin(4)).toBeCloseTo(80 * Math.SQRT2, 9);
    expect(perMin(20)).toBeCloseTo(128, 9);
    expect(flashTiming(thermal, 2).onS).toBeCloseTo(0.4 * 0.75, 9);
  });

  it("starts later by the square of what is missing, a second and a half at most", () => {
    expect(flashTiming(thermal, 2).firstS).toBeCloseTo(0.2, 9);
    expect(flashTiming(thermal, 4).firstS).toBeCloseTo(0.05, 9);
    expect(flashTiming(thermal, 1).firstS).toBeCloseTo(0.8, 9);
    const lazy = { ...thermal, leastA: 0.1 };
    expect(flashTiming(lazy, 0.2).firstS).toBe(1.5);
    expect(perMin(1)).toBeGreaterThan(40);
  });

  it("never heats below its least load, and says what it sees", () => {
    expect(flashTiming(thermal, 1).flashes).toBe(true);
    expect(flashTiming(thermal, 0.99)).toMatchObject({
      flashes: false,
      why: "sees 0.99 A, wants 1.00 A: never heats",
    });
  });
});

describe("a way of a module", () => {
  const none: ReadonlySet<Input> = new Set();
  /** Asked on and off at these moments, first dark. */
  const told = (...times: readonly number[]): WayInput[] => [
    { atS: 0, on: false, inputs: none, kmh: 60 },
    ...times.map((atS, i) => ({ atS, on: i % 2 === 0, inputs: none, kmh: 60 })),
  ];
  const way = (b: Partial<Behaviour>, list: readonly WayInput[], endS = 20) =>
    wayLevels({ ...PLAIN, ...b }, list, endS).map(({ atS, level }) => [
      Number(atS.toFixed(6)),
      level,
    ]);

  it("that follows is on while it is asked", () => {
    expect(way({}, told(1, 4))).toEqual([
      [0, 0],
      [1, 1],
      [4, 0],
    ]);
    expect(way({ level: 0.1 }, told(1))).toEqual([
      [0, 0],
      [1, 0.1],
    ]);
  });

  it("that waits comes on later, and never where it is let go before", () => {
    expect(way({ delayS: 2 }, told(1, 4))).toEqual([
      [0, 0],
      [3, 1],
      [4, 0],
    ]);
    expect(way({ delayS: 2 }, told(1, 3))).toEqual([[0, 0]]);
    expect(way({ delayS: 2 }, told(1), 3)).toEqual([[0, 0]]);
  });

  it("that runs on is off later, and stays on where it is asked again meanwhile", () => {
    expect(way({ runOnS: 2 }, told(1, 4))).toEqual([
      [0, 0],
      [1, 1],
      [6, 0],
    ]);
    expect(way({ runOnS: 2 }, told(1, 4, 6, 7))).toEqual([
      [0, 0],
      [1, 1],
      [9, 0],
    ]);
    expect(way({ runOnS: 2 }, told(1, 4, 6.1, 7))).toHaveLength(5);
  });

  it("that latches turns at each press, and not as it is let go", () => {
    expect(way({ latch: true }, told(1, 2, 5, 6))).toEqual([
      [0, 0],
      [1, 1],
      [5, 0],
    ]);
  });

  it("flashes so often and then holds, or for as long as it is asked", () => {
    const b = { flashes: 2, onS: 0.2, offS: 0.3 };
    expect(way(b, told(1, 4))).toEqual([
      [0, 0],
      [1, 1],
      [1.2, 0],
      [1.5, 1],
      [1.7, 0],
      [2, 1],
      [4, 0],
    ]);
    expect(way({ ...b, flashes: -1 }, told(1, 2))).toEqual([
      [0, 0],
      [1, 1],
      [1.2, 0],
      [1.5, 1],
      [1.7, 0],
    ]);
    // Let go within a flash: no longer than it is asked.
    expect(way({ ...b, flashes: -1 }, told(1, 1.6)).at(-1)).toEqual([1.6, 0]);
  });

  it("holds steady within its lock-out, counted from its last flash", () => {
    const b = { flashes: 1, onS: 0.2, offS: 0.2, lockoutS: 3 };
    expect(way(b, told(1, 2, 4.3, 5)).filter(([, level]) => level === 1)).toEqual([
      [1, 1],
      [1.4, 1],
      [4.3, 1],
    ]);
    expect(way(b, told(1, 2, 4.4, 5)).filter(([, level]) => level === 1)).toHaveLength(4);
  });

  it("flashes from its speed on", () => {
    const at = (kmh: number): WayInput[] => [
      { atS: 0, on: false, inputs: none, kmh: 0 },
      { atS: 1, on: true, inputs: none, kmh },
    ];
    const b = { flashes: 3, flashFromKmh: 15 };
    expect(way(b, at(14.9))).toEqual([
      [0, 0],
      [1, 1],
    ]);
    expect(way(b, at(15)).length).toBeGreaterThan(5);
  });

  it("flashes with what it is told to flash with, and is steady otherwise", () => {
    const brake: ReadonlySet<Input> = new Set(["brake"]);
    const list: WayInput[] = [
      { atS: 0, on: true, inputs: none, kmh: 0 },
      { atS: 2, on: true, inputs: brake, kmh: 0 },
      { atS: 3, on: true, inputs: none, kmh: 0 },
    ];
    const b: Partial<Behaviour> = { flashes: -1, onS: 0.25, offS: 0.25, flashWith: ["brake"] };
    expect(way(b, list)).toEqual([
      [0, 1],
      [2.25, 0],
      [2.5, 1],
      [2.75, 0],
      [3, 1],
    ]);
  });

  it("is brighter with what lifts it", () => {
    const list: WayInput[] = [
      { atS: 0, on: true, inputs: none, kmh: 0 },
      { atS: 2, on: true, inputs: new Set<Input>(["brake"]), kmh: 0 },
      { atS: 3, on: true, inputs: new Set<Input>(["left"]), kmh: 0 },
    ];
    expect(way({ level: 0.1, boostLevel: 1, boostWith: ["brake"] }, list)).toEqual([
      [0, 0.1],
      [2, 1],
      [3, 0.1],
    ]);
  });

  it("is silent while something else is on, and for its hold after", () => {
    const list: WayInput[] = [
      { atS: 0, on: true, inputs: none, kmh: 0 },
      { atS: 2, on: true, inputs: new Set<Input>(["left"]), kmh: 0 },
      { atS: 3, on: true, inputs: none, kmh: 0 },
    ];
    expect(way({ offWith: ["left"], offHoldS: 1.5 }, list)).toEqual([
      [0, 1],
      [2, 0],
      [4.5, 1],
    ]);
    expect(way({ offWith: ["left"] }, list.slice(0, 2))).toEqual([
      [0, 1],
      [2, 0],
    ]);
  });

  it("lets go of too much after 50 ms, tries again so often, then stays off", () => {
    const over: WayInput[] = [
      { atS: 0, on: false, inputs: none, kmh: 0, amps: 0 },
      { atS: 1, on: true, inputs: none, kmh: 0, amps: 9 },
    ];
    const b = { tripA: 8, retries: 1, retryS: 2 };
    expect(way(b, over)).toEqual([
      [0, 0],
      [1, 1],
      [1.05, 0],
      [3.05, 1],
      [3.1, 0],
    ]);
    const just = over.map((w) => ({ ...w, amps: 8 }));
    expect(way(b, just)).toEqual([
      [0, 0],
      [1, 1],
    ]);
    const later: WayInput[] = [
      ...over.map((w) => ({ ...w, amps: 1 })),
      { atS: 5, on: true, inputs: none, kmh: 0, amps: 9 },
    ];
    expect(way({ ...b, retries: 0 }, later)).toEqual([
      [0, 0],
      [1, 1],
      [5.05, 0],
    ]);
  });

  it("comes up softly in eighths from dark, and not where it is on already", () => {
    expect(way({ softS: 0.8 }, told(1, 4))).toEqual([
      [0, 0],
      ...Array.from({ length: 8 }, (_, k) => [Number((1 + k / 10).toFixed(6)), (k + 1) / 8]),
      [4, 0],
    ]);
    expect(way({ softS: 0.8 }, told(1, 1.25)).map(([atS]) => atS)).toEqual([0, 1, 1.1, 1.2, 1.25]);
  });

  it("knows nothing after the end", () => {
    expect(way({ runOnS: 5 }, told(1, 4), 6)).toEqual([
      [0, 0],
      [1, 1],
    ]);
  });
});
