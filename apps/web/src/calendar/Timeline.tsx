import { useRef } from "react";
import {
  SLOT_WORDS,
  printDay,
  weekdayOf,
  type PrintedSchedule,
  type ShopCalendar,
} from "@dragonet/core";
import { TimeAxis } from "./timeAxis.ts";
import { useBarDrag } from "./useBarDrag.ts";
import { minutesOf, shopDay, shopMoment } from "./words.ts";

type Job = PrintedSchedule["jobs"][number];
type Slot = Job["slots"][number];

const WALL = "At the wall";
/** A share of the row that a word or two have room in. */
const WIDE = 0.045;
/** What is narrower no finger presses (WCAG 2.5.8): it is only seen here, and pressed in the list beneath. */
const PRESSED = 0.032;

/** Work is solid, waiting at the bench hatched, the dark dark. */
const LOOK: Readonly<Record<Slot["kind"], string>> = {
  fit: "bg-accent-wash border-accent",
  close: "bg-accent-wash border-accent",
  cure: "bg-paper border-edge border-dashed",
  aim: "bg-ink text-paper border-ink",
  handOver: "bg-paper border-accent",
};

interface TimelineProps {
  readonly calendar: ShopCalendar;
  readonly plan: PrintedSchedule;
  readonly first: number;
  readonly days: number;
  readonly canEdit: boolean;
  readonly pinned: ReadonlySet<string>;
  readonly onOpen: (jobId: string) => void;
  readonly onMove: (jobId: string, bench: string, start: number) => void;
}

/** What one bench, or the wall, has of a job: from its first stretch there to the last. */
interface Bar {
  readonly job: Job;
  readonly start: string;
  readonly end: string;
  readonly slots: readonly Slot[];
}

function barsOf(plan: PrintedSchedule, row: string): Bar[] {
  return plan.jobs.flatMap((job): Bar[] => {
    const slots = job.slots.filter(({ bench, kind }) =>
      row === WALL ? kind === "aim" : bench === row,
    );
    const [first, last] = [slots[0], slots.at(-1)];
    return first && last ? [{ job, start: first.start, end: last.end, slots }] : [];
  });
}

const spoken = ({ job, start, end, slots }: Bar): string =>
  [
    job.title,
    `${shopMoment(start)} to ${shopMoment(end)}`,
    slots.map(({ kind }) => SLOT_WORDS[kind]).join(", "),
    ...(job.lateMin > 0 ? ["later than promised"] : []),
  ].join("; ");

/** The benches side by side with their days: drag a job to where it is to be, or press it to say so. */
export function Timeline(props: TimelineProps) {
  const { calendar, plan, first, days, canEdit, pinned, onOpen, onMove } = props;
  const axis = new TimeAxis(first, days, calendar);
  const rows = useRef(new Map<string, HTMLElement>());
  const drag = useBarDrag((jobId, { x, y }) => {
    const row = [...rows.current].find(([, element]) => {
      const { top, bottom } = element.getBoundingClientRect();
      return y >= top && y <= bottom;
    });
    if (!row || row[0] === WALL) return;
    const { left, width } = row[1].getBoundingClientRect();
    if (width > 0) onMove(jobId, row[0], axis.momentAt((x - left) / width));
  });
  const isClosed = (day: number): boolean => {
    const hours = calendar.week[weekdayOf(day)];
    return (
      !hours || hours.close <= hours.open || calendar.closed.some((c) => c.day === printDay(day))
    );
  };
  const end = first + days * 1440;
  const place = (start: string, stop: string) => {
    const [left, right] = [axis.shareOf(minutesOf(start)), axis.shareOf(minutesOf(stop))];
    return { left: `${100 * left}%`, width: `${Math.max(100 * (right - left), 0.3)}%` };
  };
  const widthOf = ({ start, end: stop }: Bar): number =>
    axis.shareOf(minutesOf(stop)) - axis.shareOf(minutesOf(start));
  return (
    <div className="overflow-x-auto" role="group" aria-label="Plan of the benches" tabIndex={0}>
      <div className="min-w-[56rem]">
        <div className="ml-24 flex border-b border-ink" aria-hidden>
          {axis.all().map((day) => (
            <div
              key={day}
              className={`flex-1 border-l border-hair px-1 text-small ${isClosed(day) ? "text-muted" : "font-bold"}`}
            >
              {shopDay(printDay(day))}
            </div>
          ))}
        </div>
        {[...calendar.benches, WALL].map((row) => (
          <div key={row} className="flex border-b border-hair">
            <h3 className="w-24 shrink-0 py-2 text-small font-bold">{row}</h3>
            <div
              ref={(element) => {
                if (element) rows.current.set(row, element);
                else rows.current.delete(row);
              }}
              className="relative h-14 flex-1"
            >
              {axis.all().map((day, i) => (
                <span
                  key={day}
                  aria-hidden
                  className={`absolute inset-y-0 border-l border-hair ${isClosed(day) ? "bg-sunk" : ""}`}
                  style={{ left: `${(100 * i) / days}%`, width: `${100 / days}%` }}
                />
              ))}
              {barsOf(plan, row)
                .filter((bar) => minutesOf(bar.end) > first && minutesOf(bar.start) < end)
                .map((bar) => {
                  const { id, title, lateMin } = bar.job;
                  const width = widthOf(bar);
                  const look = `absolute top-1 h-12 rounded-control border ${LOOK[bar.slots[0]!.kind]} ${lateMin > 0 ? "border-2 border-dashed" : ""}`;
                  if (width < PRESSED) {
                    return (
                      <span
                        key={id}
                        aria-hidden
                        title={spoken(bar)}
                        className={look}
                        style={place(bar.start, bar.end)}
                      />
                    );
                  }
                  const moving = drag.dragged?.id === id && row !== WALL ? drag.dragged : null;
                  return (
                    <button
                      key={id}
                      type="button"
                      aria-label={spoken(bar)}
                      title={spoken(bar)}
                      className={`${look} flex overflow-hidden text-left text-small leading-4 ${moving ? "z-10 opacity-80" : ""} ${canEdit && row !== WALL ? "touch-none cursor-grab" : ""}`}
                      style={{
                        ...place(bar.start, bar.end),
                        ...(moving && { transform: `translate(${moving.dx}px, ${moving.dy}px)` }),
                      }}
                      {...(canEdit && row !== WALL ? drag.barProps(id) : {})}
                      onClick={() => !drag.wasDragged() && onOpen(id)}
                    >
                      {width >= WIDE && (
                        <span className="min-w-0 px-1 py-0.5 break-words">
                          {lateMin > 0 && <b>late · </b>}
                          {pinned.has(id) && <b>pinned · </b>}
                          {title}
                        </span>
                      )}
                    </button>
                  );
                })}
            </div>
          </div>
        ))}
      </div>
    </div>
  );
}
