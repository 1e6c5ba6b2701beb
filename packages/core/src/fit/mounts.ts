import type { Job, Lamp, Mount } from "../job/index.ts";

/**
 * Thickness in mm of the shim that turns a foot of so many mm by so many degrees:
 * t = foot · tan(turn). Of a foot that stands, it lifts the beam (positive) under the front edge
 * and lowers it under the rear one; of one that hangs, the other way round.
 */
export const shimMm = (footMm: number, turnDeg: number): number =>
  footMm * Math.tan((turnDeg * Math.PI) / 180);

/** What a shim of so many mm under one edge of a foot turns it by, in degrees. */
export const turnDeg = (footMm: number, thicknessMm: number): number =>
  (Math.atan2(thicknessMm, footMm) * 180) / Math.PI;

/** Sideways place of a lamp's middle, in m right of the centreline. */
export const rightOf = (mount: Mount): number =>
  mount.side === "centre" ? 0 : mount.side === "left" ? -mount.outM.value : mount.outM.value;

/** What is looked at once a lamp is mounted. */
export const MOUNT_CHECKS = ["tight", "level", "lock", "travel"] as const;
/** One look at a mounted lamp. */
export type MountCheck = (typeof MOUNT_CHECKS)[number];

/** What is looked at, in words. */
export const MOUNT_CHECK_WORDS: Readonly<Record<MountCheck, string>> = {
  tight: "started by hand, then tightened",
  level: "level across",
  lock: "clear at full lock, both sides",
  travel: "clear at full suspension travel, rider aboard",
};

/** Id of the check that signs for a mount. */
export const mountCheckId = (mount: Mount, check: MountCheck): string =>
  `mount-${mount.id}-${check}`;

/** Two lamps of one run on both sides that are not each other's mirror image. */
export interface Lopsided {
  readonly left: Lamp;
  readonly right: Lamp;
  /** Differences in m, left less right. */
  readonly outM: number;
  readonly heightM: number;
  readonly backM: number;
}

/** By so much two sides may differ before the eye sees it, in m: common practice. */
const SAME_M = 0.01;

const lampOf = (job: Job, mount: Mount): Lamp | undefined =>
  job.lamps.find((l) => l.id === mount.lampId);

/** Pairs of a run, left and right in the order they were measured. */
export function pairsOf(job: Job): { left: Mount; right: Mount }[] {
  const runOf = (mount: Mount): string | undefined => lampOf(job, mount)?.runId;
  const lefts = job.mounts.filter((m) => m.side === "left");
  const taken = new Set<string>();
  return lefts.flatMap((left) => {
    const right = job.mounts.find(
      (m) => m.side === "right" && !taken.has(m.id) && runOf(m) === runOf(left),
    );
    if (!right) return [];
    taken.add(right.id);
    return [{ left, right }];
  });
}

/** Pairs whose two lamps do not sit alike, with what differs. */
export const lopsided = (job: Job): Lopsided[] =>
  pairsOf(job).flatMap(({ left, right }) => {
    const [a, b] = [lampOf(job, left), lampOf(job, right)];
    if (!a || !b) return [];
    const off = {
      outM: left.outM.value - right.outM.value,
      heightM: left.heightM.value - right.heightM.value,
      backM: left.backM.value - right.backM.value,
    };
    return Object.values(off).some((m) => Math.abs(m) > SAME_M)
      ? [{ left: a, right: b, ...off }]
      : [];
  });

/** Mounts whose bracket is made for the other side. */
export const wrongHanded = (job: Job): Mount[] =>
  job.mounts.filter((m) => m.hand !== "any" && m.side !== "centre" && m.hand !== m.side);

/** Mounts of brackets for one side only that hold a pair: fitted the wrong way round, both are off. */
export const swappedPairs = (job: Job): { left: Mount; right: Mount }[] =>
  pairsOf(job).filter(({ left, right }) => left.hand === "right" && right.hand === "left");
