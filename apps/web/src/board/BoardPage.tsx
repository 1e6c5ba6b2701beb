import { Suspense, lazy, useMemo } from "react";
import type { BoardAnswer, JobOnBoardAnswer } from "@dragonet/contract";
import { isoDay } from "../base/moment.ts";
import { useCanEdit } from "../base/session.ts";
import { useNow } from "../ui/useNow.ts";
import { TYPING_MS, useSettled } from "../ui/useSettled.ts";
import { Empty, Loading, Trouble } from "../ui/page/states.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import { Benches } from "./Benches.tsx";
import { NewJobButton } from "./newJob/NewJobButton.tsx";
import { NewJobsHere } from "./newJob/NewJobsHere.tsx";
import { askedOf, printView, useBoardView } from "./boardView.ts";
import { ImportJob } from "./newJob/ImportJob.tsx";
import { useBoard } from "./jobs.ts";
import { SayJob } from "./newJob/SayJob.tsx";
import { useKeptAtHand, useNewJobAhead } from "./ahead/useKeptAtHand.ts";
import { OneStage, Stages } from "./Stages.tsx";
import { TourOffer } from "../help/TourOffer.tsx";
import { Views } from "./Views.tsx";

/** Its lists of choices come behind the jobs themselves. */
const BoardFilters = lazy(async () => ({
  default: (await import("./BoardFilters.tsx")).BoardFilters,
}));

/** Jobs that somebody may be sent to without a network: on the benches first, none handed over. */
const atHand = ({ onBenches, stages }: BoardAnswer): readonly JobOnBoardAnswer[] => [
  ...onBenches,
  ...stages.filter(({ stage }) => stage !== "handOver").flatMap(({ jobs }) => jobs),
];

/** Home: what stands on the benches, then every job by stage with what it waits for and what is next. */
export function BoardPage() {
  useTitle("Jobs");
  const canEdit = useCanEdit();
  const [view, look] = useBoardView();
  const today = isoDay(new Date(useNow()));
  const query = printView(view);
  const asked = askedOf({ ...view, words: useSettled(view.words, TYPING_MS) }, today);
  const { data, error, isPending, refetch } = useBoard(asked);
  useKeptAtHand(useMemo(() => (data ? atHand(data) : []), [data]));
  useNewJobAhead(canEdit);

  if (isPending) return <Loading what="jobs" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-lead">Jobs</h1>
        {canEdit && <ImportJob />}
        {canEdit && <NewJobButton />}
      </div>
      {data.any && <TourOffer />}
      {canEdit && <SayJob />}
      <NewJobsHere />
      {data.any && (
        // As high as what comes: nothing moves under a press.
        <Suspense fallback={<div className="mb-2 h-10 max-md:h-33" />}>
          <BoardFilters view={view} onChange={look} benches={data.benches} />
        </Suspense>
      )}
      <Views query={query} />
      {!data.any ? (
        <Empty title="No jobs yet">Open one from a vehicle profile, or take a job file in.</Empty>
      ) : data.stages.length === 0 ? (
        <Empty title={view.words === "" ? "No job is like that" : `No job has “${view.words}”`}>
          Fewer words, or less left out, find more.
        </Empty>
      ) : (
        <>
          {query === "" && <Benches jobs={data.onBenches} />}
          {view.stage === "" ? (
            <Stages stages={data.stages} query={query} />
          ) : (
            <OneStage
              stage={view.stage}
              count={data.stages.find((told) => told.stage === view.stage)}
              asked={asked}
            />
          )}
        </>
      )}
    </div>
  );
}
