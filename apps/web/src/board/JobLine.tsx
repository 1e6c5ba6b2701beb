import { memo, type DragEvent } from "react";
import { Link } from "react-router";
import type { JobOnBoardAnswer } from "@dragonet/contract";
import { dayText, momentText } from "../base/moment.ts";
import { useCurrentUser } from "../base/session.ts";
import { useWaitingStore } from "../sync/waiting.ts";
import { changesWord, waitingActs } from "../sync/words.ts";
import { SeverityMark } from "../ui/Severity.tsx";
import { useNow } from "../ui/useNow.ts";
import { WAIT_WORDS } from "./waitWords.ts";

export const promisedText = (iso: string): string =>
  iso === "" ? "" : dayText(new Date(`${iso}T12:00:00`));

/** What still cures, and until when. */
function curingAt(job: JobOnBoardAnswer, now: number): { what: string; words: string }[] {
  return job.curing.flatMap(({ what, handleAt, curedAt }) => {
    const [handle, cured] = [new Date(handleAt), new Date(curedAt)];
    if (cured.getTime() <= now) return [];
    const words =
      handle.getTime() > now
        ? `not to be moved before ${momentText(handle)}`
        : `bears from ${momentText(cured)}`;
    return [{ what, words }];
  });
}

function Waiting({ job }: { job: JobOnBoardAnswer }) {
  const curing = curingAt(job, useNow());
  const { worst } = job;
  // A stop is among what it waits for; anything less is told beneath it.
  const isTold = job.waiting.some(({ text }) => text === worst?.title);
  const told = worst && worst.severity !== "stop" && !isTold ? worst : null;
  if (job.waiting.length + curing.length === 0 && !told) {
    return <span className="text-muted">waits for nothing</span>;
  }
  return (
    <ul>
      {curing.map(({ what, words }) => (
        <li key={what}>
          <b>cures:</b> {what}, {words}
        </li>
      ))}
      {job.waiting.slice(0, 3).map((w, i) => (
        <li key={i} className="flex items-baseline gap-1.5">
          {w.kind === "stop" ? (
            <SeverityMark severity="stop" />
          ) : (
            <span className="font-bold whitespace-nowrap">{WAIT_WORDS[w.kind]}:</span>
          )}
          <span>{w.text}</span>
        </li>
      ))}
      {job.waiting.length > 3 && <li className="text-muted">and {job.waiting.length - 3} more</li>}
      {told && (
        <li className="flex items-baseline gap-1.5">
          <SeverityMark severity={told.severity} word={false} />
          <span>
            {told.title}
            {told.count > 1 && <span className="text-muted"> and {told.count - 1} more</span>}
          </span>
        </li>
      )}
    </ul>
  );
}

/** What of a job has not reached the server from this browser. */
function NotSaved({ jobId }: { jobId: string }) {
  const { id } = useCurrentUser();
  const waits = useWaitingStore((s) => waitingActs(s.waiting, id, jobId));
  const aside = useWaitingStore(
    (s) => s.setAside.filter((a) => a.batch.jobId === jobId && a.batch.personId === id).length,
  );
  if (waits + aside === 0) return null;
  return (
    <div className="text-small font-bold">
      {waits > 0 && `${changesWord(waits)} not saved yet`}
      {waits > 0 && aside > 0 && ", "}
      {aside > 0 && `${changesWord(aside)} not taken: open the job`}
    </div>
  );
}

interface JobLineProps {
  readonly job: JobOnBoardAnswer;
  /** Told when it is picked up to be put to another stage, and when it is let go; not for viewers. */
  readonly onDrag?: ((job: JobOnBoardAnswer | null) => void) | undefined;
}

/** A job of the board: whose, on what, until when, what it waits for and what is next. */
export const JobLine = memo(function JobLine({ job, onDrag }: JobLineProps) {
  const pick = (e: DragEvent): void => {
    e.dataTransfer.effectAllowed = "move";
    e.dataTransfer.setData("text/plain", job.title);
    onDrag?.(job);
  };
  return (
    <li
      className="relative grid grid-cols-1 gap-x-6 gap-y-1 border-t border-hair py-2 hover:bg-sunk md:grid-cols-[minmax(0,5fr)_minmax(0,4fr)_5.5rem_minmax(0,6fr)]"
      {...(onDrag && { draggable: true, onDragStart: pick, onDragEnd: () => onDrag(null) })}
    >
      <div>
        <Link
          to={`/jobs/${job.id}`}
          draggable={false}
          className="font-bold text-accent after:absolute after:inset-0 focus-visible:after:outline-2"
        >
          {job.title}
        </Link>
        <div className="text-muted">{job.customer}</div>
        <NotSaved jobId={job.id} />
      </div>
      <div>
        <div>{job.model}</div>
        <div className="text-muted">{job.machine}</div>
      </div>
      <div className="num text-small">{promisedText(job.promised)}</div>
      <div className="text-small">
        <Waiting job={job} />
        <div>
          <span className="text-muted">next:</span>{" "}
          <Link
            to={`/jobs/${job.id}/${job.next.stage}`}
            draggable={false}
            className="relative text-accent underline"
          >
            {job.next.text}
          </Link>
        </div>
      </div>
    </li>
  );
});
