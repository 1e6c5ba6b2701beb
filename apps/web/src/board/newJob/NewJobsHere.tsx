import { Link } from "react-router";
import { useCurrentUser } from "../../base/session.ts";
import { letGoOf, useWaitingStore } from "../../sync/waiting.ts";
import { Button } from "../../ui/Button.tsx";
import { saveText } from "../../ui/saveText.ts";

/** Jobs that were opened without a network and are only in this browser yet. */
export function NewJobsHere() {
  const { id } = useCurrentUser();
  const all = useWaitingStore((s) => s.newJobs);
  const jobs = all.filter(({ personId }) => personId === id);
  if (jobs.length === 0) return null;
  return (
    <section aria-label="Only in this browser" className="mb-4 border-l-2 border-accent pl-4">
      <h2 className="font-bold">Only in this browser</h2>
      <ul>
        {jobs.map((job) => (
          <li key={job.id} className="flex flex-wrap items-baseline gap-x-3 py-1">
            <Link to={`/jobs/${job.id}`} className="font-bold text-accent">
              {job.title}
            </Link>
            {job.refused === "" ? (
              <span className="text-small text-muted">sent by itself when there is a way</span>
            ) : (
              <>
                <span className="text-small">The server did not take it: {job.refused}</span>
                <Button
                  look="quiet"
                  onClick={() => saveText("job.json", "application/json", job.text)}
                >
                  Save its job file
                </Button>
                <Button look="quiet" onClick={() => void letGoOf(job.id)}>
                  Let it go
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
