import { pairsOf, shimMm } from "../fit/index.ts";
import type { Aim, AimError, Job } from "../job/index.ts";
import { aimOf } from "./marks.ts";

/** What turns a lamp by what it is off. */
export interface Correction {
  /** Beam off by, degrees: up (+) and to the right (+). */
  readonly upDeg: number;
  readonly rightDeg: number;
  /**
   * Turns of the screws, + turning the beam up and to the right; null where there are none.
   * Which way is in or out is the lamp's own.
   */
  readonly upTurns: number | null;
  readonly rightTurns: number | null;
  /** Shim under the front edge (+) or the rear edge (−) of a foot that stands, mm; null without. */
  readonly shimMm: number | null;
}

const DEG = 180 / Math.PI;

/**
 * What undoes an error on the wall: its angle at the distance, and the screw's way for it. A
 * screw that moves p mm a turn, l mm from the pivot, turns the lamp by atan(p n / l) in n turns.
 */
export function correctionOf(
  error: Pick<AimError, "distanceM" | "rightMm" | "upMm">,
  aim: Pick<Aim, "adjuster" | "pitchMm" | "leverMm">,
  footMm: number,
): Correction {
  const upDeg = Math.atan2(error.upMm, error.distanceM * 1000) * DEG;
  const rightDeg = Math.atan2(error.rightMm, error.distanceM * 1000) * DEG;
  const turns = (deg: number): number | null =>
    aim.adjuster === "screw" && aim.pitchMm > 0
      ? -(aim.leverMm * Math.tan(deg / DEG)) / aim.pitchMm
      : null;
  return {
    upDeg,
    rightDeg,
    upTurns: turns(upDeg),
    rightTurns: turns(rightDeg),
    shimMm: aim.adjuster === "shim" && footMm > 0 ? -shimMm(footMm, upDeg) : null,
  };
}

/** A pair by its last errors: how far the two stand apart from each other, mm at the distance. */
export interface PairApart {
  readonly leftMountId: string;
  readonly rightMountId: string;
  readonly upMm: number;
  readonly rightMm: number;
}

/** How far the lamps of each pair that were read at one distance are apart. */
export const pairsApart = (job: Job): PairApart[] =>
  pairsOf(job).flatMap(({ left, right }) => {
    const [a, b] = [left, right].map((mount) => aimOf(job, mount).errors.at(-1));
    if (!a || !b || Math.abs(a.distanceM - b.distanceM) > 1e-6) return [];
    return [
      {
        ...{ leftMountId: left.id, rightMountId: right.id },
        ...{ upMm: a.upMm - b.upMm, rightMm: a.rightMm - b.rightMm },
      },
    ];
  });

/** By so much a lamp may stand off its mark, share of the distance: 2 cm at 10 m, common practice. */
export const GOOD_SHARE = 0.002;

/** Whether a beam stands on its mark as nearly as aiming at a wall tells. */
export const isOnMark = ({ distanceM, rightMm, upMm }: AimError): boolean =>
  Math.hypot(rightMm, upMm) <= GOOD_SHARE * distanceM * 1000 + 1e-9;
