import { createEvents, type EventAttributes } from "ics";
import { vehicleName } from "@dragonet/core";
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

/** The bench calendar as iCalendar: promised days, and until when adhesive keeps a vehicle. */
export function benchCalendar(jobs: readonly JobOnBoardAnswer[]): string {
  const events = jobs.flatMap((job): EventAttributes[] => {
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
  if (events.length === 0) {
    return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:dragonet\r\nEND:VCALENDAR\r\n";
  }
  const { value, error } = createEvents(events);
  if (!value) throw error ?? new Error("no calendar");
  return value;
}
