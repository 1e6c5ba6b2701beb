import { readShopTime, schedule, type JobToPlan, type ShopCalendar } from "@dragonet/core";

const JOBS = 200;
const BENCHES = 5;
const ROUNDS = 7;

/** Numbers 0–1, the same every time. */
function chance(): () => number {
  let state = 1;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
}

const names = (word: string): string[] =>
  Array.from({ length: BENCHES }, (_, i) => `${word} ${i + 1}`);

/** Two hundred open jobs on five benches: the time it takes, and how far the last is from what any plan needs. */
export function benchSchedule() {
  const next = chance();
  const jobs = Array.from({ length: JOBS }, (_, i): JobToPlan => {
    const day = String(1 + Math.floor(next() * 28)).padStart(2, "0");
    return {
      ...{ id: `job-${i}`, title: "", promised: `2026-12-${day}`, bench: "", notBefore: null },
      ...{ provided: [], pin: null },
      work: {
        fitMin: 60 + next() * 400,
        cureH: next() < 0.3 ? 4 : 0,
        closeMin: next() * 60,
        aimMin: next() < 0.4 ? 30 : 0,
        handOverMin: 15,
      },
    };
  });
  const week = Array.from({ length: 7 }, (_, day) => (day < 5 ? [480, 1020] : [0, 0])).map(
    ([open = 0, close = 0]) => ({ open, close }),
  );
  const calendar: ShopCalendar = {
    ...{ zone: "UTC", latitude: 54, longitude: -2, latest: 1320, closed: [] },
    ...{ benches: names("bench"), week },
  };
  const now = readShopTime("2026-11-30T08:00") ?? 0;
  const always = { ...calendar, week: week.map(() => ({ open: 0, close: 1440 })) };
  // Without closed days, promises to keep or the dark to wait for.
  const free = jobs.map((job) => ({
    ...job,
    promised: "",
    work: { ...job.work, cureH: 0, aimMin: 0 },
  }));
  const filled = schedule(always, names("person"), free, now);
  const times = Array.from({ length: ROUNDS }, () => {
    const began = performance.now();
    schedule(calendar, names("person"), jobs, now);
    return performance.now() - began;
  }).sort((a, b) => a - b);
  return {
    medianMs: times[Math.floor(ROUNDS / 2)] ?? 0,
    overBound: ((filled.end ?? now) - now) / Math.max(1, (filled.bound ?? now) - now),
  };
}
