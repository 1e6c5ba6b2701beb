import {
  SEEN_LEVELS,
  SENSE_WORDS,
  perUnit,
  seenRank,
  type Evidence,
  type FaultSuspect,
  type Probe,
  type Testable,
} from "../diagnosis/index.ts";
import { openingTime } from "../protection/index.ts";
import { elementOf } from "../circuit/index.ts";

/** What a customer comes with, and the evidence that is in it. */
export interface Complaint {
  readonly words: string;
  readonly evidence: readonly Evidence[];
}

/** A fuse that opens within this time goes while somebody looks, s. */
const AT_ONCE_S = 5;
/** A battery that gives so much more while all is off is flat in some weeks, in mA: common practice. */
const FLAT_MA = 50;

interface Seen {
  readonly probe: Probe;
  readonly was: 0 | 1 | 2;
  readonly is: 0 | 1 | 2;
}

/** Every lamp, horn or heater that does otherwise than it should, in the positions that are tried. */
function seenOff(group: Testable, fault: FaultSuspect): Seen[] {
  return group.runs
    .flatMap(({ probes }) => probes)
    .flatMap((probe): Seen[] => {
      if (probe.at.kind !== "look") return [];
      const level = probe.bench.reads(fault, probe);
      if (level === null) return [];
      const [was, is] = [seenRank(probe.bench.sound(probe).value), seenRank(level)];
      return was === is ? [] : [{ probe, was, is }];
    });
}

const wordsOf = ({ probe, is }: Seen): string => {
  const sense = probe.at.kind === "look" ? probe.at.sense : "eye";
  return `${probe.words} is ${SENSE_WORDS[sense][is]}`;
};

/** A fuse that goes with the fault, and the position in which it does. */
function blownFuse(group: Testable, fault: FaultSuspect): Probe | null {
  for (const probe of group.runs.flatMap((run) => run.probes)) {
    if (probe.at.kind !== "amps" && probe.at.kind !== "milliamps") continue;
    const fuse = elementOf(group.circuit, probe.at.elementId);
    const reading = probe.bench.reads(fault, probe);
    if (fuse.kind !== "fuse" || reading === null) continue;
    const amps = reading / perUnit(probe.id);
    const opens = openingTime(fuse.ratingA, amps);
    if (opens && opens.mostS <= AT_ONCE_S) return probe;
  }
  return null;
}

function drainedBy(group: Testable, fault: FaultSuspect): boolean {
  return group.runs
    .flatMap((run) => run.probes)
    .some((probe) => {
      if (probe.at.kind !== "milliamps") return false;
      const reading = probe.bench.reads(fault, probe);
      return reading !== null && reading > probe.bench.sound(probe).value + FLAT_MA;
    });
}

/**
 * What somebody who rides it would say of a fault, and what of it is evidence; null where nobody
 * would notice. Fuses first: with one gone everything behind it is dark, and that is not told apart.
 */
export function complaintOf(group: Testable, fault: FaultSuspect): Complaint | null {
  const fuse = blownFuse(group, fault);
  if (fuse) {
    return { words: `“With ${fuse.state.words} a fuse goes at once.”`, evidence: [] };
  }
  const seen = seenOff(group, fault);
  const [first] = seen;
  if (first) {
    const others = new Set(seen.map(({ probe }) => probe.words)).size - 1;
    const more =
      others === 0
        ? ""
        : others === 1
          ? " One more is not right either."
          : " Others are not right either.";
    return {
      words: `“With ${first.probe.state.words}, ${wordsOf(first)}.${more}”`,
      evidence: [{ probe: first.probe, value: SEEN_LEVELS[first.is] }],
    };
  }
  return drainedBy(group, fault)
    ? { words: "“Everything works, but after some days the battery is flat.”", evidence: [] }
    : null;
}
