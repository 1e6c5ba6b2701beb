import {
  TURN_MIN,
  alikeTo,
  diagnose,
  simulatedReading,
  soundRange,
  worthOf,
  type Evidence,
  type FaultSuspect,
  type NextProbe,
  type Probe,
  type TestBench,
  type Testable,
} from "../diagnosis/index.ts";
import { pickByWeight, type Chance } from "./chance.ts";
import { complaintOf, type Complaint } from "./complaint.ts";

/** From what stays dark, over anything that can be noticed, to what is weak, sticks or chafes. */
export const LEVELS = ["dark", "any", "weak"] as const;
/** How hard an exercise is. */
export type Level = (typeof LEVELS)[number];

const OF_LEVEL: Readonly<Record<Level, (fault: FaultSuspect) => boolean>> = {
  dark: ({ fault }) =>
    ["open", "fuseBlown", "groundLost", "switchOpen", "relayDead"].includes(fault),
  any: () => true,
  weak: ({ fault }) =>
    ["badJoint", "chafed", "switchStuck", "relayStuck", "shorted"].includes(fault),
};

/** A vehicle with a fault hidden in it, and what its owner says of it. */
export interface Exercise {
  readonly group: Testable;
  readonly fault: FaultSuspect;
  readonly complaint: Complaint;
}

/**
 * Hides a fault that somebody would notice, as often as such faults happen. Null where the job
 * has none of the level.
 */
export function hideFault(bench: TestBench, level: Level, chance: Chance): Exercise | null {
  const left = bench.groups.flatMap((group) =>
    group.suspects.flatMap((fault) =>
      fault.kind === "fault" && OF_LEVEL[level](fault) ? [{ group, fault }] : [],
    ),
  );
  while (left.length > 0) {
    const chosen = pickByWeight(left, ({ fault }) => fault.prior, chance);
    if (!chosen) return null;
    const complaint = complaintOf(chosen.group, chosen.fault);
    if (complaint) return { ...chosen, complaint };
    left.splice(left.indexOf(chosen), 1);
  }
  return null;
}

/** Minutes of a probe after the one before it: its own, and turning controls where they stand otherwise. */
export const minutesOf = (probe: Probe, before: Probe | null): number =>
  probe.minutes + (before?.state.id === probe.state.id ? 0 : TURN_MIN);

/** How well a probe was chosen, against the best one there was. */
export type ProbeVerdict = "good" | "fair" | "poor" | "wasted";

/** From which share of what the best probe tells a minute a probe is good, or fair. */
const GOOD = 0.6;
const FAIR = 0.2;
/** Less than this tells nothing, in bits. */
const NOTHING_BITS = 0.02;

/** What a probe read, and how much it was worth before anybody knew that. */
export interface JudgedProbe {
  readonly evidence: Evidence;
  readonly off: boolean;
  readonly minutes: number;
  /** What it promised to tell, in bits, and a minute. */
  readonly bits: number;
  readonly bitsPerMinute: number;
  /** The probe that promised most a minute, with the same evidence. */
  readonly best: NextProbe | null;
  readonly verdict: ProbeVerdict;
}

function verdictOf(bits: number, share: number): ProbeVerdict {
  if (bits < NOTHING_BITS) return "wasted";
  if (share >= GOOD) return "good";
  return share >= FAIR ? "fair" : "poor";
}

/** Takes a probe on a vehicle with its fault; null where nothing settles there. */
export function takeProbe(
  { group, fault, complaint }: Exercise,
  taken: readonly Evidence[],
  probe: Probe,
): JudgedProbe | null {
  const evidence = simulatedReading(fault, probe);
  if (!evidence) return null;
  const before = [...complaint.evidence, ...taken];
  const { ranked, next } = diagnose(group, before);
  const minutes = minutesOf(probe, taken.at(-1)?.probe ?? null);
  const asked = before.some((one) => one.probe.id === probe.id);
  const bits = asked ? 0 : worthOf(ranked, probe);
  const bitsPerMinute = bits / minutes;
  const [low, high] = soundRange(probe);
  return {
    ...{ evidence, minutes, bits, bitsPerMinute, best: next },
    off: evidence.value < low || evidence.value > high,
    verdict: verdictOf(bits, next ? bitsPerMinute / next.bitsPerMinute : 1),
  };
}

/** Found: the suspect is the hidden fault, or one that no tip can tell from it. */
export function isFound({ group, fault }: Exercise, suspectId: string): boolean {
  if (suspectId === fault.id) return true;
  const probes = group.runs.flatMap((run) => run.probes);
  return alikeTo(fault, group.suspects, probes).some(({ id }) => id === suspectId);
}

/** A part changed for nothing, in minutes of work: what a wrong name costs. */
export const WRONG_NAME_MIN = 10;
/** From this share on one names a suspect. */
const SURE = 0.8;
const MOST_PROBES = 40;

/**
 * The shortest way to a hidden fault that is known: at every step the probe that tells most a
 * minute, until one suspect stands out or nothing more is to be learned.
 */
export function bestProbing({ group, fault, complaint }: Exercise): {
  readonly probes: readonly Probe[];
  readonly minutes: number;
} {
  const taken: Evidence[] = [];
  let minutes = 0;
  while (taken.length < MOST_PROBES) {
    const { ranked, next } = diagnose(group, [...complaint.evidence, ...taken]);
    const [first] = ranked;
    if (!next || (first && first.suspect.kind === "fault" && first.share > SURE)) break;
    const reading = simulatedReading(fault, next.probe);
    if (!reading) break;
    minutes += minutesOf(next.probe, taken.at(-1)?.probe ?? null);
    taken.push(reading);
  }
  return { probes: taken.map(({ probe }) => probe), minutes };
}

/** 100 for a find as quick as the best known way, less for a longer one; 0 where it was not found. */
export function scoreOf(
  exercise: Exercise,
  minutes: number,
  wrongNames: number,
  found: boolean,
): number {
  if (!found) return 0;
  const best = Math.max(1, bestProbing(exercise).minutes);
  const taken = Math.max(1, minutes + wrongNames * WRONG_NAME_MIN);
  return Math.round(100 * Math.min(1, best / taken));
}
