import { useRef, useState } from "react";
import { flushSync } from "react-dom";
import { Link } from "react-router";
import type { PrintedSchedule } from "@dragonet/core";
import { Button } from "../ui/Button.tsx";
import { lateText, shopDay, shopMoment } from "./words.ts";

/** Label and value on a narrow page, a column of their own on a wide one. */
function Moment({ label, children }: { label: string; children: string }) {
  return (
    <span className="num flex gap-2 whitespace-nowrap">
      <span className="w-20 font-sans text-small text-muted md:sr-only">{label}</span>
      {children}
    </span>
  );
}

const COLUMNS =
  "grid grid-cols-1 gap-x-4 md:grid-cols-[minmax(0,5fr)_8.5rem_8.5rem_6.5rem_minmax(0,5fr)]";

/** Jobs that stand in the document at once: a shop's plan may have a thousand. */
const SHOWN = 50;

/** Leads on among what is planned, and back to its beginning; nothing where all of it is there. */
function Further({ at, of, onTurn }: { at: number; of: number; onTurn: (at: number) => void }) {
  if (of <= SHOWN) return null;
  return (
    <nav aria-label="More of the plan" className="mt-2 flex items-center gap-3">
      <span className="num text-small text-muted" role="status">
        {at + 1} to {Math.min(of, at + SHOWN)} of {of}
      </span>
      {at > 0 && (
        <Button look="quiet" onClick={() => onTurn(0)}>
          From the first
        </Button>
      )}
      {at + SHOWN < of && (
        <Button look="quiet" onClick={() => onTurn(at + SHOWN)}>
          Next ones
        </Button>
      )}
    </nav>
  );
}

/** Jobs by when they are done: what the picture shows, in words, some at a time. */
export function PlanList({
  plan,
  onOpen,
}: {
  plan: PrintedSchedule;
  onOpen: (id: string) => void;
}) {
  const list = useRef<HTMLUListElement>(null);
  const [turned, setTurned] = useState(0);
  const turn = (to: number): void => {
    flushSync(() => setTurned(to));
    // They are read from the first of them: what was pressed stands beneath the last.
    list.current?.querySelector<HTMLElement>("button, a")?.focus();
  };
  const of = plan.jobs.length + plan.unplanned.length;
  // Of a plan that has become shorter meanwhile: its beginning.
  const at = turned < of ? turned : 0;
  const unplannedAt = Math.max(0, at - plan.jobs.length);
  const left = Math.max(0, at + SHOWN - plan.jobs.length);
  return (
    <>
      <div className={`${COLUMNS} text-small text-muted max-md:hidden`} aria-hidden>
        {["Job", "Begins", "Done", "Promised", "What to know"].map((head) => (
          <span key={head}>{head}</span>
        ))}
      </div>
      <ul ref={list} aria-label="Jobs by when they are done">
        {plan.jobs.slice(at, at + SHOWN).map((job) => (
          <li key={job.id} className={`${COLUMNS} border-t border-hair py-1`}>
            <button
              type="button"
              className="touch text-left font-bold text-accent"
              onClick={() => onOpen(job.id)}
            >
              {job.title}
            </button>
            <Moment label="begins">{shopMoment(job.slots[0]?.start ?? job.end)}</Moment>
            <Moment label="done">{shopMoment(job.end)}</Moment>
            <Moment label="promised">{job.promised === "" ? "–" : shopDay(job.promised)}</Moment>
            <div className="text-small">
              {job.lateMin > 0 && <b className="block">{lateText(job.lateMin)} late</b>}
              {job.amiss.map((what) => (
                <b key={what} className="block">
                  {what}
                </b>
              ))}
              {job.provided.map((what) => (
                <span key={what} className="block">
                  if this is there: {what}
                </span>
              ))}
            </div>
          </li>
        ))}
        {plan.unplanned.slice(unplannedAt, left).map(({ id, title, why }) => (
          <li key={id} className={`${COLUMNS} border-t border-hair py-1`}>
            <Link to={`/jobs/${id}`} className="touch font-bold text-accent">
              {title}
            </Link>
            <b className="md:col-span-4">not planned: {why}</b>
          </li>
        ))}
      </ul>
      <Further at={at} of={of} onTurn={turn} />
    </>
  );
}
