import { SLOT_WORDS, type PrintedSchedule } from "@dragonet/core";
import { minutesOf, shopMoment } from "../words.ts";
import type { TimeAxis } from "./timeAxis.ts";

type Job = PrintedSchedule["jobs"][number];
export type Slot = Job["slots"][number];

/** The row beneath the benches: whose lamps are at the wall, and when. */
export const WALL = "At the wall";

/** What one bench, or the wall, has of a job: from its first stretch there to the last. */
export interface Bar {
  readonly job: Job;
  readonly start: string;
  readonly end: string;
  readonly slots: readonly Slot[];
}

export function barsOf(plan: PrintedSchedule, row: string): Bar[] {
  return plan.jobs.flatMap((job): Bar[] => {
    const slots = job.slots.filter(({ bench, kind }) =>
      row === WALL ? kind === "aim" : bench === row,
    );
    const [first, last] = [slots[0], slots.at(-1)];
    return first && last ? [{ job, start: first.start, end: last.end, slots }] : [];
  });
}

/** Everything that a bar shows, in words. */
export const spoken = ({ job, start, end, slots }: Bar): string =>
  [
    job.title,
    `${shopMoment(start)} to ${shopMoment(end)}`,
    [...new Set(slots.map(({ kind }) => SLOT_WORDS[kind]))].join(", "),
    ...(job.lateMin > 0 ? ["later than promised"] : []),
  ].join("; ");

/** From and to which share of the row something lasts. */
export const sharesOf = (
  axis: TimeAxis,
  { start, end }: { readonly start: string; readonly end: string },
): readonly [from: number, to: number] => [
  axis.shareOf(minutesOf(start)),
  axis.shareOf(minutesOf(end)),
];
