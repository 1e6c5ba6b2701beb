import { useEffect, useRef } from "react";
import { useLocation, useNavigate, useRouteError } from "react-router";
import { Button } from "../ui/Button.tsx";
import { Trouble } from "../ui/page/states.tsx";
import { useJobStore } from "./store/jobStore.ts";

/**
 * A stage that broke, in the page or in what was computed for it: what it was, and the ways on.
 * The job's head and its other pages stay; with the next change of the job it is tried again.
 */
export function StageTrouble() {
  const error = useRouteError();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const job = useJobStore((s) => s.job);
  const canUndo = useJobStore((s) => s.undoSteps.length > 0);
  const again = (): void => void navigate(pathname, { replace: true });
  const broke = useRef(job);
  useEffect(() => {
    if (job === broke.current) return;
    broke.current = job;
    void navigate(pathname, { replace: true });
  }, [job, navigate, pathname]);
  return (
    <>
      <Trouble error={error} onRetry={again} />
      <p className="m-4 max-w-prose text-muted">
        This page could not be worked out. Nothing is lost: the job is as it was, and its other
        pages are there.
      </p>
      {canUndo && (
        <Button className="mx-4" onClick={() => useJobStore.getState().undo()}>
          Undo the last change
        </Button>
      )}
    </>
  );
}
