/** What a finding tells: no number passes the limit beside it, no name is one of the program's own. */
import {
  RULES,
  allOf,
  checkedCircuit,
  exactly,
  interval,
  synthesise,
  type Figure,
  type Interval,
  type Job,
} from "../src/index.ts";
import { chanceOf, demoJobs, randomJob } from "../src/demo/index.ts";
import { findingsOf, jobWith } from "./helpers.ts";

const JOBS: readonly Job[] = [
  ...demoJobs(),
  ...Array.from({ length: 60 }, (_, i) => randomJob(chanceOf(5000 + i))),
];

const number = (text: string): number => Number(text.replace("−", "-"));

/** Whether a figure, as it is read, keeps to its own limit; null where either is no plain number. */
function passes({ value, limit }: Figure): boolean | null {
  const is = /^(−?[\d.]+)( [^\d\s]+)?$/.exec(value);
  const most = /^at most (−?[\d.]+)( [^\d\s,]+)?(,|$)/.exec(limit);
  const least = /^(?:at least )(−?[\d.]+)( [^\d\s,]+)?(,|$)/.exec(limit);
  if (!is || (!most && !least)) return null;
  if (most && (most[2] ?? "") === (is[2] ?? "")) return number(is[1]!) <= number(most[1]!);
  if (least && (least[2] ?? "") === (is[2] ?? "")) return number(is[1]!) >= number(least[1]!);
  return null;
}

describe("a finding", () => {
  const told = JOBS.flatMap((job) =>
    findingsOf(job).flatMap((finding) =>
      finding.figures.map((figure) => ({ rule: finding.rule, figure })),
    ),
  );

  it("has no number that passes the limit beside it", () => {
    const judged = told.filter(({ figure }) => passes(figure) !== null);
    expect(judged.length).toBeGreaterThan(50);
    // Of several figures one may be sound and told for what the others mean.
    const wrong = judged.filter(({ figure }) => passes(figure) === true);
    expect(wrong).toEqual([]);
  });

  it("names terminals as people do, and never by the program's own ids", () => {
    for (const job of JOBS) {
      const own = [...synthesise(job).elements.values()].flatMap(({ from, to }) => [from, to]);
      const ids = new Set<string>(own.filter((id) => id.includes(".")));
      for (const finding of findingsOf(job)) {
        const words = [finding.place.words, finding.title, finding.why].join(" ");
        expect(words.split(/[\s,():]+/).filter((word) => ids.has(word))).toEqual([]);
      }
    }
  });
});

describe("what is drawn while parked", () => {
  const job = jobWith("pod-18", 1, allOf("switch"));
  const rule = RULES.find(({ id }) => id === "parked-draw")!;
  const told = (currentA: Interval, days: Interval) => {
    const checked = checkedCircuit(job);
    const parked = { items: [], currentA, days, agedDays: null };
    const budget = { ...checked.budget, parked };
    return rule
      .check({ ...checked, job, budget, worst: null, top: null, empty: null })
      .map(({ severity, title, figures: [figure] }) => ({ severity, title, figure }));
  };

  // Days go as one over the current: 20 mA for 10 days are 14.3 mA for 14.
  it("is to be mended where it surely stands less than two weeks", () => {
    expect(told(exactly(0.02), exactly(10))).toEqual([
      {
        severity: "fix",
        title: "Parked draw: will not start after 10 days",
        figure: {
          ...{ label: "parked draw", value: "20 mA" },
          limit: "at most 14 mA, to stand 14 days",
        },
      },
    ]);
  });

  it("is noted where it may, by the most that it may draw", () => {
    const [only, ...more] = told(interval(0.008, 0.01, 0.02), interval(10, 20, 30));
    expect(more).toEqual([]);
    expect(only).toMatchObject({
      severity: "note",
      title: "Parked draw: may not start after 10–30 days",
      figure: { value: "20 mA", limit: "at most 14 mA, to stand 14 days" },
    });
  });

  it("is nothing where it surely stands so long, or reads as what is allowed", () => {
    expect(told(exactly(0.02), exactly(14))).toEqual([]);
    expect(told(exactly(0.02), interval(14, 20, 30))).toEqual([]);
    expect(told(exactly(0.0201), exactly(13.9))).toEqual([]);
  });
});
