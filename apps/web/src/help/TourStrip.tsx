import { useEffect } from "react";
import { useNavigate } from "react-router";
import { useOpenJobs } from "../board/jobs.ts";
import { Button } from "../ui/Button.tsx";
import { TOUR, useTour } from "./tour.ts";
import { useTourEnd } from "./useTourEnd.ts";

/** A step, told above its page; the page is gone to. */
function Step({ step }: { step: number }) {
  const go = useTour((tour) => tour.go);
  const leave = useTourEnd();
  const navigate = useNavigate();
  const { data } = useOpenJobs();
  const at = TOUR[step];
  // The job that is gone through: the first whose circuits are there.
  const jobId = data?.find((job) => job.runs > 0)?.id;
  const to = at?.at && jobId ? `/jobs/${jobId}/${at.at}` : "/";
  const ready = data !== undefined;
  useEffect(() => {
    // Once for a step: who looks elsewhere meanwhile is not called back.
    if (ready) void navigate(to);
  }, [ready, to, navigate]);
  if (!at) return null;
  const last = step === TOUR.length - 1;
  return (
    <aside
      aria-label="First steps"
      className="no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair bg-accent-wash px-4 py-2"
    >
      <p role="status" className="min-w-64 flex-1 max-md:basis-full">
        <span className="num text-muted">
          {step + 1} of {TOUR.length}
        </span>{" "}
        <b>{at.title}.</b> {at.text}
      </p>
      {step > 0 && <Button onClick={() => go(step - 1)}>Back</Button>}
      <Button look="main" onClick={() => (last ? leave() : go(step + 1))}>
        {last ? "Done" : "Next"}
      </Button>
      {!last && (
        <Button look="quiet" onClick={leave}>
          Skip
        </Button>
      )}
    </aside>
  );
}

/** The way through a job, while somebody is led. */
export function TourStrip() {
  const step = useTour((tour) => tour.step);
  return step === null ? null : <Step step={step} />;
}
