/** What a shop asks for its work. */
export interface Tariff {
  /** ISO 4217, such as "EUR". */
  readonly currency: string;
  /** An hour at the lift, without tax, in the currency's smallest unit. */
  readonly hourMinor: number;
  /** Tax on parts and work, 0–1. */
  readonly taxShare: number;
  /** Put on the shelf's price of every part, 0–1. */
  readonly markupShare: number;
  /** How long a quote holds, in days. */
  readonly validDays: number;
  /** How long the shop answers for its work, in months; 0 where it has not said. */
  readonly warrantyMonths: number;
}

/** Nothing asked for until the shop has said what: a quote then says so. */
export const DEFAULT_TARIFF: Tariff = {
  ...{ currency: "EUR", hourMinor: 0, taxShare: 0, markupShare: 0, validDays: 30 },
  warrantyMonths: 0,
};

/** Kinds of work that time is planned and taken by, in the order people work. */
export const TASKS = ["strip", "mount", "wire", "test", "aim", "handOver"] as const;
/** A kind of work that time is written down for. */
export type Task = (typeof TASKS)[number];

/** Time spent on a job, started and stopped at the lift or entered after. */
export interface Worked {
  readonly id: string;
  readonly task: Task;
  readonly minutes: number;
  readonly by: string;
  /** Moment at which it was written down, ISO 8601. */
  readonly at: string;
}
