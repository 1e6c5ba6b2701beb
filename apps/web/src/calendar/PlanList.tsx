import { Link } from "react-router";
import type { PrintedSchedule } from "@dragonet/core";
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

/** Every job by when it is done: what the picture shows, in words. */
export function PlanList({
  plan,
  onOpen,
}: {
  plan: PrintedSchedule;
  onOpen: (id: string) => void;
}) {
  return (
    <>
      <div className={`${COLUMNS} text-small text-muted max-md:hidden`} aria-hidden>
        {["Job", "Begins", "Done", "Promised", "What to know"].map((head) => (
          <span key={head}>{head}</span>
        ))}
      </div>
      <ul aria-label="Jobs by when they are done">
        {plan.jobs.map((job) => (
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
        {plan.unplanned.map(({ id, title, why }) => (
          <li key={id} className={`${COLUMNS} border-t border-hair py-1`}>
            <Link to={`/jobs/${id}`} className="touch font-bold text-accent">
              {title}
            </Link>
            <b className="md:col-span-4">not planned: {why}</b>
          </li>
        ))}
      </ul>
    </>
  );
}
