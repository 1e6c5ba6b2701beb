import { Plus } from "lucide-react";
import { Suspense, lazy, useMemo, useState, type DragEvent } from "react";
import { STAGES, type Stage } from "@dragonet/core";
import type { JobOnBoardAnswer } from "@dragonet/contract";
import { isoDay } from "../base/moment.ts";
import { useCanEdit } from "../base/session.ts";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";
import { Button } from "../ui/Button.tsx";
import { useNow } from "../ui/useNow.ts";
import { Empty, Loading, Trouble } from "../ui/page/states.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import { Benches } from "./Benches.tsx";
import { BoardFilters } from "./BoardFilters.tsx";
import { isSeen, printView, useBoardView } from "./boardView.ts";
import { ImportJob } from "./newJob/ImportJob.tsx";
import { JobLine } from "./JobLine.tsx";
import { useJobs } from "./jobs.ts";
import { SayJob } from "./newJob/SayJob.tsx";
import { useMoveStage } from "./useMoveStage.ts";
import { TourOffer } from "../help/TourOffer.tsx";
import { Views } from "./Views.tsx";

/** Its form and lists come when they are asked for: the board is the first page. */
const NewJob = lazy(async () => ({ default: (await import("./newJob/NewJob.tsx")).NewJob }));

/** Jobs by stage, the soonest promised first; a job is put to another stage by dragging it there. */
function Stages({ jobs }: { jobs: readonly JobOnBoardAnswer[] }) {
  const canEdit = useCanEdit();
  const move = useMoveStage();
  const [dragged, setDragged] = useState<JobOnBoardAnswer | null>(null);
  const [over, setOver] = useState<Stage | null>(null);
  const letGo = (): void => {
    setDragged(null);
    setOver(null);
  };
  return STAGES.map((stage) => {
    const here = jobs
      .filter((job) => job.stage === stage)
      .sort((a, b) => (a.promised || "9").localeCompare(b.promised || "9"));
    const takes = dragged !== null && dragged.stage !== stage;
    if (here.length === 0 && !takes) return null;
    const hover = (e: DragEvent): void => {
      if (!takes) return;
      e.preventDefault();
      setOver(stage);
    };
    const drop = (e: DragEvent): void => {
      e.preventDefault();
      if (dragged && takes) move({ job: dragged, stage });
      letGo();
    };
    return (
      // A place to drop on is no control: the stage is chosen by keys in the job's own header.
      // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
      <section
        key={stage}
        aria-labelledby={`stage-${stage}`}
        className={`mt-4 ${takes ? `outline-2 outline-offset-2 outline-accent ${over === stage ? "bg-accent-wash outline-solid" : "outline-dashed"}` : ""}`}
        onDragOver={hover}
        onDragLeave={() => setOver(null)}
        onDrop={drop}
      >
        <h2 id={`stage-${stage}`} className="flex items-baseline gap-2">
          <span className="num text-muted">{stageNumber(stage)}</span>
          {STAGE_WORDS[stage]}
        </h2>
        <ul>
          {here.map((job) => (
            <JobLine
              key={job.id}
              job={job}
              onDrag={canEdit ? (picked) => (picked ? setDragged(picked) : letGo()) : undefined}
            />
          ))}
        </ul>
      </section>
    );
  });
}

/** Home: what stands on the benches, then every job by stage with what is in its way and what is next. */
export function BoardPage() {
  useTitle("Jobs");
  const { data, error, isPending, refetch } = useJobs();
  const canEdit = useCanEdit();
  const [view, look] = useBoardView();
  const [opening, setOpening] = useState(false);
  const today = isoDay(new Date(useNow()));
  const query = printView(view);
  const found = useMemo(
    () => (data ?? []).filter((job) => isSeen(job, view, today)),
    // The view is new at every look at the address; what it says is the query.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
    [data, query, today],
  );

  if (isPending) return <Loading what="jobs" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-lead">Jobs</h1>
        {canEdit && <ImportJob />}
        {canEdit && (
          <Button look="main" onClick={() => setOpening(true)}>
            <Plus size={16} aria-hidden /> New job
          </Button>
        )}
      </div>
      {data.some((job) => job.runs > 0) && <TourOffer />}
      {canEdit && <SayJob />}
      {opening && (
        <Suspense fallback={null}>
          <NewJob open onClose={() => setOpening(false)} />
        </Suspense>
      )}
      {data.length > 0 && <BoardFilters view={view} onChange={look} jobs={data} />}
      <Views query={query} />
      {data.length === 0 ? (
        <Empty title="No jobs yet">Open one from a vehicle profile, or take a job file in.</Empty>
      ) : found.length === 0 ? (
        <Empty title={view.words === "" ? "No job is like that" : `No job has “${view.words}”`}>
          Fewer words, or less left out, find more.
        </Empty>
      ) : (
        <>
          {query === "" && <Benches jobs={found} />}
          <Stages jobs={found} />
        </>
      )}
    </div>
  );
}
