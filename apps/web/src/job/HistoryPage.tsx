import { useInfiniteQuery, useMutation } from "@tanstack/react-query";
import type { RevisionAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { MOMENT } from "../ui/moments.ts";
import { Button } from "../ui/Button.tsx";
import { Loading, Trouble } from "../ui/page/states.tsx";
import { useJob, useJobStore } from "./store/jobStore.ts";
import { JobFileLink } from "./papers/JobFileLink.tsx";
import { ToBin } from "./ToBin.tsx";
import { whenSaved } from "./papers/whenSaved.ts";

/** Who changed what and when, newest first, and the way back to any of it. */
export function HistoryPage() {
  const id = useJobStore((s) => s.id) ?? "";
  const revision = useJobStore((s) => s.revision);
  const title = useJob().card.title;
  const canEdit = useCanEdit();
  const owner = useCurrentUser().role === "owner";
  const { data, error, refetch, hasNextPage, fetchNextPage } = useInfiniteQuery({
    queryKey: ["history", id, revision],
    initialPageParam: null as number | null,
    queryFn: ({ pageParam }) =>
      askOrLast<RevisionAnswer[]>(
        pageParam === null ? `jobs/${id}/history` : `jobs/${id}/history?before=${pageParam}`,
      ),
    getNextPageParam: (last) => {
      const oldest = last.at(-1)?.revision ?? 1;
      return oldest > 1 ? oldest : null;
    },
    placeholderData: (before) => before,
  });
  const restore = useMutation({
    mutationFn: async (to: number) => {
      await whenSaved();
      return ask(`jobs/${id}/restore`, "POST", { revision: to });
    },
    onSuccess: () => useJobStore.getState().look(),
  });
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the history" />;
  return (
    <div className="mx-auto w-full max-w-4xl p-4">
      <div className="mb-2 flex items-center gap-3">
        <h2 className="mr-auto text-lead">History</h2>
        <JobFileLink path="file" className="text-accent underline" download>
          Job file out
        </JobFileLink>
        {owner && <ToBin id={id} title={title} />}
      </div>
      {restore.error && <Trouble error={restore.error} />}
      <ol>
        {data.pages.flat().map((item, i) => (
          <li
            key={item.revision}
            className="grid grid-cols-[3.5rem_1fr_auto] gap-3 border-t border-hair py-2"
          >
            <span className="num text-muted">{item.revision}</span>
            <div>
              <p className="text-small text-muted">
                {MOMENT.format(new Date(item.at))} · {item.who}
              </p>
              <ul>
                {item.lines.map((line, n) => (
                  <li key={n}>{line}</li>
                ))}
              </ul>
            </div>
            {canEdit && i > 0 && (
              <Button
                look="quiet"
                disabled={restore.isPending}
                onPressed={() => restore.mutate(item.revision)}
              >
                Back to {item.revision}
              </Button>
            )}
          </li>
        ))}
      </ol>
      {hasNextPage && (
        <Button look="quiet" onClick={() => void fetchNextPage()}>
          Older
        </Button>
      )}
    </div>
  );
}
