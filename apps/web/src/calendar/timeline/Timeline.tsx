import { useRef } from "react";
import { DAY_MIN, Hours, printDay, type PrintedSchedule, type ShopCalendar } from "@dragonet/core";
import { BarView } from "./BarView.tsx";
import { WALL, barsOf } from "./bars.ts";
import { TimeAxis } from "./timeAxis.ts";
import { useBarDrag } from "./useBarDrag.ts";
import { minutesOf, shopDay } from "../words.ts";

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

/** The benches side by side with their days: drag a job to where it is to be, or press it to say so. */
export function Timeline(props: TimelineProps) {
  const { calendar, plan, first, days, canEdit, pinned, onOpen, onMove } = props;
  const axis = new TimeAxis(first, days, calendar);
  const hours = new Hours(calendar.week, calendar.closed);
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
  const end = first + days * DAY_MIN;
  return (
    <div className="overflow-x-auto" role="group" aria-label="Plan of the benches" tabIndex={0}>
      <div className="min-w-[56rem]">
        <div className="ml-24 flex border-b border-ink" aria-hidden>
          {axis.all().map((day) => (
            <div
              key={day}
              className={`flex-1 border-l border-hair px-1 text-small ${hours.of(day) ? "font-bold" : "text-muted"}`}
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
                  className={`absolute inset-y-0 border-l border-hair ${hours.of(day) ? "" : "bg-sunk"}`}
                  style={{ left: `${(100 * i) / days}%`, width: `${100 / days}%` }}
                />
              ))}
              {barsOf(plan, row)
                .filter((bar) => minutesOf(bar.end) > first && minutesOf(bar.start) < end)
                .map((bar) => {
                  const { id } = bar.job;
                  return (
                    <BarView
                      key={id}
                      bar={bar}
                      axis={axis}
                      pinned={pinned.has(id)}
                      moving={drag.dragged?.id === id && row !== WALL ? drag.dragged : null}
                      {...(canEdit && row !== WALL && { drag: drag.barProps(id) })}
                      onOpen={() => !drag.wasDragged() && onOpen(id)}
                    />
                  );
                })}
            </div>
          </div>
        ))}
      </div>
    </div>
  );
}
