import { Link } from "react-router";
import { STAGES, nextThing, type Stage } from "@dragonet/core";
import { useNarrow } from "../../base/useNarrow.ts";
import { FoldedPages } from "../../ui/page/FoldedPages.tsx";
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

/** A page of a job: its address behind the job's, its name, and its number where it is a stage. */
interface JobPage {
  readonly at: string;
  readonly words: string;
  readonly number: number | null;
}

const PAGES_OF_JOB: readonly JobPage[] = [
  ...STAGES.map((at) => ({ at, words: STAGE_WORDS[at], number: stageNumber(at) })),
  { at: "sheet", words: "Sheet", number: null },
  { at: "history", words: "History", number: null },
];

const PageName = ({ page }: { page: JobPage }) => (
  <>
    {page.number !== null && (
      <span className="num text-small text-muted" aria-hidden>
        {page.number}
      </span>
    )}
    {page.words}
  </>
);

/** At the foot of a phone: the open page, from which all are reached, between its neighbours. */
function PhoneNav({ jobId, at }: { jobId: string; at: string }) {
  const open = PAGES_OF_JOB.findIndex((page) => page.at === at);
  const tabOf = (page: JobPage | undefined) =>
    page && (
      <Tab key={page.at} to={`/jobs/${jobId}/${page.at}`}>
        <PageName page={page} />
      </Tab>
    );
  const here = PAGES_OF_JOB[open];
  return (
    <nav aria-label="Stages" className="grid grid-cols-[1fr_auto_1fr] items-center px-2">
      <span>{tabOf(PAGES_OF_JOB[open - 1])}</span>
      <FoldedPages up here={here ? <PageName page={here} /> : "Pages"}>
        {PAGES_OF_JOB.map(tabOf)}
      </FoldedPages>
      <span className="text-right">{tabOf(PAGES_OF_JOB[open + 1])}</span>
    </nav>
  );
}

/** The job's pages: beside its name, or at the foot of a phone. */
export function StageNav({
  jobId,
  here,
  at,
}: {
  jobId: string;
  here: Stage | undefined;
  at: string;
}) {
  const phone = useNarrow("md");
  if (phone) {
    return (
      <div className="fixed inset-x-0 bottom-0 z-30 border-t border-hair bg-paper pb-[env(safe-area-inset-bottom)]">
        <NextThing jobId={jobId} here={here} />
        <PhoneNav jobId={jobId} at={at} />
      </div>
    );
  }
  return (
    <nav aria-label="Stages" className="flex flex-wrap gap-x-2">
      {PAGES_OF_JOB.map((page) => (
        <Tab key={page.at} to={`/jobs/${jobId}/${page.at}`}>
          <PageName page={page} />
        </Tab>
      ))}
    </nav>
  );
}
