const FORMAT = new Intl.DateTimeFormat("en-GB", {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});

/** A moment as a workshop says it: "Thu 26 Nov, 09:30". */
export const momentText = (moment: Date): string => FORMAT.format(moment);

const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short" });

/** A day as a workshop says it: "Thu 26 Nov". */
export const dayText = (moment: Date): string => DAY.format(moment);
