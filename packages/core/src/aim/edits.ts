import {
  append,
  setIn,
  type Aim,
  type AimError,
  type Edit,
  type Job,
  type Mount,
} from "../job/index.ts";
import { correctionOf } from "./correct.ts";
import { aimOf } from "./marks.ts";

/** What is looked at before a lamp is aimed, and signed. Common practice. */
export const AIM_CHECKS = {
  "aim-floor": "level floor, wall square to the vehicle",
  "aim-tyres": "tyres at their pressure",
  "aim-load": "fuel, load and rider as it is ridden, or their sag typed in above",
  "aim-lens": "lenses clean, brackets tight",
} as const;

/** Changes how a lamp in place is aimed; its entry is made with the first change. */
export function setAim(job: Job, mount: Mount, change: Partial<Aim>, freshId: string): Edit[] {
  const aim = job.aims.find((a) => a.mountId === mount.id);
  if (!aim) return [append(job, "aim", { ...aimOf(job, mount), id: freshId, ...change })];
  return Object.entries(change).map(([field, value]): Edit =>
    setIn<"aim", keyof Aim>("aim", aim.id, field as keyof Aim, value),
  );
}

/** Turns a lamp in place: the tilt and toe that are wanted of it. */
export const turnLamp = (
  job: Job,
  mount: Mount,
  { tiltDeg, toeDeg }: { readonly tiltDeg: number; readonly toeDeg: number },
  freshId: string,
): Edit[] => [
  setIn("mount", mount.id, "wantedTiltDeg", tiltDeg),
  ...setAim(job, mount, { toeDeg }, freshId),
];

/** Takes down how far a beam stood off its mark, and what tilt that means as found. */
export function takeAimError(job: Job, mount: Mount, error: AimError, freshId: string): Edit[] {
  const aim = aimOf(job, mount);
  const { upDeg } = correctionOf(error, aim, mount.footMm);
  const found = Math.round(100 * (mount.wantedTiltDeg + upDeg)) / 100;
  return [
    ...setAim(job, mount, { errors: [...aim.errors, error] }, freshId),
    setIn("mount", mount.id, "tiltDeg", found),
  ];
}
