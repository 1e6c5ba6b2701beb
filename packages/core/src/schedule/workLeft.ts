import type { Circuit } from "../circuit/index.ts";
import { adhesiveOf, slowedBy } from "../fit/index.ts";
import { STAGES, type Job, type Stage, type Task } from "../job/index.ts";
import { PLAIN_PACE, plannedTime, type ScaleOf } from "../quote/plannedTime.ts";

/** What of a job is still to be done, in the order that it is done in; minutes of one person's work. */
export interface WorkLeft {
  /** At its bench: panels off, mounted, wired. */
  readonly fitMin: number;
  /** Hours for which it stays there for an adhesive that is not pressed yet. */
  readonly cureH: number;
  /** Still at its bench: tested, panels on. */
  readonly closeMin: number;
  /** At the wall, when it is dark. */
  readonly aimMin: number;
  readonly handOverMin: number;
}

/** Stage before which each kind of work is done; of what belongs to none after it nothing is left. */
const DONE_BY: Readonly<Record<Task, Stage>> = {
  strip: "prove",
  mount: "prove",
  wire: "prove",
  test: "aim",
  aim: "handOver",
  handOver: "handOver",
};

const isAfter = (stage: Stage, other: Stage): boolean =>
  STAGES.indexOf(stage) > STAGES.indexOf(other);

/** Whether a kind of work is behind a job that stands at a stage. */
function isDone(task: Task, stage: Stage): boolean {
  if (task === "handOver") return false;
  return stage === DONE_BY[task] || isAfter(stage, DONE_BY[task]);
}

/** Panels come off before, and go on again after: half of the time each. */
const HALF = 0.5;

/** Work that is left of a job, less what has been written down for it, at a shop's pace. */
export function workLeft(job: Job, circuit: Circuit, pace: ScaleOf = PLAIN_PACE): WorkLeft {
  const { stage } = job.card;
  const planned = new Map(plannedTime(job, circuit, pace).map((t) => [t.task, t.minutes.mid]));
  const left = (task: Task): number => {
    if (isDone(task, stage)) return 0;
    const took = job.worked.reduce((sum, w) => (w.task === task ? sum + w.minutes : sum), 0);
    return Math.max(0, (planned.get(task) ?? 0) - took);
  };
  const isHandedOver = job.signatures.some(({ gate }) => gate === "");
  const strip = left("strip");
  // Panels go on again after the test, whatever stage the card says.
  const on = stage === "prove" ? HALF * (planned.get("strip") ?? 0) : HALF * strip;
  const cures = job.bonds
    .filter(({ pressedAt }) => pressedAt === "")
    .map((bond) => adhesiveOf(bond.adhesive).handleH * slowedBy(bond.surfaceC));
  return {
    fitMin: HALF * strip + left("mount") + left("wire"),
    cureH: isDone("mount", stage) ? 0 : Math.max(0, ...cures),
    closeMin: left("test") + on,
    aimMin: left("aim"),
    handOverMin: isHandedOver ? 0 : left("handOver"),
  };
}
