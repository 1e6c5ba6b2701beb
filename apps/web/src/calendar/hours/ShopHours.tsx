import { itemAt } from "@dragonet/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import type { ShopCalendar } from "@dragonet/core";
import { ask } from "../../base/api.ts";
import { Button } from "../../ui/Button.tsx";
import { FormField, LongField } from "../../ui/forms/FormField.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { Trouble } from "../../ui/page/states.tsx";
import {
  awayText,
  clockText,
  hoursText,
  readAway,
  readClock,
  readClosed,
  readHours,
  readPlace,
} from "./readHours.ts";

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** The calendar of a shop as it is written. */
interface Fields {
  week: string[];
  benches: string;
  closed: string;
  away: string;
  latest: string;
  place: string;
  zone: string;
}

const written = (calendar: ShopCalendar): Fields => ({
  week: calendar.week.map(hoursText),
  benches: calendar.benches.join("\n"),
  closed: calendar.closed.map(({ day, name }) => `${day} ${name}`).join("\n"),
  away: (calendar.away ?? []).map(awayText).join("\n"),
  latest: clockText(calendar.latest),
  place: `${calendar.latitude}, ${calendar.longitude}`,
  zone: calendar.zone,
});

/** What was written, once each field of it has been found right. */
function read(fields: Fields, before: ShopCalendar, people: readonly string[]): ShopCalendar {
  const away = readAway(fields.away, people);
  const closed = readClosed(fields.closed);
  return {
    ...before,
    ...readPlace(fields.place),
    zone: fields.zone.trim(),
    benches: fields.benches
      .split("\n")
      .map((bench) => bench.trim())
      .filter((bench) => bench !== ""),
    week: fields.week.map((day, i) => readHours(day) ?? itemAt(before.week, i)),
    closed: typeof closed === "string" ? before.closed : closed,
    away: typeof away === "string" ? before.away : away,
    latest: readClock(fields.latest) ?? before.latest,
  };
}

interface ShopHoursProps {
  readonly calendar: ShopCalendar;
  /** Who works here. */
  readonly people: readonly string[];
  readonly onClose: () => void;
}

/** Benches, hours, closed days and the place of the shop: the owner's. */
export function ShopHours({ calendar, people, onClose }: ShopHoursProps) {
  const queries = useQueryClient();
  const { register, handleSubmit, formState } = useForm<Fields>({
    defaultValues: written(calendar),
    mode: "onChange",
  });
  const { errors } = formState;
  const save = useMutation({
    mutationFn: (fields: Fields) => ask("calendar", "PUT", read(fields, calendar, people)),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["calendar"] });
      onClose();
    },
  });
  const rule = (isRight: (text: string) => boolean, otherwise: string) => ({
    validate: (text: string) => isRight(text) || otherwise,
  });
  const day = rule(
    (text) => readHours(text) !== null,
    "write it as 08:00–17:00, or leave it empty",
  );
  return (
    <Modal open onClose={onClose} title="Hours and benches">
      <form
        noValidate
        className="grid gap-3 sm:grid-cols-2"
        onSubmit={(e) => void handleSubmit((fields) => save.mutate(fields))(e)}
      >
        <fieldset className="grid content-start gap-2">
          <legend className="font-bold">Open, such as 08:00–17:00; empty is closed</legend>
          {DAYS.map((name, i) => (
            <FormField
              key={name}
              label={name}
              wrong={errors.week?.[i]?.message}
              {...register(`week.${i}`, day)}
            />
          ))}
        </fieldset>
        <div className="grid content-start gap-2">
          <LongField label="Benches, one a line" {...register("benches")} />
          <LongField
            label="Closed days, one a line"
            hint="2026-12-25 Christmas"
            rows={6}
            wrong={errors.closed?.message}
            {...register("closed", {
              validate: (text) => {
                const days = readClosed(text);
                return typeof days === "string" ? days : true;
              },
            })}
          />
          <LongField
            label="Days off, one a line"
            hint="Name, first day to last"
            rows={4}
            wrong={errors.away?.message}
            {...register("away", {
              validate: (text) => {
                const away = readAway(text, people);
                return typeof away === "string" ? away : true;
              },
            })}
          />
          <FormField
            label="Aiming in the dark until"
            wrong={errors.latest?.message}
            {...register(
              "latest",
              rule((text) => readClock(text) !== null, "write it as 21:00"),
            )}
          />
          <FormField
            label="Place: degrees north, east"
            hint="For when it gets dark. South and west are negative."
            wrong={errors.place?.message}
            {...register(
              "place",
              rule((text) => readPlace(text) !== null, "write it as 54.6, -2.7"),
            )}
          />
          <FormField
            label="Time zone"
            hint="By its IANA name, such as Europe/Berlin."
            {...register("zone")}
          />
        </div>
        {save.error && (
          <div className="sm:col-span-2">
            <Trouble error={save.error} />
          </div>
        )}
        <div className="sm:col-span-2">
          <Button look="main" type="submit" disabled={!formState.isValid || save.isPending}>
            Keep
          </Button>
        </div>
      </form>
    </Modal>
  );
}
