import { memo, useCallback, useDeferredValue, useState, type DragEvent } from "react";
import { Link, useSearchParams } from "react-router";
import { STAGES, type Stage } from "@dragonet/core";
import type { BoardStageAnswer, JobOnBoardAnswer } from "@dragonet/contract";
import { useCanEdit } from "../base/session.ts";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";
import { Turns } from "../ui/page/Turns.tsx";
import { Loading, Trouble } from "../ui/page/states.tsx";
import { JobLine } from "./JobLine.tsx";
import { useJobsPage } from "./jobs.ts";
import { useMoveStage } from "./useMoveStage.ts";

type Counted = Pick<BoardStageAnswer, "count" | "uncounted">;

const countText = ({ count, uncounted }: Counted): string => `${uncounted ? "over " : ""}${count}`;

/** Jobs of one stage that the page holds at once. */
const A_PAGE = 50;

const PLAIN_LINK = "touch inline-flex items-center text-accent underline";

function Heading({ stage, counted }: { stage: Stage; counted: Counted | undefined }) {
  return (
    <h2 id={`stage-${stage}`} className="flex items-baseline gap-2">
      <span className="num text-muted">{stageNumber(stage)}</span>
      {STAGE_WORDS[stage]}
      {counted && counted.count > 1 && (
        <span className="num text-small font-normal text-muted">{countText(counted)}</span>
      )}
    </h2>
  );
}

/** Jobs that a screen shows before anybody scrolls: they are drawn first, the others right behind them. */
const ON_A_SCREEN = 8;

function firstOf(stages: readonly BoardStageAnswer[]): readonly BoardStageAnswer[] {
  let left = ON_A_SCREEN;
  return stages.map((stage) => {
    const jobs = stage.jobs.slice(0, left);
    left -= jobs.length;
    return { ...stage, jobs };
  });
}

interface StagesProps {
  readonly stages: readonly BoardStageAnswer[];
  /** What is looked at, as the address has it. */
  readonly query: string;
}

/** Jobs by stage, the soonest promised first; a job is put to another stage by dragging it there. */
export const Stages = memo(function Stages({ stages: all, query }: StagesProps) {
  const stages = useDeferredValue(all, firstOf(all));
  const canEdit = useCanEdit();
  const move = useMoveStage();
  const [dragged, setDragged] = useState<JobOnBoardAnswer | null>(null);
  const [over, setOver] = useState<Stage | null>(null);
  /** Takes one up, or lets go of it. */
  const drag = useCallback((picked: JobOnBoardAnswer | null): void => {
    setDragged(picked);
    if (!picked) setOver(null);
  }, []);
  return STAGES.map((stage) => {
    const told = stages.find((one) => one.stage === stage);
    const here = told?.jobs ?? [];
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
      drag(null);
    };
    return (
      // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- a place to drop on is no control: keys choose the stage in the job's own header
      <section
        key={stage}
        aria-labelledby={`stage-${stage}`}
        className={`in-view mt-4 ${takes ? `outline-2 outline-offset-2 outline-accent ${over === stage ? "bg-accent-wash outline-solid" : "outline-dashed"}` : ""}`}
        onDragOver={hover}
        onDragLeave={() => setOver(null)}
        onDrop={drop}
      >
        <Heading stage={stage} counted={told} />
        <ul>
          {here.map((job) => (
            <JobLine key={job.id} job={job} onDrag={canEdit ? drag : undefined} />
          ))}
        </ul>
        {stages === all && told && (told.uncounted || told.count > here.length) && (
          <Link to={`/?${query === "" ? "" : `${query}&`}stage=${stage}`} className={PLAIN_LINK}>
            {told.uncounted ? "All of them" : `All ${told.count}`} at {STAGE_WORDS[stage]}
          </Link>
        )}
      </section>
    );
  });
});

interface OneStageProps {
  readonly stage: Stage;
  readonly count: Counted | undefined;
  /** What the server is asked for. */
  readonly asked: string;
}

/** Every job of one stage, some at a time: the page holds no more than it shows. */
export function OneStage({ stage, count, asked }: OneStageProps) {
  const [params] = useSearchParams();
  const after = params.get("after") ?? "";
  const place = new URLSearchParams({ size: String(A_PAGE), ...(after === "" ? {} : { after }) });
  const { data, error, isPending, refetch } = useJobsPage(`${asked}&${place.toString()}`);
  if (isPending) return <Loading what="jobs" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  return (
    <section aria-labelledby={`stage-${stage}`} className="mt-4">
      <Heading stage={stage} counted={count} />
      <ul>
        {data.jobs.map((job) => (
          <JobLine key={job.id} job={job} />
        ))}
      </ul>
      <Turns what="jobs" next={data.next} />
    </section>
  );
}
