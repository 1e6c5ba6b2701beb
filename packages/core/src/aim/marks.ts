import { rightOf } from "../fit/index.ts";
import type { Aim, Aiming, Job, Lamp, Mount } from "../job/index.ts";
import { aimRule, type AimRule } from "./aimRules.ts";

/** One lamp's mark on the wall, m: right of the vehicle's middle and above level ground. */
export interface WallMark {
  readonly mount: Mount;
  readonly lamp: Lamp;
  readonly aim: Aim;
  /** Where the lamp's own middle stands over the wall. */
  readonly lampRightM: number;
  readonly lampUpM: number;
  /** Where its edge or spot belongs. */
  readonly markRightM: number;
  readonly markUpM: number;
  /** How far along it the beam meets the ground before the wall, m; null where it does not. */
  readonly groundM: number | null;
  /** On a rear lamp: the wall stands behind the vehicle. */
  readonly behind: boolean;
  /** Lowest and highest that the rule takes. */
  readonly lowUpM: number;
  readonly highUpM: number;
  readonly rule: AimRule;
  /** Whether what is wanted of it lies within the rule. */
  readonly withinRule: boolean;
}

const RAD = Math.PI / 180;
const DEG = 180 / Math.PI;

/** How far a beam of a toe goes over level ground to a wall that is so far ahead, m. */
const alongM = (distanceM: number, toeDeg: number): number => distanceM / Math.cos(toeDeg * RAD);

/** Slope in per cent of a tilt in degrees, and back. */
const pctOfTilt = (tiltDeg: number): number => 100 * Math.tan(tiltDeg * RAD);
const tiltOfPct = (pct: number): number => Math.atan(pct / 100) * DEG;

/**
 * By how much the nose rises from how it stands at the wall to how it is ridden, in degrees:
 * it rises when it sinks more behind than in front.
 */
export const noseRiseDeg = ({ frontSagMm, rearSagMm, baseMm }: Aiming): number =>
  Math.atan2(rearSagMm - frontSagMm, baseMm) * DEG;

/** How a lamp is aimed of which nothing is written yet: by its mount, as a driving lamp. */
export const aimOf = (job: Job, mount: Mount): Aim =>
  job.aims.find((aim) => aim.mountId === mount.id) ?? {
    ...{ id: "", mountId: mount.id, beam: "driving", toeDeg: 0, adjuster: "shim" },
    ...{ pitchMm: 1, leverMm: 100, errors: [] },
  };

/**
 * The tilt and toe that put a lamp's beam to a place on the wall: what `wallMarks` turns round.
 *
 * @param right m right of the vehicle's middle
 * @param up m above the ground
 */
export function aimAt(
  job: Job,
  { lampRightM, lampUpM, behind }: Pick<WallMark, "lampRightM" | "lampUpM" | "behind">,
  right: number,
  up: number,
): { readonly tiltDeg: number; readonly toeDeg: number } {
  const { distanceM } = job.aiming;
  const rise = noseRiseDeg(job.aiming);
  const toeDeg = Math.atan2(right - lampRightM, distanceM) * DEG;
  const slope = Math.atan2(up - lampUpM, alongM(distanceM, toeDeg)) * DEG;
  return { tiltDeg: slope + (behind ? -rise : rise), toeDeg };
}

/** Lamps that throw light ahead of or beside the vehicle; what only is seen needs no aim. */
function isAimed(job: Job, mount: Mount, lamp: Lamp): boolean {
  const part = job.parts.find((p) => p.id === lamp.partId);
  const light = part?.kind === "load" ? part.light : "none";
  if (lamp.place === "inside") return false;
  return (
    job.aims.some((aim) => aim.mountId === mount.id) ||
    (part?.kind === "load" && part.photometry !== undefined) ||
    light === "white" ||
    light === "warm white"
  );
}

/** Marks of all lamps in place, for a wall square to the vehicle at the distance of its lamps. */
export function wallMarks(job: Job, distanceM: number = job.aiming.distanceM): WallMark[] {
  const rise = noseRiseDeg(job.aiming);
  return job.mounts.flatMap((mount): WallMark[] => {
    const lamp = job.lamps.find((l) => l.id === mount.lampId);
    if (!lamp || !isAimed(job, mount, lamp)) return [];
    const aim = aimOf(job, mount);
    const up = mount.heightM.value;
    const right = rightOf(mount);
    const rule = aimRule(job.practices.place, aim.beam, up);
    // On the road the beam lies as wanted; at the wall the nose stands lower by what it rises.
    // Of a lamp that shines back it is the other way round.
    const lift = lamp.place === "rear" ? rise : -rise;
    const along = alongM(distanceM, aim.toeDeg);
    const slopeOf = (tiltDeg: number): number => Math.tan((tiltDeg + lift) * RAD);
    const markAt = (tiltDeg: number): number => up + along * slopeOf(tiltDeg);
    const wanted = pctOfTilt(mount.wantedTiltDeg);
    const markUpM = markAt(mount.wantedTiltDeg);
    return [
      {
        ...{ mount, lamp, aim, rule, lampRightM: right, lampUpM: up },
        markRightM: right + distanceM * Math.tan(aim.toeDeg * RAD),
        markUpM,
        groundM: markUpM < 0 ? -up / slopeOf(mount.wantedTiltDeg) : null,
        behind: lamp.place === "rear",
        lowUpM: markAt(tiltOfPct(rule.lowPct)),
        highUpM: markAt(tiltOfPct(rule.highPct)),
        withinRule: wanted >= rule.lowPct - 1e-9 && wanted <= rule.highPct + 1e-9,
      },
    ];
  });
}
