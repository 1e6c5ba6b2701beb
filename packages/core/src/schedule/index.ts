export * from "./shopTime.ts";
export { Hours, type ClosedDay, type DayHours } from "./hours.ts";
export { dusk, type Place as PlaceOnEarth } from "./dusk.ts";
export { workLeft, type WorkLeft } from "./workLeft.ts";
export * from "./plan.ts";
export { schedule } from "./schedule.ts";
export * from "./calendarFile.ts";
export { DEFAULT_CALENDAR } from "./defaultCalendar.ts";
export * from "./calendarOf.ts";
