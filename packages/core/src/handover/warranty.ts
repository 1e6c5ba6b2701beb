import { piecesOf, type Job } from "../job/index.ts";
import { signedFor } from "./gates.ts";

/** Until when somebody answers for a thing. */
export interface Warranty {
  /** The part's name; "" for the shop's own work. */
  readonly of: string;
  readonly pieces: number;
  /** Lots that were written down, as on the box. */
  readonly lots: readonly string[];
  readonly months: number;
  /** Day it ends, ISO date; "" while the vehicle is not handed over. */
  readonly until: string;
}

/**
 * The same day of a month some months on; the month's last where it has no such day. Months are counted as
 * the law does: by the calendar, not by thirty days.
 *
 * @param day ISO date
 */
export function monthsOn(day: string, months: number): string {
  const [year = 0, month = 1, date = 1] = day.split("-").map(Number);
  const last = new Date(Date.UTC(year, month + months, 0)).getUTCDate();
  const then = new Date(Date.UTC(year, month - 1 + months, Math.min(date, last)));
  return then.toISOString().slice(0, 10);
}

/**
 * What is answered for, and until when: the shop's work, and every part of which it is known, from the day
 * of the hand-over on. Parts of which only a lot is known are there, too: they may be called back.
 */
export function warrantiesOf(job: Job): Warranty[] {
  const day = signedFor(job, "")?.at.slice(0, 10) ?? "";
  const until = (months: number): string =>
    day === "" || months === 0 ? "" : monthsOn(day, months);
  const { warrantyMonths } = job.practices.tariff;
  const work = {
    of: "",
    pieces: 0,
    lots: [],
    months: warrantyMonths,
    until: until(warrantyMonths),
  };
  const parts = piecesOf(job).map(({ part, pieces }) => ({
    of: part.name,
    pieces,
    lots: job.lots.filter((lot) => lot.partId === part.id).map((lot) => lot.lot),
    months: part.warrantyMonths ?? 0,
    until: until(part.warrantyMonths ?? 0),
  }));
  return [work, ...parts].filter(({ months, lots }) => months > 0 || lots.length > 0);
}

const span = (months: number): string =>
  months % 12 === 0 && months > 12 ? `${months / 12} years` : `${months} months`;

const term = ({ months, until }: Warranty): string =>
  until === "" ? `${span(months)} from the hand-over` : `until ${until}`;

/** The same in an owner's words: the work first, then parts by how long. */
export function warrantyLines(job: Job): string[] {
  const all = warrantiesOf(job);
  const work = all.find(({ of }) => of === "");
  const terms = new Map<string, string[]>();
  for (const one of all) {
    if (one.of === "" || one.months === 0) continue;
    terms.set(term(one), [...(terms.get(term(one)) ?? []), one.of]);
  }
  const lots = all
    .filter((one) => one.lots.length > 0)
    .map(({ of, lots: n }) => `${of} ${n.join(", ")}`);
  return [
    ...(work ? [`The shop answers for its work: ${term(work)}.`] : []),
    ...[...terms].map(
      ([until, names]) => `Makers answer for their parts: ${names.join(", ")}: ${until}.`,
    ),
    ...(lots.length > 0 ? [`Lots, should a maker call back: ${lots.join("; ")}.`] : []),
    ...(work || terms.size > 0 ? ["What the law gives besides stays as it is."] : []),
  ];
}
