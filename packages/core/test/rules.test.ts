/**
 * Every rule on the smallest job that breaks it, and silent on its sound twin. What a rule
 * says is a fact of the trade unless its own file names a source.
 */
import {
  RULES,
  allOf,
  append,
  asId,
  createSupply,
  measured,
  pinFuse,
  pinWire,
  setRun,
  setSupply,
  stated,
  type Bond,
  type BondId,
  type Edit,
  type FastenerId,
  type Feed,
  type Finding,
  type Job,
  type PinId,
  type RunId,
  type StepId,
  type SupplyId,
} from "../src/index.ts";
import { LITTER, PORTER, demoJobs, demoPart } from "../src/demo/index.ts";
import { RUN, edited, findingsOf, jobWith, mend, rulesOf, switchPart } from "./helpers.ts";

const own = allOf("switch");
const keyed = allOf("switch", "key");
const demo = (title: string): Job => demoJobs().find((j) => j.card.title === title)!;

const found = (job: Job, rule: string): Finding => {
  const finding = findingsOf(job).find((f) => f.rule === rule);
  if (!finding) throw new Error(`${rule} found nothing`);
  return finding;
};

const set = (entity: string, id: string, field: string, value: unknown): Edit =>
  ({ kind: "set", entity, id, field, value }) as Edit;
const setOnce = (entity: string, field: string, value: unknown): Edit =>
  ({ kind: "setOnce", entity, field, value }) as Edit;

const fromPin = (pinId: string): Feed => ({ kind: "pin", pinId: asId<PinId>(pinId) });
const S = asId<SupplyId>("supply");

function behind(partId: string, lampId: string, count: number, vehicle = PORTER): Job {
  let job = jobWith(lampId, count, own, {}, vehicle);
  const part = demoPart(partId);
  job = edited(job, append(job, "part", part));
  job = edited(job, append(job, "supply", createSupply(S, "Supply", part.id, vehicle)));
  return edited(job, setRun(RUN, "feed", { kind: "supply", supplyId: S }));
}

const step = (state: "on" | "off" | "back", back: number): Job => {
  let job = jobWith("bar-40", 1, keyed);
  const stepId = asId<StepId>("seat");
  job = edited(
    job,
    append(job, "stripStep", {
      id: stepId,
      name: "seat",
      after: [],
      catches: "",
      hold: false,
      paint: false,
      forget: "",
      estimateMin: 4,
      tookMin: 0,
      state,
    }),
  );
  job = edited(
    job,
    append(job, "fastener", {
      id: asId<FastenerId>("bolts"),
      stepId,
      drive: "hex",
      size: "M6",
      lengthMm: 20,
      count: 2,
      where: "rear",
      spots: [
        { x: 0.3, y: 0.5 },
        { x: 0.7, y: 0.5 },
      ],
      torqueNm: 10,
      locker: "none",
      back,
    }),
  );
  return edited(job, setOnce("card", "stage", "handOver"));
};

const bond = (fields: Partial<Bond>): Job => {
  const job = jobWith("bar-40", 1, keyed);
  return edited(
    job,
    append(job, "bond", {
      id: asId<BondId>("clips"),
      what: "clips",
      adhesive: "foamTape",
      surfaceC: 20,
      cleaned: true,
      dryFitted: true,
      marked: true,
      pressedAt: "",
      ...fields,
    }),
  );
};

interface Case {
  readonly rule: string;
  readonly severity: Finding["severity"];
  readonly wrong: () => Job;
  /** The same job put right by hand; left out where the remedy does it. */
  readonly right?: () => Job;
  /** What its title, figures or reason have to say. */
  readonly says: RegExp;
}

const CASES: readonly Case[] = [
  {
    rule: "fuse-above-weakest",
    severity: "stop",
    wrong: () => jobWith("bar-40", 1, keyed, { fuse: { kind: "rating", ratingA: 30 } }),
    says: /30 A/,
  },
  {
    rule: "fuse-below-draw",
    severity: "stop",
    wrong: () => jobWith("bar-120", 1, keyed, { fuse: { kind: "rating", ratingA: 5 } }),
    says: /5 A fuse opens in use/,
  },
  {
    rule: "fuse-far-from-battery",
    severity: "stop",
    wrong: () => jobWith("bar-40", 1, keyed, { fuseAtM: measured(0.9) }),
    says: /900 mm|0\.9 m/,
  },
  {
    rule: "switch-over-rating",
    severity: "stop",
    wrong: () =>
      jobWith("horn-3a", 2, own, { relay: "no", switchPartId: switchPart("switch-bar-5") }),
    says: /5 A/,
  },
  {
    rule: "contact-over-rating",
    severity: "stop",
    wrong: () =>
      jobWith("bar-120", 2, keyed, {
        relayPartId: demoPart("relay-10-micro").id,
        relay: "yes",
      }),
    says: /through a 10 A relay/,
  },
  {
    rule: "load-on-ignition",
    severity: "stop",
    wrong: () => jobWith("pod-18", 1, own, { feed: fromPin("key-feed"), relay: "no" }),
    says: /coil only/,
  },
  {
    rule: "tap-over-limit",
    severity: "stop",
    wrong: () => jobWith("bar-120", 1, own, { feed: fromPin("key-feed"), relay: "no" }),
    says: /More than the factory wire may give/,
  },
  {
    rule: "small-fuse-upstream",
    severity: "stop",
    wrong: () => jobWith("bar-120", 2, own, { feed: fromPin("key-feed"), relay: "no" }),
    says: /factory fuse/,
  },
  {
    rule: "drop-over-target",
    severity: "fix",
    wrong: () =>
      jobWith("bar-120", 1, keyed, {
        wire: "18 AWG",
        loadM: measured(4),
        fuse: { kind: "rating", ratingA: 15 },
      }),
    says: /Drop of .* %/,
  },
  {
    rule: "coil-diode-reversed",
    severity: "stop",
    wrong: () =>
      jobWith("bar-40", 1, keyed, {
        relayPartId: demoPart("relay-30-diode").id,
        relay: "yes",
        coilPlus: "85",
      }),
    says: /85|diode/,
  },
  {
    rule: "parked-draw",
    severity: "fix",
    wrong: () =>
      jobWith("bar-40", 1, own, { relay: "no", switchPartId: switchPart("switch-kit-tell") }),
    says: /will not start after/,
  },
  {
    rule: "kit-part-missing",
    severity: "fix",
    wrong: () => {
      const job = jobWith("bar-40", 1, keyed);
      return edited(
        job,
        append(job, "kitItem", { id: "grommet", name: "Grommet", needed: 2, inBox: 1 }),
      );
    },
    says: /Grommet missing/,
  },
  {
    rule: "pack-wiring",
    severity: "fix",
    wrong: () => jobWith("pod-18", 1, own, { return: "chassis" }, PORTER),
    right: () => jobWith("pod-18", 1, own, { return: "wire" }, LITTER),
    says: /frame/,
  },
  {
    rule: "string-spread",
    severity: "stop",
    wrong: () => {
      let job = jobWith("pod-plain-10", 3, own, { arrangement: "series" }, PORTER);
      const other = { ...demoPart("pod-plain-10"), id: asId("pod-plain-20") } as never;
      job = edited(job, append(job, "part", other));
      return edited(job, set("lamp", job.lamps[0]!.id, "partId", "pod-plain-20"));
    },
    says: /not alike/,
  },
  {
    rule: "block-tapped",
    severity: "fix",
    wrong: () => jobWith("path-red", 2, own, { feed: { kind: "block", blocks: 2 } }, PORTER),
    says: /drawn down more/,
  },
  {
    rule: "converter-fits",
    severity: "stop",
    wrong: () => behind("converter-48-12", "path-red", 2),
    right: () => behind("converter-60-12", "path-red", 2),
    says: /V/,
  },
  {
    rule: "lamp-volts",
    severity: "stop",
    wrong: () => jobWith("path-red", 1, own, {}, PORTER),
    right: () => behind("converter-60-12", "path-red", 2),
    says: /Too many volts/,
  },
  {
    rule: "charging-short",
    severity: "stop",
    wrong: () =>
      edited(
        jobWith("bar-120", 3, keyed),
        setRun(RUN, "onIdle", 1),
        setRun(RUN, "onTown", 1),
        setRun(RUN, "onCruise", 1),
      ),
    right: () => jobWith("path-red", 1, keyed, { onIdle: 0, onTown: 0, onCruise: 0 }),
    says: /may not start after minute|Charging falls short/,
  },
  {
    rule: "ledger-open",
    severity: "stop",
    wrong: () => step("off", 1),
    right: () => step("back", 2),
    says: /1 of 2 still out/,
  },
  {
    rule: "bond-not-yet",
    severity: "fix",
    wrong: () => bond({ surfaceC: 4 }),
    right: () => bond({ surfaceC: 20 }),
    says: /too cold for acrylic foam tape: 4 °C/,
  },
  {
    rule: "box-fits",
    severity: "stop",
    wrong: () => behind("module-brake-steady", "bar-120", 2, LITTER),
    right: () => behind("module-brake-steady", "path-red", 1, LITTER),
    says: /more than channel 1 carries/,
  },
  {
    rule: "led-strips",
    severity: "fix",
    wrong: () => {
      const job = jobWith("strip-red-metre", 1, keyed);
      return edited(job, set("lamp", job.lamps[0]!.id, "lengthM", 0.533));
    },
    says: /between two marks/,
  },
];

describe.each(CASES.map((c) => [c.rule, c] as const))("%s", (rule, c) => {
  const told = (): Finding =>
    findingsOf(c.wrong()).filter((f) => f.rule === rule && f.severity === c.severity)[0] ??
    found(c.wrong(), rule);

  it("is found, as grave as it is, with its place and its reason", () => {
    const finding = told();
    expect(finding.severity).toBe(c.severity);
    const figures = finding.figures.map((f) => `${f.label} ${f.value} ${f.limit}`).join("; ");
    expect(`${finding.title} ${figures} ${finding.why} ${finding.place.words}`).toMatch(c.says);
    expect(finding.place.words).not.toBe("");
    expect(finding.why.length).toBeGreaterThan(20);
    expect(finding.source).not.toBe("");
  });

  it("is gone when it is put right", () => {
    if (c.right) {
      const left = findingsOf(c.right()).filter((f) => f.rule === rule);
      expect(left.filter((f) => f.severity === c.severity)).toEqual([]);
      return;
    }
    const before = told();
    expect(before.remedies.length).toBeGreaterThan(0);
    const mended = edited(c.wrong(), ...before.remedies[0]!.edits);
    const left = findingsOf(mended).filter(
      (f) => f.rule === rule && f.severity === c.severity && f.title === before.title,
    );
    expect(left).toEqual([]);
  });
});

describe("rules together", () => {
  it("each have an id of their own and a source", () => {
    expect(new Set(RULES.map((r) => r.id)).size).toBe(RULES.length);
    for (const rule of RULES) {
      expect(rule.id).toMatch(/^[a-z]+(-[a-z]+)*$/);
      expect(rule.source).not.toBe("");
    }
  });

  it("find nothing to stop for in the demo jobs that were planned rightly", () => {
    for (const title of [
      "Lambing-watch bar and pods",
      "Box lamp: run, turn, brake",
      "Side floods and rear work lamp",
      "Twin horns and work lamp",
    ]) {
      expect({ title, stops: rulesOf(demo(title), "stop") }).toEqual({ title, stops: [] });
    }
  });

  it("offer no remedy that the document refuses, in any demo job", () => {
    for (const job of demoJobs()) {
      for (const finding of findingsOf(job)) {
        for (const remedy of finding.remedies) {
          expect(remedy.label).not.toBe("");
          expect(() => edited(job, ...remedy.edits)).not.toThrow();
        }
      }
    }
  });

  it("never make something worse with a remedy: as many stops or fewer after it", () => {
    for (const job of demoJobs()) {
      const before = rulesOf(job, "stop").length;
      for (const finding of findingsOf(job).filter((f) => f.severity === "stop")) {
        for (const remedy of finding.remedies) {
          const after = rulesOf(edited(job, ...remedy.edits), "stop").length;
          expect({ job: job.card.title, remedy: remedy.label, worse: after > before }).toEqual({
            job: job.card.title,
            remedy: remedy.label,
            worse: false,
          });
        }
      }
    }
  });

  it("tell each finding's place by a run that is there, or by words alone", () => {
    for (const job of demoJobs()) {
      const owners = new Set<string>([
        ...job.runs.map((r) => r.id),
        ...job.supplies.map((s) => s.id),
        ...job.controls.map((c) => c.id),
      ]);
      for (const { place, rule } of findingsOf(job)) {
        if (place.runId === null) expect(place.words).not.toBe("");
        else expect({ rule, there: owners.has(place.runId) }).toEqual({ rule, there: true });
      }
    }
  });
});

describe("pins that a person sets", () => {
  const bar = jobWith("bar-40", 1, keyed);

  it("stand, and are judged rather than changed", () => {
    const pinned = edited(
      bar,
      pinFuse(RUN, { kind: "rating", ratingA: 30 }),
      pinWire(RUN, "20 AWG"),
    );
    expect(pinned.runs[0]!.fuse).toEqual({ kind: "rating", ratingA: 30 });
    expect(rulesOf(pinned, "stop")).toContain("fuse-above-weakest");
    expect(found(pinned, "fuse-above-weakest").title).toContain("30 A");
  });

  it("are let go one by one by the remedies until nothing is left to stop for", () => {
    let job = edited(bar, pinFuse(RUN, { kind: "rating", ratingA: 30 }), pinWire(RUN, "22 AWG"));
    for (let i = 0; i < 6 && rulesOf(job, "stop").length > 0; i += 1) {
      job = mend(job, rulesOf(job, "stop")[0]!);
    }
    expect(rulesOf(job, "stop")).toEqual([]);
  });

  it("of a run that is gone are refused with its name", () => {
    expect(() => edited(bar, pinFuse("ghost" as RunId, { kind: "auto" }))).toThrow(/ghost/);
  });
});

describe("figures of findings", () => {
  it("grow with the cause: twice the lamps, about twice the draw", () => {
    const draw = (count: number): number => {
      const job = jobWith("bar-120", count, keyed, { fuse: { kind: "rating", ratingA: 2 } });
      return parseFloat(found(job, "fuse-below-draw").figures[0]!.value);
    };
    expect(draw(2) / draw(1)).toBeCloseTo(2, 1);
    expect(draw(3) / draw(1)).toBeCloseTo(3, 1);
  });

  it("drop goes with the length, by Ohm's law", () => {
    const drop = (m: number): number => {
      const job = jobWith("bar-120", 1, keyed, {
        wire: "18 AWG",
        loadM: measured(m),
        feedM: measured(0.1),
        branchM: measured(0.1),
        fuse: { kind: "rating", ratingA: 15 },
      });
      return parseFloat(found(job, "drop-over-target").figures[0]!.value);
    };
    const [two, four, six] = [drop(2), drop(4), drop(6)];
    // A lamp with a driver draws more as its volts fall: a little over linear, never under.
    expect(six - four).toBeGreaterThanOrEqual((four - two) * 0.98);
    expect(six - four).toBeLessThan((four - two) * 1.6);
  });

  it("days parked go as one over the current that is left on", () => {
    const days = (amps: number): number => {
      const job = edited(
        jobWith("path-red", 1, keyed),
        set("baseLoad", "clock", "currentA", measured(amps)),
        set("baseLoad", "clock", "parked", 1),
      );
      const text = found(job, "parked-draw").title;
      const [low, high] = text.match(/[\d.]+/g)!.map(Number) as [number, number?];
      return high === undefined ? low : (low + high) / 2;
    };
    expect(days(0.1) / days(0.2)).toBeCloseTo(2, 0);
  });
});

describe("a supply's own feed", () => {
  it("on the key needs a wire that is live with the key", () => {
    const job = behind("converter-60-12", "path-red", 2);
    const keyedSupply = edited(job, setSupply(S, "gate", "key"));
    const bare = {
      ...keyedSupply,
      vehicle: { ...keyedSupply.vehicle, pins: [], connectors: [] },
    };
    const rules = rulesOf(bare);
    expect(rules).toContain("not-buildable");
    expect(rulesOf(keyedSupply, "stop")).toEqual([]);
  });

  it("is told with its idle current while it is never off", () => {
    const always = edited(behind("converter-60-12", "path-red", 2), setSupply(S, "gate", "always"));
    const idle = findingsOf(always).filter((f) => /mA/.test(JSON.stringify(f.figures)));
    expect(idle.length).toBeGreaterThan(0);
  });
});

describe("bounds", () => {
  it("a fact known better never makes a verdict less sure", () => {
    const wide = jobWith("bar-120", 1, keyed, { loadM: { ...stated(2), low: 0.5, high: 6 } });
    const narrow = edited(wide, setRun(RUN, "loadM", measured(2)));
    const notes = (job: Job): number =>
      findingsOf(job).filter((f) => f.rule === "drop-over-target").length;
    expect(notes(narrow)).toBeLessThanOrEqual(notes(wide));
  });
});
