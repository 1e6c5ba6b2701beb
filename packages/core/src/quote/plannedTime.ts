import { wallMarks } from "../aim/index.ts";
import type { Circuit } from "../circuit/index.ts";
import { thingOf } from "../unit/index.ts";
import { cutListOf, estimatedMin } from "../fit/index.ts";
import { TASKS, type Job, type Task } from "../job/index.ts";
import { counted, interval, type Interval } from "../quantity/index.ts";

/** Time that one kind of work is thought to take, and what it is made of. */
export interface PlannedTask {
  readonly task: Task;
  readonly minutes: Interval;
  /** "7 panels and plugs off and on", "41 wire ends". */
  readonly of: string;
}

/** What people call each kind of work. */
export const TASK_WORDS: Readonly<Record<Task, string>> = {
  strip: "Panels off and on",
  mount: "Mounting",
  wire: "Wiring",
  test: "Testing",
  aim: "Aiming",
  handOver: "Handing over",
};

/** How a kind of work is scaled to a shop: a factor, and a factor either way that bounds a job. */
export type ScaleOf = Readonly<Record<Task, { readonly factor: number; readonly spread: number }>>;

/** How far such estimates lie from what is taken, as a factor either way: common practice. */
const SPREAD = 1.3;

/** As the trade's estimates are, before a shop has written down any time. */
export const PLAIN_PACE: ScaleOf = Object.fromEntries(
  TASKS.map((task) => [task, { factor: 1, spread: SPREAD }]),
) as ScaleOf;

/** An end cut, stripped, crimped, shrunk and put in its place, min. */
const END_MIN = 2;
/** A metre of wire led and tied, and one hole marked, drilled, deburred and painted, min. */
const METRE_MIN = 3;
const HOLE_MIN = 6;
/** A circuit tried in each of its positions, a look at each lamp of it, min. */
const CIRCUIT_TEST_MIN = 4;
const LAMP_TEST_MIN = 1;
/** The vehicle put square to the wall, and each lamp brought to its mark, min. */
const WALL_MIN = 15;
const LAMP_AIM_MIN = 6;
/** Explained, tried together, signed, min. */
const HAND_OVER_MIN = 15;

/** A kind of work whose parts are not known yet takes what is usual for one of its size. */
function stripOf(job: Job): { mid: number; of: string } {
  const panels = job.strip.length;
  const mid = job.strip.reduce((sum, s) => sum + estimatedMin(s), 0);
  return { mid, of: `${counted(panels, "panel or part", "panels and parts")} off and on` };
}

function mountOf(job: Job, circuit: Circuit): { mid: number; of: string } {
  const fitted = [...circuit.units.values()].filter((u) => u.fitted);
  const units = fitted.reduce((sum, u) => sum + thingOf(u).fitMin, 0);
  const placed = fitted.filter((u) => thingOf(u).fitMin > 0).length;
  const holes = job.holes.length;
  return {
    mid: units + holes * HOLE_MIN,
    of: `${counted(placed, "unit")} in place${holes > 0 ? `, ${counted(holes, "hole")}` : ""}`,
  };
}

function wireOf(job: Job, circuit: Circuit): { mid: number; of: string } {
  const { lines } = cutListOf(job, circuit);
  // What comes made up is led and tied as any other, and has its ends on.
  const ends = 2 * lines.filter((line) => line.harness === "").length;
  const metres = lines.reduce((sum, line) => sum + line.routedM, 0);
  return {
    mid: ends * END_MIN + metres * METRE_MIN,
    of: `${counted(ends, "wire end")}, ${Math.round(metres)} m led and tied`,
  };
}

/**
 * What a job is thought to take, by kind of work: from its ledger, its circuit and its lamps.
 * The minutes of each are common practice, scaled by what the shop has taken for such work so far;
 * their spread says how little they promise.
 */
export function plannedTime(job: Job, circuit: Circuit, pace: ScaleOf = PLAIN_PACE): PlannedTask[] {
  const lamps = job.lamps.length;
  const marks = wallMarks(job).length;
  const of: Readonly<Record<Task, { mid: number; of: string }>> = {
    strip: stripOf(job),
    mount: mountOf(job, circuit),
    wire: wireOf(job, circuit),
    test: {
      mid: job.runs.length * CIRCUIT_TEST_MIN + lamps * LAMP_TEST_MIN,
      of: `${counted(job.runs.length, "circuit")}, ${counted(lamps, "light")}`,
    },
    aim: {
      mid: marks > 0 ? WALL_MIN + marks * LAMP_AIM_MIN : 0,
      of: counted(marks, "lamp"),
    },
    handOver: { mid: job.runs.length > 0 ? HAND_OVER_MIN : 0, of: "explained and signed" },
  };
  return TASKS.filter((task) => of[task].mid > 0).map((task) => {
    const { factor, spread } = pace[task];
    const mid = of[task].mid * factor;
    return { task, minutes: interval(mid / spread, mid, mid * spread), of: of[task].of };
  });
}
