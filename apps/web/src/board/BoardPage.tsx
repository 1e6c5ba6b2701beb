import { Plus, Search } from "lucide-react";
import { Suspense, lazy, useMemo, useState } from "react";
import { Link } from "react-router";
import { STAGES } from "@dragonet/core";
import type { JobOnBoardAnswer } from "@dragonet/contract";
import { dayText, momentText } from "../base/moment.ts";
import { useCanEdit, useMe } from "../base/session.ts";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";
import { useWaitingStore } from "../sync/waiting.ts";
import { changesWord, waitingActs } from "../sync/words.ts";
import { Button } from "../ui/Button.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import { useNow } from "../ui/useNow.ts";
import { Empty, Loading, Trouble } from "../ui/page/states.tsx";
import { ImportJob } from "./ImportJob.tsx";
import { matches, useJobs } from "./jobs.ts";
import { SayJob } from "./SayJob.tsx";
import { StageRuler } from "./StageRuler.tsx";
import { useTitle } from "../ui/page/useTitle.ts";

/** Its form and lists come when they are asked for: the board is the first page. */
const NewJob = lazy(async () => ({ default: (await import("./NewJob.tsx")).NewJob }));

const promisedText = (iso: string): string =>
  iso === "" ? "" : dayText(new Date(`${iso}T12:00:00`));

const WAIT_WORDS: Readonly<Record<string, string>> = {
  part: "part",
  cold: "too cold",
  dark: "waits for dark",
  customer: "customer",
  measure: "measure",
  other: "waits",
};

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
  if (job.waiting.length + curing.length === 0) {
    return <span className="text-muted">nothing in the way</span>;
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
    </ul>
  );
}

/** What of a job has not reached the server from this browser. */
function NotSaved({ jobId }: { jobId: string }) {
  const { id } = useMe();
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

function JobLine({ job }: { job: JobOnBoardAnswer }) {
  return (
    <li className="relative grid grid-cols-1 gap-x-6 gap-y-1 border-t border-hair py-2 hover:bg-sunk md:grid-cols-[minmax(0,5fr)_minmax(0,4fr)_5.5rem_minmax(0,6fr)]">
      <div>
        <Link
          to={`/jobs/${job.id}`}
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
      </div>
    </li>
  );
}

function Benches({ jobs }: { jobs: readonly JobOnBoardAnswer[] }) {
  const benches = [...new Set(jobs.map((j) => j.bench).filter((b) => b !== ""))].sort();
  if (benches.length === 0) return null;
  return (
    <section aria-labelledby="benches" className="border-b-2 border-ink pb-3">
      <h2 id="benches" className="text-small text-muted">
        On the benches
      </h2>
      <div className="grid grid-cols-1 gap-x-10 md:grid-cols-2">
        {benches.map((bench) => (
          <div key={bench}>
            <h3 className="mt-2 border-b border-ink text-lead">{bench}</h3>
            <ul>
              {jobs
                .filter((j) => j.bench === bench)
                .map((j) => (
                  <li key={j.id} className="flex items-center justify-between gap-3 py-1">
                    <span className="min-w-0">
                      <Link to={`/jobs/${j.id}`} className="font-bold text-accent">
                        {j.model}
                        {j.machine !== "" && `, ${j.machine}`}
                      </Link>
                      <span className="block text-small">
                        {j.title}. {STAGE_WORDS[j.stage]}
                        {j.promised !== "" && `, promised ${promisedText(j.promised)}`}
                      </span>
                    </span>
                    <StageRuler stage={j.stage} />
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

/** Home: what stands on the benches, then every job by stage with what is in its way. */
export function BoardPage() {
  useTitle("Jobs");
  const { data, error, isPending, refetch } = useJobs();
  const canEdit = useCanEdit();
  const [search, setSearch] = useState("");
  const [opening, setOpening] = useState(false);
  const found = useMemo(() => (data ?? []).filter((j) => matches(j, search)), [data, search]);

  if (isPending) return <Loading what="jobs" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-lead">Jobs</h1>
        <label className="control inline-flex items-center gap-2">
          <Search size={15} aria-hidden />
          <span className="sr-only">Search jobs</span>
          <input
            type="search"
            value={search}
            placeholder="Search"
            className="w-40 bg-transparent outline-none"
            onChange={(e) => setSearch(e.target.value)}
          />
        </label>
        {canEdit && <ImportJob />}
        {canEdit && (
          <Button look="main" onClick={() => setOpening(true)}>
            <Plus size={16} aria-hidden /> New job
          </Button>
        )}
      </div>
      {canEdit && <SayJob />}
      {opening && (
        <Suspense fallback={null}>
          <NewJob open onClose={() => setOpening(false)} />
        </Suspense>
      )}
      {data.length === 0 ? (
        <Empty title="No jobs yet">Open one from a vehicle profile, or take a job file in.</Empty>
      ) : found.length === 0 ? (
        <Empty title={`No job has “${search}”`}>Fewer words find more.</Empty>
      ) : (
        <>
          {search === "" && <Benches jobs={found} />}
          {STAGES.map((stage) => {
            const here = found
              .filter((j) => j.stage === stage)
              .sort((a, b) => (a.promised || "9").localeCompare(b.promised || "9"));
            if (here.length === 0) return null;
            return (
              <section key={stage} aria-labelledby={`stage-${stage}`} className="mt-4">
                <h2 id={`stage-${stage}`} className="flex items-baseline gap-2">
                  <span className="num text-muted">{stageNumber(stage)}</span>
                  {STAGE_WORDS[stage]}
                </h2>
                <ul>
                  {here.map((job) => (
                    <JobLine key={job.id} job={job} />
                  ))}
                </ul>
              </section>
            );
          })}
        </>
      )}
    </div>
  );
}
