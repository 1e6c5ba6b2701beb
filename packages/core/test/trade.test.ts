/**
 * Facts of the trade, all common practice: what any installer would say of these jobs.
 */
import { allOf, asId, checkedCircuit, measured, pinFuse, type PinId } from "../src/index.ts";
import { demoPart } from "../src/demo/index.ts";
import { RUN, edited, findingsOf, jobWith, mend, rulesOf, switchPart } from "./helpers.ts";

const keyedSwitch = allOf("switch", "key");

/** A horn sounds for moments: nothing of a ride. */
const MOMENTS = { onEngineOff: 0, onIdle: 0, onTown: 0, onCruise: 0 };

describe("two 3 A horns through a 5 A switch and fuse", () => {
  const horns = jobWith("horn-3a", 2, allOf("switch"), {
    relay: "no",
    switchPartId: switchPart("switch-bar-5"),
    fuse: { kind: "rating", ratingA: 5 },
    ...MOMENTS,
  });

  it("is refused for the switch and for the fuse", () => {
    expect(rulesOf(horns, "stop")).toEqual(
      expect.arrayContaining(["switch-over-rating", "fuse-below-draw"]),
    );
  });

  it("passes when the switch works a relay: one press", () => {
    const mended = mend(horns, "switch-over-rating");
    expect(rulesOf(mended, "stop")).toEqual([]);
    const { choices } = checkedCircuit(mended).circuit;
    // Two horns at their upper bound, 6.6 A, to 80 % at most: the shop's usual school.
    expect(choices.find((c) => c.kind === "fuse")?.picked).toBe("10 A");
  });

  it("takes 7.5 A as the smallest fuse that passes, and 10 A passes too", () => {
    const relayed = edited(horns, ...findingsOf(horns)[0]!.remedies[0]!.edits);
    const base = jobWith("horn-3a", 2, allOf("switch"), { relay: "yes", ...MOMENTS });
    const stops = (ratingA: number): string[] =>
      rulesOf(edited(base, pinFuse(RUN, { kind: "rating", ratingA })), "stop");
    expect(relayed).toBeDefined();
    expect(stops(5)).toContain("fuse-below-draw");
    expect(stops(7.5)).toEqual([]);
    expect(stops(10)).toEqual([]);
  });
});

describe("a 20 A bar behind a 10 A keyed fuse", () => {
  const bar = {
    ...demoPart("bar-120"),
    id: asId<ReturnType<typeof demoPart>["id"]>("bar-240"),
    load: { kind: "drivenLed" as const, powerW: measured(240), minV: 9, maxV: 32 },
    pigtail: "10 AWG",
  };
  const job = jobWith(bar, 1, keyedSwitch, {
    feed: { kind: "pin", pinId: asId<PinId>("key-feed") },
    relay: "no",
    switchPartId: switchPart("switch-rocker-16"),
  });

  it("is refused: on the ignition, over the factory fuse, over the tap", () => {
    expect(rulesOf(job, "stop")).toEqual(
      expect.arrayContaining(["load-on-ignition", "small-fuse-upstream", "tap-over-limit"]),
    );
  });

  it("offers a relay fed from the battery with a keyed coil, in one press", () => {
    const mended = mend(job, "load-on-ignition");
    const { circuit } = checkedCircuit(mended);
    const [run] = circuit.runs;
    expect(run?.source.kind).toBe("battery");
    expect(run?.coil).not.toBeNull();
    const tap = circuit.choices.find((c) => c.kind === "tap");
    expect(tap?.reason).toContain("key on");
    // The circuit is sound; what is left is that this quad cannot charge 20 A at cruise.
    expect(rulesOf(mended, "stop")).toEqual(["charging-short"]);
  });

  it("keeps off the ignition wire when another keyed wire is known", () => {
    const tap = checkedCircuit(mend(job, "load-on-ignition")).circuit.choices.find(
      (c) => c.kind === "tap",
    );
    expect(tap?.picked).toContain("accessory outlet");
  });
});

describe("a tell-tale of 0.2 A left live", () => {
  const job = jobWith("bar-40", 1, allOf("switch"), {
    switchPartId: switchPart("switch-kit-tell"),
  });

  it("is reported with days to no-start: half of 14 Ah at 0.2 A is a day and a half", () => {
    const finding = findingsOf(job).find((f) => f.rule === "parked-draw");
    expect(finding?.severity).toBe("fix");
    expect(finding?.title).toMatch(/will not start after \d/);
    const { parked } = checkedCircuit(job).budget;
    // 14 Ah × 0.5 / (0.2 A + 3 mA clock) / 24 h, by hand.
    expect(parked?.days?.mid).toBeCloseTo((14 * 0.5) / 0.203 / 24, 6);
    expect(parked!.days!.low).toBeLessThan(parked!.days!.mid);
    expect(parked!.days!.high).toBeGreaterThan(parked!.days!.mid);
  });

  it("goes away when the run is keyed: one press", () => {
    const mended = mend(job, "parked-draw");
    expect(rulesOf(mended)).not.toContain("parked-draw");
    expect(checkedCircuit(mended).circuit.runs[0]?.coil).not.toBeNull();
  });

  it("does not count a tell-tale that is lit only when on", () => {
    const lit = jobWith("bar-40", 1, allOf("switch"), {
      switchPartId: switchPart("switch-lit-12"),
    });
    expect(rulesOf(lit)).not.toContain("parked-draw");
  });
});

describe("a 30 A fuse on thin wire", () => {
  const broken = jobWith("bar-40", 1, keyedSwitch, {
    fuse: { kind: "rating", ratingA: 30 },
    wire: "18 AWG",
  });

  it("is refused, naming the wire and the fuse", () => {
    const finding = findingsOf(broken).find((f) => f.rule === "fuse-above-weakest");
    expect(finding?.severity).toBe("stop");
    expect(finding?.title).toContain("30 A fuse");
    expect(finding?.place.words).toContain("18 AWG");
  });

  it("is mended in one press", () => {
    expect(rulesOf(mend(broken, "fuse-above-weakest"), "stop")).toEqual([]);
  });
});

describe("polarity of the coil", () => {
  it("switches the positive or the ground side, as both are used", () => {
    for (const coil of ["positive", "negative"] as const) {
      const { circuit } = checkedCircuit(jobWith("bar-40", 1, keyedSwitch, { coil }));
      const kinds = circuit.runs[0]!.coil!.path.map((id) => circuit.elements.get(id)!.kind);
      const [at, coilAt] = [kinds.indexOf("switch"), kinds.indexOf("coil")];
      expect(coil === "positive" ? at < coilAt : coilAt < at).toBe(true);
    }
  });

  it("refuses a diode relay with 85 positive, and only that", () => {
    const withRelay = (relay: string, coilPlus: "85" | "86") =>
      rulesOf(
        jobWith("bar-40", 1, keyedSwitch, { relayPartId: switchPart(relay), coilPlus }),
        "stop",
      );
    expect(withRelay("relay-30-diode", "85")).toEqual(["coil-diode-reversed"]);
    expect(withRelay("relay-30-diode", "86")).toEqual([]);
    expect(withRelay("relay-30", "85")).toEqual([]);
  });
});

describe("a fuse far from the battery", () => {
  it("is refused beyond 200 mm and mended in one press", () => {
    const job = jobWith("bar-40", 1, keyedSwitch, { fuseAtM: measured(0.6) });
    expect(rulesOf(job, "stop")).toEqual(["fuse-far-from-battery"]);
    expect(rulesOf(mend(job, "fuse-far-from-battery"), "stop")).toEqual([]);
  });

  it("is refused when there is none", () => {
    const job = jobWith("bar-40", 1, keyedSwitch, { fuse: { kind: "none" } });
    expect(rulesOf(job, "stop")).toContain("fuse-far-from-battery");
    expect(rulesOf(mend(job, "fuse-far-from-battery"), "stop")).toEqual([]);
  });
});
