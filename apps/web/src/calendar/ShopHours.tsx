import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import type { DayHours, ShopCalendar } from "@dragonet/core";
import { ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { FormField, LongField } from "../ui/forms/FormField.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { Trouble } from "../ui/page/states.tsx";

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;

/** "08:00–17:00" as minutes of the day; "" is closed; null for what is neither. */
export function readHours(text: string): DayHours | null {
  if (text.trim() === "") return { open: 0, close: 0 };
  const found = /^\s*(\d{1,2})[:.](\d{2})\s*(?:-|–|to)\s*(\d{1,2})[:.](\d{2})\s*$/.exec(text);
  if (!found) return null;
  const [h = 0, m = 0, h2 = 0, m2 = 0] = found.slice(1).map(Number);
  const [open, close] = [h * 60 + m, h2 * 60 + m2];
  return m < 60 && m2 < 60 && open < close && close <= 1440 ? { open, close } : null;
}
const hoursText = ({ open, close }: DayHours): string =>
  close <= open ? "" : `${clock(open)}–${clock(close)}`;

/** "2026-12-25 Christmas", a line a day; the first line that is none is told by its number. */
export function readClosed(text: string): ShopCalendar["closed"] | string {
  const days: { day: string; name: string }[] = [];
  for (const [i, line] of text.split("\n").entries()) {
    if (line.trim() === "") continue;
    const found = /^\s*(\d{4}-\d{2}-\d{2})\s*(.*)$/.exec(line);
    if (!found) return `line ${i + 1}: write a day as 2026-12-25, and its name`;
    days.push({ day: found[1] ?? "", name: (found[2] ?? "").trim() });
  }
  return days;
}

interface ShopHoursProps {
  readonly calendar: ShopCalendar;
  readonly onClose: () => void;
}

/** Benches, hours, closed days and the place of the shop: the owner's. */
export function ShopHours({ calendar, onClose }: ShopHoursProps) {
  const queries = useQueryClient();
  const [week, setWeek] = useState(calendar.week.map(hoursText));
  const [benches, setBenches] = useState(calendar.benches.join("\n"));
  const [closed, setClosed] = useState(
    calendar.closed.map(({ day, name }) => `${day} ${name}`).join("\n"),
  );
  const [latest, setLatest] = useState(clock(calendar.latest));
  const [zone, setZone] = useState(calendar.zone);
  const [place, setPlace] = useState(`${calendar.latitude}, ${calendar.longitude}`);
  const save = useMutation({
    mutationFn: (next: ShopCalendar) => ask("calendar", "PUT", next),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["calendar"] });
      onClose();
    },
  });
  const hours = week.map(readHours);
  const evening = readHours(`00:00-${latest}`);
  const days = readClosed(closed);
  const at = /^\s*(-?\d+(?:\.\d+)?)\s*,\s*(-?\d+(?:\.\d+)?)\s*$/.exec(place);
  const next: ShopCalendar | null =
    hours.every((day) => day !== null) && evening && typeof days !== "string" && at
      ? {
          zone: zone.trim(),
          latitude: Number(at[1]),
          longitude: Number(at[2]),
          benches: benches
            .split("\n")
            .map((b) => b.trim())
            .filter((b) => b !== ""),
          week: hours,
          closed: days,
          latest: evening.close,
        }
      : null;
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    if (next) save.mutate(next);
  };
  return (
    <Modal open onClose={onClose} title="Hours and benches">
      <form className="grid gap-3 sm:grid-cols-2" onSubmit={submit}>
        <fieldset className="grid content-start gap-2">
          <legend className="font-bold">Open, such as 08:00–17:00; empty is closed</legend>
          {DAYS.map((day, i) => (
            <FormField
              key={day}
              label={day}
              value={week[i] ?? ""}
              wrong={hours[i] === null ? "write it as 08:00–17:00, or leave it empty" : undefined}
              onChange={(e) => setWeek(week.map((w, k) => (k === i ? e.target.value : w)))}
            />
          ))}
        </fieldset>
        <div className="grid content-start gap-2">
          <LongField
            label="Benches, one a line"
            value={benches}
            onChange={(e) => setBenches(e.target.value)}
          />
          <LongField
            label="Closed days, one a line"
            hint="2026-12-25 Christmas"
            rows={6}
            value={closed}
            wrong={typeof days === "string" ? days : undefined}
            onChange={(e) => setClosed(e.target.value)}
          />
          <FormField
            label="Aiming in the dark until"
            value={latest}
            wrong={evening ? undefined : "write it as 21:00"}
            onChange={(e) => setLatest(e.target.value)}
          />
          <FormField
            label="Place: degrees north, east"
            hint="For when it gets dark. South and west are negative."
            value={place}
            wrong={at ? undefined : "write it as 54.6, -2.7"}
            onChange={(e) => setPlace(e.target.value)}
          />
          <FormField
            label="Time zone"
            hint="By its IANA name, such as Europe/Berlin."
            value={zone}
            onChange={(e) => setZone(e.target.value)}
          />
        </div>
        {save.error && (
          <div className="sm:col-span-2">
            <Trouble error={save.error} />
          </div>
        )}
        <div className="sm:col-span-2">
          <Button look="main" type="submit" disabled={!next || save.isPending}>
            Keep
          </Button>
        </div>
      </form>
    </Modal>
  );
}
