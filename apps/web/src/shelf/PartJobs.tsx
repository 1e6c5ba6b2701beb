import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { PartJobsPageAnswer } from "@dragonet/contract";
import { askOrLast } from "../base/lastAnswers.ts";
import { dayText } from "../base/moment.ts";
import { Button } from "../ui/Button.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import { Loading, Trouble } from "../ui/page/states.tsx";

const LINK = "touch inline-flex items-center text-accent underline";

function Jobs({ partId, lot }: { partId: string; lot: string }) {
  const ofLot = lot === "" ? "" : `?${new URLSearchParams({ lot }).toString()}`;
  const { data, error, isPending, refetch, hasNextPage, fetchNextPage, isFetching } =
    useInfiniteQuery({
      queryKey: ["parts", "jobs", partId, lot],
      queryFn: ({ pageParam }) =>
        askOrLast<PartJobsPageAnswer>(
          `shelf/${partId}/jobs?${new URLSearchParams({ size: "20", after: pageParam, lot }).toString()}`,
        ),
      initialPageParam: "",
      getNextPageParam: ({ next }) => (next === "" ? undefined : next),
    });
  if (isPending) return <Loading what="jobs" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  const jobs = data.pages.flatMap((page) => page.jobs);
  if (jobs.length === 0)
    return (
      <p className="text-muted">
        {lot === "" ? "No job of this shop holds it." : `No job of this shop has lot ${lot} of it.`}
      </p>
    );
  return (
    <>
      <p className="text-small text-muted">
        Where its maker calls it back, or a lot of it fails: these are whom to tell.
      </p>
      <ul aria-label="Jobs that hold it">
        {jobs.map(({ id, title, customer, model, machine, count, lots, updatedAt }) => (
          <li key={id} className="flex flex-wrap gap-x-3 border-t border-hair py-1 text-small">
            <span className="num">{count} ×</span>
            <Link to={`/jobs/${id}`} className={LINK}>
              {title}
            </Link>
            <span>{[customer, model, machine].filter((t) => t !== "").join(", ")}</span>
            {lots.length > 0 && (
              <span>
                lot <span className="num">{lots.join(", ")}</span>
              </span>
            )}
            <span className="ml-auto text-muted">{dayText(new Date(updatedAt))}</span>
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap items-center gap-4">
        {hasNextPage && (
          <Button disabled={isFetching} onClick={() => void fetchNextPage()}>
            More of them
          </Button>
        )}
        <a className={LINK} href={`/api/shelf/${partId}/jobs/file${ofLot}`} download>
          All of them as CSV
        </a>
      </p>
    </>
  );
}

/** Which jobs hold a part: asked for when somebody wants to know. */
export function PartJobs({ partId }: { partId: string }) {
  const [open, setOpen] = useState(false);
  const [lot, setLot] = useState("");
  return (
    <details className="mt-3" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="touch cursor-pointer text-accent">Jobs that hold it</summary>
      {open && (
        <>
          <TextInput
            label="Lot of it"
            placeholder="all lots"
            value={lot}
            maxLength={80}
            onCommit={setLot}
          />
          <Jobs partId={partId} lot={lot.trim()} />
        </>
      )}
    </details>
  );
}
