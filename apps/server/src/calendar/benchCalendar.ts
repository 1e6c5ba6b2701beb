import { createEvents, type EventAttributes } from "ics";
import { SLOT_WORDS, vehicleName, type PrintedSchedule } from "@dragonet/core";
import type { JobOnBoardAnswer } from "@dragonet/contract";

const utc = (iso: string): [number, number, number, number, number] => {
  const d = new Date(iso);
  return [
    d.getUTCFullYear(),
    d.getUTCMonth() + 1,
    d.getUTCDate(),
    d.getUTCHours(),
    d.getUTCMinutes(),
  ];
};

/** "2026-12-02T08:30" by the shop's clocks: no zone is said, and a calendar shows it as it stands. */
const floating = (at: string): [number, number, number, number, number] => {
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0] = at.split(/[-T:]/).map(Number);
  return [year, month, day, hour, minute];
};

/** Each stretch of work that is planned; what only waits is told by the bench it waits at. */
const planned = (plan: PrintedSchedule): EventAttributes[] =>
  plan.jobs.flatMap(({ id, title, slots, lateMin, provided, amiss }) =>
    slots.map(({ kind, start, end, bench, who }, i): EventAttributes => ({
      uid: `plan-${id}-${i}@dragonet`,
      title: `${SLOT_WORDS[kind]}: ${title}`,
      description: [
        ...(who === "" ? [] : [who]),
        ...(lateMin > 0 ? ["later than promised"] : []),
        ...provided.map((what) => `if this is there: ${what}`),
        ...amiss,
      ].join("; "),
      ...(bench === "" ? {} : { location: bench }),
      start: floating(start),
      startInputType: "local",
      startOutputType: "local",
      end: floating(end),
      endInputType: "local",
      endOutputType: "local",
      productId: "dragonet",
    })),
  );

/** The benches as iCalendar: the plan, promised days, and until when adhesive keeps a vehicle. */
export function benchCalendar(jobs: readonly JobOnBoardAnswer[], plan: PrintedSchedule): string {
  const told = jobs.flatMap((job): EventAttributes[] => {
    const name = vehicleName(job);
    const [year = 0, month = 0, day = 0] = job.promised.split("-").map(Number);
    const promised: EventAttributes[] =
      job.promised === ""
        ? []
        : [
            {
              uid: `promised-${job.id}@dragonet`,
              title: `Promised: ${name}`,
              description: job.title,
              start: [year, month, day],
              duration: { days: 1 },
              productId: "dragonet",
            },
          ];
    return [
      ...promised,
      ...job.curing.map((c, i): EventAttributes => ({
        uid: `curing-${job.id}-${i}@dragonet`,
        title: `Stays on the bench: ${name}`,
        description: `${c.what} may be handled from the end of this; bears its load ${c.curedAt}.`,
        start: utc(c.handleAt),
        startInputType: "utc",
        startOutputType: "utc",
        duration: { minutes: 15 },
        productId: "dragonet",
      })),
    ];
  });
  const events = [...told, ...planned(plan)];
  if (events.length === 0) {
    return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:dragonet\r\nEND:VCALENDAR\r\n";
  }
  const { value, error } = createEvents(events);
  if (!value) throw error ?? new Error("no calendar");
  return value;
}
