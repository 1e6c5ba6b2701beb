/** A time of today. */
export const TIME = new Intl.DateTimeFormat("en-GB", { timeStyle: "medium" });
/** A day and a time as people read them. */
export const MOMENT = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
