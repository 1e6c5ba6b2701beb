import { useInfiniteQuery } from "@tanstack/react-query";
import type { AuditAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { Button } from "../../ui/Button.tsx";
import { MOMENT } from "../../ui/moments.ts";
import { Section } from "../../ui/page/Section.tsx";
import { Loading, Trouble } from "../../ui/page/states.tsx";

/** Entries of one page of the server's; fewer say that there are no more. */
const PAGE = 30;

/** Who signed in, changed people, shelf or settings, or took a file out, and when. */
export function Trail() {
  const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["audit"],
    initialPageParam: null as number | null,
    queryFn: ({ pageParam }) =>
      ask<AuditAnswer[]>(pageParam === null ? "audit" : `audit?before=${pageParam}`),
    getNextPageParam: (last) => (last.length < PAGE ? null : (last.at(-1)?.id ?? null)),
  });
  return (
    <Section
      title="What happened"
      about="Sign-ins, people, shelf, settings and files. Changes of a job are in its own history."
    >
      {error && <Trouble error={error} />}
      {!data && !error && <Loading what="the record" />}
      <ol aria-label="Record">
        {(data?.pages.flat() ?? []).map((entry) => (
          <li key={entry.id} className="border-b border-hair py-1">
            {entry.who} {entry.action}
            {entry.about !== "" && `: ${entry.about}`}
            <span className="block text-small text-muted">{MOMENT.format(new Date(entry.at))}</span>
          </li>
        ))}
      </ol>
      {hasNextPage && (
        <Button look="quiet" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          Older
        </Button>
      )}
    </Section>
  );
}
