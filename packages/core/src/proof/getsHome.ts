import {
  LAMP_WORK_WORDS,
  factoryLampsLeft,
  lampWork,
  onceOfJob,
  type Job,
  type LampId,
} from "../job/index.ts";
import { FACTORY_LAMPS, type ConnectorPin, type FactoryLamp } from "../vehicle/index.ts";
import { BY_NIGHT, behindPlug, goesWith } from "./factoryGone.ts";

/**
 * Whether the vehicle still rides with a fault: `yes`; `unseen` without a lamp that tells others
 * what it does; `byDay` without a headlight or a tail lamp; `no` when its ignition is gone;
 * `unknown` where the circuit with the fault has no solution.
 */
export type RidesHome = "yes" | "unseen" | "byDay" | "no" | "unknown";

/** Whether somebody gets home with it, and by which lamps. */
export interface GetsHome {
  readonly ridesHome: RidesHome;
  /** Lamps of which none works any more, the factory's counted in. */
  readonly lost: readonly FactoryLamp[];
  /** Lamps of the job of which none works, where nobody has counted what the factory fitted. */
  readonly uncounted: readonly FactoryLamp[];
}

/** Lamps of a job that do one work, and how many of the factory's are left for it. */
interface AtWork {
  readonly work: FactoryLamp;
  readonly own: readonly LampId[];
  readonly left: number | null;
}

/** The same for every fault of a job: a sweep asks it hundreds of times. */
const worksOf = onceOfJob((job): readonly AtWork[] =>
  FACTORY_LAMPS.map((work) => ({
    work,
    own: job.lamps.filter((lamp) => lampWork(job, lamp) === work).map((lamp) => lamp.id),
    left: factoryLampsLeft(job, work),
  })),
);

/**
 * Whether it rides home with these lamps of the job dark, with the factory fuse of a wire open where
 * that is what a fault opens, and without what one of its plugs leads on to where that is apart.
 */
export function getsHome(
  job: Job,
  dark: ReadonlySet<LampId>,
  opened: ConnectorPin | null,
  apart: ConnectorPin | null = null,
): GetsHome {
  const gone = [...(opened ? goesWith(opened) : []), ...(apart ? behindPlug(job, apart) : [])];
  const lost: FactoryLamp[] = [];
  const uncounted: FactoryLamp[] = [];
  for (const { work, own, left } of worksOf(job)) {
    const touched = gone.includes(work) || own.some((id) => dark.has(id));
    if (!touched || own.some((id) => !dark.has(id))) continue;
    const still = gone.includes(work) ? 0 : left;
    if (still === 0) lost.push(work);
    if (still === null) uncounted.push(work);
  }
  if (opened?.family === "ignition" || apart?.family === "ignition")
    return { ridesHome: "no", lost, uncounted };
  const night = lost.some((work) => BY_NIGHT.includes(work));
  return { ridesHome: night ? "byDay" : lost.length > 0 ? "unseen" : "yes", lost, uncounted };
}

const list = (works: readonly FactoryLamp[]): string =>
  works.map((work) => LAMP_WORK_WORDS[work]).join(", ");

/** One sentence of it, for every place that tells it. */
export function getsHomeWords({ ridesHome, lost, uncounted }: GetsHome): string {
  const count =
    uncounted.length > 0
      ? ` Nobody has counted the factory’s: ${list(uncounted)}. Without one the answer is no better than by day.`
      : "";
  switch (ridesHome) {
    case "no":
      return "Ignition gone: it does not ride home.";
    case "unknown":
      return "Not solved: nothing is said of what it does. Treat it as unsafe.";
    case "byDay":
      return `No ${list(lost)} left: by daylight only, not by night.${count}`;
    case "unseen":
      return `Rides home; no ${list(lost)} left to tell others.${count}`;
    case "yes":
      return uncounted.length > 0
        ? `Rides home by day.${count}`
        : "Nothing that riding needs is lost: it rides home.";
  }
}
