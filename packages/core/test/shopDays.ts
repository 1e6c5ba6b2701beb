/** Shops, hours and jobs that the tests of the calendar are made of. */
import {
  DAY_MIN,
  readShopTime,
  type JobToPlan,
  type Schedule,
  type ShopCalendar,
  type Slot,
  type WorkLeft,
} from "../src/index.ts";

export const at = (text: string): number => readShopTime(text)!;
/** A Monday. */
export const NOW = at("2026-11-30T08:00");
const ALWAYS = Array.from({ length: 7 }, () => ({ open: 0, close: DAY_MIN }));
export const WORKDAYS = [0, 1, 2, 3, 4, 5, 6].map((day) =>
  day < 5 ? { open: 8 * 60, close: 17 * 60 } : { open: 0, close: 0 },
);

const benches = (n: number): string[] => Array.from({ length: n }, (_, i) => `Bench ${i + 1}`);
export const people = (n: number): string[] => Array.from({ length: n }, (_, i) => `P${i + 1}`);

export const shopOf = (n: number, more: Partial<ShopCalendar> = {}): ShopCalendar => ({
  ...{ zone: "UTC", latitude: 54, longitude: -2, benches: benches(n), week: ALWAYS },
  ...{ closed: [], latest: 22 * 60 },
  ...more,
});
const NOTHING: WorkLeft = { fitMin: 0, cureH: 0, closeMin: 0, aimMin: 0, handOverMin: 0 };
let made = 0;
export const job = (work: Partial<WorkLeft>, more: Partial<JobToPlan> = {}): JobToPlan => {
  made += 1;
  const id = `job-${String(made).padStart(4, "0")}`;
  return {
    ...{ id, title: id, promised: "", work: { ...NOTHING, ...work }, bench: "", notBefore: null },
    ...{ provided: [], pin: null },
    ...more,
  };
};
export const slotsOf = (plan: Schedule): (Slot & { id: string })[] =>
  plan.jobs.flatMap(({ id, slots }) => slots.map((slot) => ({ id, ...slot })));
