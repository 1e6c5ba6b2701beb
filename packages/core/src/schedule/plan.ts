import type { ClosedDay, DayHours } from "./time/hours.ts";
import type { Place } from "./time/dusk.ts";
import type { ShopTime } from "./time/shopTime.ts";
import type { WorkLeft } from "./workLeft.ts";

/** Days on which somebody does not work, the first and the last among them; ISO 8601. */
export interface DaysOff {
  /** A person's name. */
  readonly who: string;
  readonly from: string;
  readonly to: string;
}

/** What a shop works with. */
export interface ShopCalendar extends Place {
  readonly benches: readonly string[];
  /** Hours of each day of the week, Monday first. */
  readonly week: readonly DayHours[];
  readonly closed: readonly ClosedDay[];
  /** Who is away when; calendars of earlier versions say nothing of it. */
  readonly away?: readonly DaysOff[] | undefined;
  /** How long people stay for what wants the dark, minutes of the day. */
  readonly latest: number;
}

/** Where somebody put a job: there it stays. */
export interface Pin {
  readonly start: ShopTime;
  readonly bench: string;
}

/** A job as the calendar sees it. */
export interface JobToPlan {
  readonly id: string;
  readonly title: string;
  /** Promised day, ISO 8601; "" for none. */
  readonly promised: string;
  readonly work: WorkLeft;
  /** The bench that it stands on; "" where it is not in the shop. */
  readonly bench: string;
  /** Nothing is done to it before: its parts, or its customer, come then. null for at once. */
  readonly notBefore: ShopTime | null;
  /** What it waits for without a day: it is planned as if that were there. */
  readonly provided: readonly string[];
  readonly pin: Pin | null;
}

/** What a job takes time for. */
export const SLOT_KINDS = ["fit", "cure", "close", "aim", "handOver"] as const;
/** One kind of what a job takes time for. */
export type SlotKind = (typeof SLOT_KINDS)[number];

/** What people call each stretch. */
export const SLOT_WORDS: Readonly<Record<SlotKind, string>> = {
  fit: "Fit",
  cure: "Stays at the bench",
  close: "Test, panels on",
  aim: "Aim in the dark",
  handOver: "Hand over",
};

/** One stretch of a job: at a bench, at the wall (no bench), or nowhere in particular. */
export interface Slot {
  readonly kind: SlotKind;
  readonly start: ShopTime;
  readonly end: ShopTime;
  /** "" for what takes no bench. */
  readonly bench: string;
  /** Who does it; "" for what wants nobody. */
  readonly who: string;
}

/** When a job is done, stretch by stretch. */
export interface PlannedJob {
  readonly id: string;
  readonly slots: readonly Slot[];
  readonly end: ShopTime;
  /** Minutes after the end of the promised day; 0 for in time, or promised for no day. */
  readonly lateMin: number;
  /** What is amiss with it: a pin that takes what another has, no dark hour for its aim. */
  readonly amiss: readonly string[];
}

/** A job that cannot be put anywhere, and why. */
export interface UnplannedJob {
  readonly id: string;
  readonly why: string;
}

/** When which job is done, and which could not be placed. */
export interface Schedule {
  readonly jobs: readonly PlannedJob[];
  readonly unplanned: readonly UnplannedJob[];
  /** When the last job is done; null where none is planned. */
  readonly end: ShopTime | null;
  /**
   * No plan can be done before: all work through all benches and all people, or the longest job alone. null where
   * none is planned.
   */
  readonly bound: ShopTime | null;
}
