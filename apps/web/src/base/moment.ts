const FORMAT = new Intl.DateTimeFormat("en-GB", {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});

/** A moment as a workshop says it: "Thu 26 Nov, 09:30". */
export const momentText = (moment: Date): string => FORMAT.format(moment);

/** The day that a clock here shows, ISO 8601: "2026-11-26". */
export const isoDay = (moment: Date): string =>
  [moment.getFullYear(), moment.getMonth() + 1, moment.getDate()]
    .map((part) => String(part).padStart(2, "0"))
    .join("-");

const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short" });

/** A day as a workshop says it: "Thu 26 Nov". */
export const dayText = (moment: Date): string => DAY.format(moment);
