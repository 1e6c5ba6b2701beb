import { Controller, useForm } from "react-hook-form";
import { Link } from "react-router";
import { SLOT_WORDS, type PrintedSchedule } from "@dragonet/core";
import type { BookingRequest } from "@dragonet/contract";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { lateText, shopDay, shopMoment } from "./words.ts";

type Job = PrintedSchedule["jobs"][number];

interface BookDialogProps {
  readonly job: Job;
  readonly booked: BookingRequest;
  readonly benches: readonly string[];
  readonly canEdit: boolean;
  readonly onSave: (said: BookingRequest) => void;
  readonly onClose: () => void;
}

const ANYWHERE = "";

/** A job's stretches, and what is said about them: where it stays, and what day it waits for. */
export function BookDialog({ job, booked, benches, canEdit, onSave, onClose }: BookDialogProps) {
  const { register, handleSubmit, formState, control, watch } = useForm<BookingRequest>({
    defaultValues: booked,
  });
  const bench = watch("bench");
  const save = handleSubmit((said) => {
    const start = said.bench === ANYWHERE ? "" : said.start.slice(0, 16);
    onSave({ ...booked, ...said, start });
    onClose();
  });
  return (
    <Modal open onClose={onClose} title={job.title}>
      <p>
        <Link to={`/jobs/${job.id}`} className="touch text-accent underline">
          Open the job
        </Link>
        {job.promised !== "" && ` · promised ${shopDay(job.promised)}`}
        {job.lateMin > 0 && <b> · done {lateText(job.lateMin)} later than that</b>}
      </p>
      <ol className="my-3">
        {job.slots.map(({ kind, start, end, bench, who }) => (
          <li key={start + kind} className="flex flex-wrap gap-x-4 border-t border-hair py-1">
            <b className="w-36">{SLOT_WORDS[kind]}</b>
            <span className="num">
              {shopMoment(start)} to {shopMoment(end)}
            </span>
            <span className="text-muted">{[bench, who].filter((w) => w !== "").join(", ")}</span>
          </li>
        ))}
      </ol>
      {job.provided.map((what) => (
        <p key={what} className="text-small">
          <b>If this is there:</b> {what}. Say below when it comes, and the plan waits for it.
        </p>
      ))}
      {job.amiss.map((what) => (
        <p key={what} className="font-bold">
          {what}
        </p>
      ))}
      {canEdit && (
        <form className="mt-3 grid gap-3 sm:grid-cols-2" noValidate onSubmit={(e) => void save(e)}>
          <FormField
            label="Not before"
            hint="Its parts or its customer come on that day."
            type="date"
            {...register("notBefore")}
          />
          <span />
          <div className="flex flex-col gap-1">
            <span className="font-bold">Stays at</span>
            <Controller
              control={control}
              name="bench"
              render={({ field }) => (
                <Choice<string>
                  label="Stays at"
                  value={field.value}
                  options={[
                    { value: ANYWHERE, label: "wherever it fits" },
                    ...benches.map((value) => ({ value, label: value })),
                  ]}
                  onChange={field.onChange}
                />
              )}
            />
          </div>
          {bench !== ANYWHERE && (
            <FormField
              label="From"
              type="datetime-local"
              wrong={formState.errors.start?.message}
              {...register("start", {
                validate: (from, { bench: at }) =>
                  at === ANYWHERE || from !== "" || "say from when on",
              })}
            />
          )}
          <div className="flex gap-3 sm:col-span-2">
            <Button look="main" type="submit">
              Keep
            </Button>
            {booked.start !== "" && (
              <Button
                onClick={() => {
                  onSave({ ...booked, start: "", bench: "" });
                  onClose();
                }}
              >
                Let it go
              </Button>
            )}
          </div>
        </form>
      )}
    </Modal>
  );
}
