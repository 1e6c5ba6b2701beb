/**
 * Every rule on the smallest job that breaks it, and silent on its sound twin. What a rule
 * says is a fact of the trade unless its own file names a source.
 */
import {
  allOf,
  append,
  asId,
  measured,
  setCircuit,
  type Bond,
  type BondId,
  type Edit,
  type FastenerId,
  type Feed,
  type Finding,
  type Job,
  type PinId,
  type StepId,
} from "../src/index.ts";
import { LITTER, PORTER, demoPart } from "../src/demo/index.ts";
import { behind, edited, findingsOf, jobWith, RUN, switchPart } from "./helpers.ts";

const own = allOf("switch");

const keyed = allOf("switch", "key");

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

const step = (state: "on" | "off" | "back", back: number): Job => {
  let job = jobWith("bar-40", 1, keyed);
  const stepId = asId<StepId>("seat");
  job = edited(
    job,
    append(job, "stripStep", {
      id: stepId,
      name: "seat",
      after: [],
      covers: [],
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
        setCircuit(RUN, "onIdle", 1),
        setCircuit(RUN, "onTown", 1),
        setCircuit(RUN, "onCruise", 1),
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
