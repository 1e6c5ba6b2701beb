/** Hidden faults, and what it is worth to find them. */
import {
  TestBench,
  measured,
  type Part,
  WRONG_NAME_MIN,
  bestProbing,
  complaintOf,
  diagnose,
  hideFault,
  isFound,
  minutesOf,
  scoreOf,
  seeded,
  seenRank,
  simulatedReading,
  takeProbe,
  type Evidence,
  type Exercise,
  type FaultSuspect,
  type Probe,
  type Testable,
} from "../src/index.ts";
import { PORTER, demoPart } from "../src/demo/index.ts";
import { behind, plannedJobs } from "./helpers.ts";
import { isFault, pods, probesIn } from "./testing.ts";

const job = pods();
const bench = new TestBench(job);
const group = bench.groups[0] as Testable;
const faults = group.suspects.filter(isFault);
const fault = (kind: FaultSuspect["fault"], id: string): FaultSuspect =>
  faults.find((f) => f.fault === kind && f.elementIds[0] === id)!;
const hidden = (of: FaultSuspect): Exercise => ({
  ...{ group, fault: of },
  complaint: complaintOf(group, of)!,
});

describe("a complaint", () => {
  it("says what its owner sees, and no more", () => {
    const { words, evidence } = complaintOf(group, fault("open", "run-1.load1"))!;
    expect(words).toMatch(/^“With .*18 W flood pod 1 is dark\.”$/);
    expect(evidence).toHaveLength(1);
    expect(evidence[0]!.value).toBe(0);
    const both = complaintOf(group, fault("fuseBlown", "run-1.fuse"))!;
    expect(both.words).toMatch(/One more is not right either/);
  });

  it("speaks of a fuse that goes where a feed touches the frame, and of lights that stay on", () => {
    expect(complaintOf(group, fault("chafed", "run-1.feed"))!.words).toMatch(/a fuse goes at once/);
    expect(complaintOf(group, fault("relayStuck", "run-1.contact"))!.words).toMatch(/is lit/);
  });

  it("is a flat battery where all that is wrong draws while everything is off", () => {
    const complaint = (idleA: number, is: FaultSuspect["fault"]) => {
      const part = { ...demoPart("converter-60-12"), idleA: measured(idleA) } as Part;
      const fed = behind(part, "pod-18", 1, PORTER, { gate: "key" });
      const [its] = new TestBench(fed).groups;
      const of = its!.suspects
        .filter(isFault)
        .find((f) => f.fault === is && f.id.includes("supply"))!;
      return complaintOf(its!, of);
    };
    // The relay of a converter's input, stuck: its lamp has a switch of its own and stays dark.
    expect(complaint(0.12, "relayStuck")).toEqual({
      words: "“Everything works, but after some days the battery is flat.”",
      evidence: [],
    });
    // A few milliamps nobody notices within weeks.
    expect(complaint(0.02, "relayStuck")).toBeNull();
    expect(complaint(0.12, "relayDead")?.words).toMatch(/is dark/);
  });

  it("counts what else is not right: none, one, or others", () => {
    const wrong = (of: FaultSuspect): number => {
      const looked = group.runs
        .flatMap((run) => run.probes)
        .filter((probe) => probe.at.kind === "look" && probe.bench.reads(of, probe) !== null)
        .filter(
          (probe) =>
            seenRank(probe.bench.reads(of, probe)!) !== seenRank(probe.bench.sound(probe).value),
        );
      return new Set(looked.map((probe) => probe.words)).size;
    };
    const endings = new Map<number, RegExp>([
      [1, /\.”$/],
      [2, / One more is not right either\.”$/],
      [3, / Others are not right either\.”$/],
    ]);
    const told = faults.flatMap((of) => {
      const words = complaintOf(group, of)?.words ?? "";
      return words.includes(" is ") ? [{ words, count: Math.min(3, wrong(of)) }] : [];
    });
    expect(told.length).toBeGreaterThan(5);
    for (const { words, count } of told) {
      expect(words).toMatch(endings.get(count)!);
      expect(words.includes("either")).toBe(count > 1);
    }
  });

  it("is none where nobody would notice", () => {
    // A joint of 2 Ω before a coil of some 90 Ω: it pulls as before.
    expect(complaintOf(group, fault("badJoint", "run-1.coilReturn"))).toBeNull();
  });
});

describe("a hidden fault", () => {
  it("is of its level, one that is noticed, and as often as such faults happen", () => {
    const chance = seeded(7);
    const counts = new Map<string, number>();
    for (let i = 0; i < 2000; i += 1) {
      const exercise = hideFault(bench, "any", chance)!;
      counts.set(exercise.fault.id, (counts.get(exercise.fault.id) ?? 0) + 1);
    }
    const noticed = faults.filter((f) => complaintOf(group, f));
    expect([...counts.keys()].every((id) => noticed.some((f) => f.id === id))).toBe(true);
    const [a, b] = [fault("groundLost", "run-1.returnLug"), fault("open", "run-1.load")];
    const ratio = counts.get(a.id)! / counts.get(b.id)! / (a.prior / b.prior);
    expect(ratio).toBeGreaterThan(0.7);
    expect(ratio).toBeLessThan(1.4);
  });

  it("of the level of what is weak is never a plain break", () => {
    for (let seed = 1; seed < 40; seed += 1) {
      const { fault: of } = hideFault(bench, "weak", seeded(seed))!;
      expect(["badJoint", "chafed", "switchStuck", "relayStuck", "shorted"]).toContain(of.fault);
      const { fault: dark } = hideFault(bench, "dark", seeded(seed))!;
      expect(["open", "fuseBlown", "groundLost", "switchOpen", "relayDead"]).toContain(dark.fault);
    }
  });

  it("is found, by its own name or one that no tip can tell from it", () => {
    const blown = hidden(fault("fuseBlown", "run-1.fuse"));
    expect(isFound(blown, "run-1.fuse:fuseBlown")).toBe(true);
    expect(isFound(blown, "run-1.load1:open")).toBe(false);
    // A pigtail inside its sleeve and the lamp behind it read alike wherever a tip can go.
    const dead = hidden(fault("open", "run-1.load1"));
    const alike = faults.filter((f) => f.id !== dead.fault.id && isFound(dead, f.id));
    for (const other of alike) expect(other.words).toMatch(/pod 1/);
  });

  it("is there in every demo job that has circuits, at the level of what stays dark", () => {
    const none = plannedJobs()
      .filter((j) => j.runs.length > 0)
      .filter((j) => hideFault(new TestBench(j), "dark", seeded(3)) === null)
      .map((j) => j.card.title);
    expect(none).toEqual([]);
  });
});

describe("a probe", () => {
  const exercise = hidden(fault("open", "run-1.load"));
  const best = diagnose(group, exercise.complaint.evidence).next!;

  it("reads what the meter reads on the vehicle with its fault", () => {
    const judged = takeProbe(exercise, [], best.probe)!;
    expect(judged.evidence).toEqual(simulatedReading(exercise.fault, best.probe));
    expect(judged.minutes).toBe(minutesOf(best.probe, null));
  });

  it("is good where it is the best one, and wasted where it was asked already", () => {
    const first = takeProbe(exercise, [], best.probe)!;
    expect(first.verdict).toBe("good");
    expect(first.bits).toBeCloseTo(best.bits, 9);
    const again = takeProbe(exercise, [first.evidence], best.probe)!;
    expect(again).toMatchObject({ bits: 0, verdict: "wasted" });
  });

  it("is worth less the less it tells a minute: poor beside the best", () => {
    const judged = probesIn(group).map((probe) => takeProbe(exercise, [], probe)!);
    const most = Math.max(...judged.map((j) => j.bitsPerMinute));
    for (const { verdict, bitsPerMinute, bits } of judged) {
      const share = bitsPerMinute / most;
      if (bits < 0.02) expect(verdict).toBe("wasted");
      else if (share > 0.95) expect(verdict).toBe("good");
      else if (share < 0.15) expect(verdict).toBe("poor");
    }
    expect(new Set(judged.map((j) => j.verdict)).size).toBeGreaterThan(2);
  });

  it("counts no turn of the controls where the one before was in the same position", () => {
    const on = probesIn(group).filter((p) => p.state.id === best.probe.state.id);
    const [a, b] = on.filter((p) => p.at.kind === "volts") as [Probe, Probe];
    const first = takeProbe(exercise, [], a)!;
    const second = takeProbe(exercise, [first.evidence], b)!;
    expect(first.minutes).toBeGreaterThan(a.minutes);
    expect(second.minutes).toBe(b.minutes);
    expect(second.bitsPerMinute).toBeCloseTo(second.bits / b.minutes, 12);
  });

  it("costs the turn of the controls where it is in another position", () => {
    const [a, b] = [...new Set(probesIn(group).map((p) => p.state.id))];
    const inA = probesIn(group).filter((p) => p.state.id === a);
    const inB = probesIn(group).find((p) => p.state.id === b)!;
    expect(minutesOf(inA[1]!, inA[0]!)).toBe(inA[1]!.minutes);
    expect(minutesOf(inB, inA[0]!)).toBeGreaterThan(inB.minutes);
  });
});

/** The fewest minutes after which every suspect that is left is one that no probe parts: by trying all. */
function leastMinutes(exercise: Exercise, probes: readonly Probe[], depth: number): number {
  const settled = (taken: readonly Evidence[]): boolean => {
    const { ranked } = diagnose(exercise.group, [...exercise.complaint.evidence, ...taken]);
    const [first] = ranked;
    return first?.suspect.kind === "fault" && first.share > 0.8;
  };
  let least = Infinity;
  const walk = (taken: readonly Evidence[], minutes: number): void => {
    if (minutes >= least) return;
    if (settled(taken)) {
      least = minutes;
      return;
    }
    if (taken.length === depth) return;
    for (const probe of probes) {
      if (taken.some((t) => t.probe.id === probe.id)) continue;
      const reading = simulatedReading(exercise.fault, probe);
      const cost = minutesOf(probe, taken.at(-1)?.probe ?? null);
      if (reading) walk([...taken, reading], minutes + cost);
    }
  };
  walk([], 0);
  return least;
}

describe("the best probing", () => {
  it("takes less than three times the minutes of the luckiest way there is, found by trying all", () => {
    const found = [
      fault("fuseBlown", "run-1.fuse"),
      fault("groundLost", "run-1.returnLug"),
      fault("open", "run-1.load"),
    ].flatMap((of) => {
      const exercise = hidden(of);
      const best = bestProbing(exercise);
      const on = group.runs[0]!.states.at(-1)!.id;
      const few = probesIn(group).filter((p) => p.state.id === on);
      const least = leastMinutes(exercise, few, 2);
      return Number.isFinite(least) ? [best.minutes / Math.max(least, 0.5)] : [];
    });
    expect(found.length).toBeGreaterThan(0);
    for (const ratio of found) expect(ratio).toBeLessThan(3);
  });

  it("goes on while no fault stands out, and no probe longer", () => {
    const sure = (exercise: Exercise, taken: readonly Evidence[]): boolean => {
      const [first] = diagnose(group, [...exercise.complaint.evidence, ...taken]).ranked;
      return first?.suspect.kind === "fault" && first.share > 0.8;
    };
    const lengths = new Set<number>();
    for (const of of faults.filter((f) => complaintOf(group, f)).filter((_, i) => i % 3 === 0)) {
      const exercise = hidden(of);
      const { probes, minutes } = bestProbing(exercise);
      lengths.add(probes.length);
      const taken: Evidence[] = [];
      let spent = 0;
      for (const probe of probes) {
        expect(sure(exercise, taken)).toBe(false);
        const { next } = diagnose(group, [...exercise.complaint.evidence, ...taken]);
        expect(next!.probe).toBe(probe);
        spent += minutesOf(probe, taken.at(-1)?.probe ?? null);
        taken.push(simulatedReading(of, probe)!);
      }
      const end = diagnose(group, [...exercise.complaint.evidence, ...taken]);
      expect(sure(exercise, taken) || end.next === null).toBe(true);
      expect(minutes).toBeCloseTo(spent, 9);
    }
    expect(lengths.size).toBeGreaterThan(2);
  });

  it("is what a score is held against: 100 for its own way, less for each wrong name", () => {
    const exercise = hidden(fault("groundLost", "run-1.returnLug"));
    const { minutes } = bestProbing(exercise);
    expect(scoreOf(exercise, minutes, 0, true)).toBe(100);
    expect(scoreOf(exercise, 2 * Math.max(1, minutes), 0, true)).toBe(50);
    const wrong = scoreOf(exercise, minutes, 1, true);
    expect(wrong).toBe(
      Math.round((100 * Math.max(1, minutes)) / Math.max(1, minutes + WRONG_NAME_MIN)),
    );
    expect(scoreOf(exercise, minutes, 0, false)).toBe(0);
  });
});

describe("something pulled or parted", () => {
  it("is opened in the position: behind a pulled fuse there is nothing", () => {
    const runId = group.runs[0]!.runId;
    const on = group.runs[0]!.states.at(-1)!;
    const { id, words } = bench.partable(group).find((p) => p.id === "run-1.fuse")!;
    expect(words).toMatch(/5 A fuse of Test run pulled/);
    const probes = bench.probesParted(group, runId, on, id);
    const at = (node: string) =>
      probes.find(
        (p) => p.at.kind === "volts" && p.at.node === node && p.state.parted.length === 1,
      )!;
    const whole = probesIn(group).find(
      (p) => p.state.id === on.id && p.at.kind === "volts" && p.at.node === "run_1_fuse.out",
    )!;
    expect(whole.bench.reads(null, whole)).toBeGreaterThan(12);
    const after = at("run_1_fuse.out");
    expect(Math.abs(after.bench.reads(null, after)!)).toBeLessThan(0.1);
    const before = at("run_1_fuse.in");
    expect(before.bench.reads(null, before)).toBeGreaterThan(12);
    // With the fuse out nothing flows, fault or not.
    const clamp = probes.find((p) => p.at.kind === "amps" && p.at.elementId === "run-1.fuse")!;
    const chafed = fault("chafed", "run-1.feed");
    expect(clamp.bench.reads(chafed, clamp)).toBeLessThan(0.01);
    expect(bench.find(clamp.id)?.probe).toBe(clamp);
  });

  it("is nothing that the run does not have", () => {
    const { runId, states } = group.runs[0]!;
    expect(bench.probesParted(group, runId, states[0]!, "nowhere" as never)).toEqual([]);
  });
});
