import { Link } from "react-router";
import { STAGES, nextThing, type Stage } from "@dragonet/core";
import { useNarrow } from "../../base/useNarrow.ts";
import { Tab } from "../../ui/page/Tab.tsx";
import { useJob } from "../store/jobStore.ts";
import { STAGE_WORDS, stageNumber } from "../stages.ts";
import { usePlan } from "../usePlan.ts";

/** What is to be done next, where the thumb is; nothing where it is done on this page. */
function NextThing({ jobId, here }: { jobId: string; here: Stage | undefined }) {
  const job = useJob();
  const plan = usePlan();
  if (!plan) return null;
  const { stage, text } = nextThing(job, plan.findings);
  if (stage === here) return null;
  return (
    <Link
      to={`/jobs/${jobId}/${stage}`}
      className="flex min-h-11 items-center gap-2 bg-accent px-4 py-1 leading-tight text-on-accent"
    >
      <b>Next</b> {text}
    </Link>
  );
}

/** The job's pages: beside its name, or at the foot of a phone. */
export function StageNav({ jobId, here }: { jobId: string; here: Stage | undefined }) {
  const phone = useNarrow("md");
  return (
    <div className="max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-30 max-md:border-t max-md:border-hair max-md:bg-paper max-md:pb-[env(safe-area-inset-bottom)]">
      {phone && <NextThing jobId={jobId} here={here} />}
      <nav
        aria-label="Stages"
        className="flex gap-x-2 max-md:overflow-x-auto max-md:px-2 md:flex-wrap"
      >
        {STAGES.map((stage) => (
          <Tab key={stage} to={`/jobs/${jobId}/${stage}`}>
            <span className="num text-small text-muted" aria-hidden>
              {stageNumber(stage)}
            </span>
            {STAGE_WORDS[stage]}
          </Tab>
        ))}
        <Tab to={`/jobs/${jobId}/sheet`}>Sheet</Tab>
        <Tab to={`/jobs/${jobId}/history`}>History</Tab>
      </nav>
    </div>
  );
}
