import { useState } from "react";
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
  const [said, setSaid] = useState(booked);
  const half = said.bench !== ANYWHERE && said.start === "";
  const save = (): void => {
    onSave(said.bench === ANYWHERE ? { ...said, start: "" } : said);
    onClose();
  };
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
        <form
          className="mt-3 grid gap-3 sm:grid-cols-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (!half) save();
          }}
        >
          <FormField
            label="Not before"
            hint="Its parts or its customer come on that day."
            type="date"
            value={said.notBefore}
            onChange={(e) => setSaid({ ...said, notBefore: e.target.value })}
          />
          <span />
          <div className="flex flex-col gap-1">
            <span className="font-bold">Stays at</span>
            <Choice<string>
              label="Stays at"
              value={said.bench}
              options={[
                { value: ANYWHERE, label: "wherever it fits" },
                ...benches.map((value) => ({ value, label: value })),
              ]}
              onChange={(bench) => setSaid({ ...said, bench })}
            />
          </div>
          {said.bench !== ANYWHERE && (
            <FormField
              label="From"
              type="datetime-local"
              value={said.start}
              wrong={half ? "say from when on" : undefined}
              onChange={(e) => setSaid({ ...said, start: e.target.value.slice(0, 16) })}
            />
          )}
          <div className="flex gap-3 sm:col-span-2">
            <Button look="main" type="submit" disabled={half}>
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
