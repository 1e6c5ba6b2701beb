import {
  TestBench,
  alikeTo,
  diagnose,
  scriptOf,
  simulatedReading,
  soundRange,
  seeded,
  type Diagnosis,
  type Evidence,
  type FaultSuspect,
  type Probe,
  type Testable,
} from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";

type Choose = (found: Diagnosis, group: Testable, left: readonly Probe[]) => Probe | null;

export interface Strategy {
  readonly name: string;
  /** Probes until the true fault stands first, or is tied with those that no probe parts. */
  readonly counts: readonly number[];
  /** Probes allowed in the median for the suspects that there were, fault by fault. */
  readonly allowed: readonly number[];
  readonly lost: number;
}

export interface DiagnosisFigures {
  readonly strategies: readonly Strategy[];
  readonly readingMs: number;
  readonly scriptMs: number;
}

const MOST_PROBES = 30;
/** Faults tried of each group; every so many, so that all kinds are among them. */
const MOST_FAULTS = 12;

const isFault = (suspect: { readonly kind: string }): suspect is FaultSuspect =>
  suspect.kind === "fault";

/** Cuts the suspects that are left in halves, as one does by hand along the wire. */
const halving: Choose = ({ ranked }, _group, left) => {
  const likely = ranked.filter(({ share }) => share > 0.01).map(({ suspect }) => suspect);
  let best: Probe | null = null;
  let nearest = Infinity;
  for (const probe of left) {
    if (probe.at.kind !== "volts" || probe.state.id === "off") continue;
    const sound = probe.bench.sound(probe);
    const moved = likely.filter((suspect) => {
      const e = probe.bench.expects(suspect, probe);
      return Math.abs(e.value - sound.value) > 3 * Math.hypot(e.sigma, sound.sigma);
    }).length;
    const distance = Math.abs(moved - likely.length / 2);
    if (distance < nearest) [best, nearest] = [probe, distance];
  }
  return best;
};

const random = (): Choose => {
  const chance = seeded(7);
  return (_found, _group, left) => left[Math.floor(chance() * left.length)] ?? null;
};

const byInformation: Choose = ({ next }) => next?.probe ?? null;

/** What brings it in: a lamp that does otherwise than it should, or a step of the script that is off. */
function complaint(group: Testable, probes: readonly Probe[], fault: FaultSuspect): Evidence[] {
  const seen = probes.find((probe) => {
    if (probe.at.kind !== "look") return false;
    const value = probe.bench.reads(fault, probe);
    return value !== null && Math.abs(value - probe.bench.sound(probe).value) > 0.3;
  });
  const reading = seen && simulatedReading(fault, seen);
  if (reading) return [reading];
  for (const { probe } of scriptOf(group).steps) {
    const read = simulatedReading(fault, probe);
    const [low, high] = soundRange(probe);
    if (read && (read.value < low || read.value > high)) return [read];
  }
  return [];
}

function follow(group: Testable, fault: FaultSuspect, choose: Choose): number | null {
  const probes = group.runs.flatMap((run) => [...run.probes]);
  const evidence = complaint(group, probes, fault);
  const first = evidence.length;
  let found = diagnose(group, evidence);
  for (;;) {
    const top = found.ranked[0];
    const mine = found.ranked.find(({ suspect }) => suspect.id === fault.id);
    const tied = top && mine && mine.share > 0.5 * top.share;
    const sure = top?.suspect.id === fault.id && top.share > 0.5;
    // What no probe parts from it is as good as it: both are looked at.
    const alike = top && mine && alikeTo(fault, [top.suspect], probes).length > 0;
    const asked = new Set(evidence.map(({ probe }) => probe.id));
    if (sure || alike || (tied && !found.next)) return evidence.length - first;
    const probe = choose(
      found,
      group,
      probes.filter(({ id }) => !asked.has(id)),
    );
    if (!probe || evidence.length - first >= MOST_PROBES)
      return tied ? evidence.length - first : null;
    const reading = simulatedReading(fault, probe);
    if (!reading) return null;
    evidence.push(reading);
    found = diagnose(group, evidence);
  }
}

/** Faults of every job of the demo shop, found by three ways to choose where to probe. */
export function benchDiagnosis(): DiagnosisFigures {
  const ways: readonly { readonly name: string; readonly choose: Choose }[] = [
    { name: "by information for its minutes", choose: byInformation },
    { name: "halving along the wire, by hand", choose: halving },
    { name: "anywhere, by chance", choose: random() },
  ];
  const tally = ways.map(({ name }) => ({
    name,
    counts: [] as number[],
    allowed: [] as number[],
    lost: 0,
  }));
  let scriptMs = 0;
  let readingMs = 0;
  for (const job of demoJobs()) {
    const began = performance.now();
    const bench = new TestBench(job);
    const scripts = bench.groups.map((group) => scriptOf(group));
    scriptMs = Math.max(scriptMs, performance.now() - began);
    bench.groups.forEach((group, i) => {
      const hidden = new Set(scripts[i]?.hidden);
      const weighty = group.suspects.filter(isFault).filter((fault) => !hidden.has(fault));
      const step = Math.max(1, Math.ceil(weighty.length / MOST_FAULTS));
      const tried = weighty.filter((_, n) => n % step === 0);
      const allowed = Math.ceil(Math.log2(group.suspects.length)) + 2;
      for (const fault of tried) {
        ways.forEach(({ choose }, w) => {
          const start = performance.now();
          const count = follow(group, fault, choose);
          const list = tally[w];
          if (!list) return;
          if (count === null) list.lost += 1;
          else list.counts.push(count);
          list.allowed.push(allowed);
          if (w === 0)
            readingMs = Math.max(
              readingMs,
              (performance.now() - start) / Math.max(1, (count ?? MOST_PROBES) + 1),
            );
        });
      }
    });
  }
  return { strategies: tally, readingMs, scriptMs };
}
