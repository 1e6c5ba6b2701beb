import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import type { AuditAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { Button } from "../../ui/Button.tsx";
import { MOMENT } from "../../ui/moments.ts";
import { Section } from "../../ui/page/Section.tsx";
import { Loading, Trouble } from "../../ui/page/states.tsx";

/** Entries of one page of the server's; fewer say that there are no more. */
const PAGE = 30;

const pathOf = (words: string, before: number | null): string => {
  const query = new URLSearchParams();
  if (words !== "") query.set("q", words);
  if (before !== null) query.set("before", String(before));
  return query.size === 0 ? "audit" : `audit?${query.toString()}`;
};

/** Who signed in, changed people, shelf or settings, or took a file out, and when. */
export function Trail() {
  const [words, setWords] = useState("");
  // What was found stays while the next letters are looked for.
  const asked = useDeferredValue(words.trim());
  const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["audit", asked],
    initialPageParam: null as number | null,
    queryFn: ({ pageParam }) => ask<AuditAnswer[]>(pathOf(asked, pageParam)),
    placeholderData: keepPreviousData,
    getNextPageParam: (last) => (last.length < PAGE ? null : (last.at(-1)?.id ?? null)),
  });
  return (
    <Section
      title="What happened"
      about="Sign-ins, people, shelf, settings and files. Changes of a job are in its own history."
    >
      <input
        type="search"
        aria-label="Search what happened"
        placeholder="Name, what was done, or to what"
        className="control mb-2 w-full max-w-md"
        maxLength={200}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      {error && <Trouble error={error} />}
      {data?.pages[0]?.length === 0 && (
        <p role="status">{asked === "" ? "Nothing yet." : `Nothing has “${asked}”.`}</p>
      )}
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
