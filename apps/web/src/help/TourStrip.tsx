import { useEffect } from "react";
import { useNavigate } from "react-router";
import { useMe } from "../base/session.ts";
import { useJobs } from "../board/jobs.ts";
import { useLikes } from "../settings/useLikes.ts";
import { Button } from "../ui/Button.tsx";
import { TOUR, useTour } from "./tour.ts";

/** The job that is gone through: one whose circuits are there, the furthest on. */
function useTourJob(): string | null {
  const { data } = useJobs();
  const built = (data ?? []).filter((job) => job.runs > 0);
  return built[0]?.id ?? null;
}

/** Offered on the board until somebody took it or said no; then told step by step above each page. */
export function TourStrip({ offered }: { offered: boolean }) {
  const { preferences } = useMe();
  const { step, begin, go, end } = useTour();
  const save = useLikes();
  const navigate = useNavigate();
  const jobId = useTourJob();
  const at = step === null ? undefined : TOUR[step];
  useEffect(() => {
    if (!at) return;
    void navigate(at.at === "" || jobId === null ? "/" : `/jobs/${jobId}/${at.at}`);
  }, [at, jobId, navigate]);
  const leave = (): void => {
    end();
    if (preferences.toured !== true) save.mutate({ ...preferences, toured: true });
  };
  if (step === null || !at) {
    if (!offered || preferences.toured === true || jobId === null) return null;
    return (
      <aside
        aria-label="First steps"
        className="no-print mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-2 border-accent py-1 pl-3"
      >
        <span>New here? Five steps through a job.</span>
        <Button look="main" onClick={begin}>
          Begin
        </Button>
        <Button look="quiet" onClick={leave}>
          Not now
        </Button>
      </aside>
    );
  }
  if (offered) return null;
  const last = step === TOUR.length - 1;
  return (
    <aside
      aria-label="First steps"
      className="no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair bg-accent-wash px-4 py-2"
    >
      <p role="status" className="min-w-64 flex-1">
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
