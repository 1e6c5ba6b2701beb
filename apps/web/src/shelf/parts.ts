import { keepPreviousData, queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { LOAD_FAMILIES, PART_KINDS, type LoadPart, type Part } from "@dragonet/core";
import type {
  KeptPartAnswer,
  NeedsAnswer,
  PartChoicesAnswer,
  PartsPageAnswer,
  ShelfAnswer,
} from "@dragonet/contract";
import { OfflineError, ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { useLiveJobs } from "../board/jobs.ts";
import { TYPING_MS, useSettled } from "../ui/useSettled.ts";

export const isLoad = (part: Part): part is LoadPart => part.kind === "load";

/** Any part will do. */
export const isAny = (_: Part): _ is Part => true;

/** Sorts of part that can be chosen; one list a use, so that those who ask the same share the answer. */
export const LOADS: readonly string[] = LOAD_FAMILIES;
/** Single parts that a quote may price and a sentence may mean; what is in a kit's box has prices of its own. */
export const SINGLE_PARTS: readonly string[] = [
  ...LOAD_FAMILIES,
  ...PART_KINDS.filter((kind) => kind !== "load" && kind !== "kit"),
];
/** Kits, with all that is in their box. */
export const KITS: readonly string[] = ["kit"];
/** What feeds circuits. */
export const SOURCES: readonly string[] = ["converter", "box", "battery", "flasher"];

const valueOf = ({ value }: KeptPartAnswer): Part => value;

const choicesPath = (sorts: readonly string[], words: string): string =>
  `shelf/choices?${new URLSearchParams({ sorts: sorts.join(","), q: words }).toString()}`;

const sortOf = (part: Part): string => (part.kind === "load" ? part.family : part.kind);

/** What is offered of some sorts; without a network, where just that was never asked, of all that was. */
async function askChoices(sorts: readonly string[], words: string): Promise<PartChoicesAnswer> {
  try {
    return await askOrLast(choicesPath(sorts, words));
  } catch (error) {
    if (!(error instanceof OfflineError)) throw error;
    const all = await askOrLast<PartChoicesAnswer>(choicesPath(SINGLE_PARTS, ""));
    const said = words.toLowerCase().split(/\s+/);
    const isMeant = (part: Part): boolean =>
      sorts.includes(sortOf(part)) && said.every((word) => part.name.toLowerCase().includes(word));
    return { parts: all.parts.filter(({ value }) => isMeant(value)), more: true };
  }
}

/** What is offered of some sorts where a part is chosen, by words of their names where some are said. */
export const choicesOf = (sorts: readonly string[], words = "") =>
  queryOptions({
    queryKey: ["parts", "choices", sorts.join(","), words],
    queryFn: () => askChoices(sorts, words),
    placeholderData: keepPreviousData,
  });

/** Parts of some sorts that are at hand, for what is worked out with them. */
export function useAtHand(sorts: readonly string[]): readonly Part[] {
  const { data } = useQuery(choicesOf(sorts));
  return useMemo(() => (data?.parts ?? []).map(valueOf), [data]);
}

/** Parts to choose from, and the words that others are found by. */
export interface PartChoices<T extends Part> {
  readonly parts: readonly T[];
  /** They are not all of them. */
  readonly more: boolean;
  readonly words: string;
  readonly onWords: (words: string) => void;
}

/** Parts of some sorts to choose from; what is chosen stays while others are looked for. */
export function usePartChoices<T extends Part>(
  sorts: readonly string[],
  is: (part: Part) => part is T,
  chosenId = "",
): PartChoices<T> {
  const [words, onWords] = useState("");
  const queries = useQueryClient();
  const { data } = useQuery(choicesOf(sorts, useSettled(words.trim(), TYPING_MS)));
  const found = (data?.parts ?? []).map(valueOf).filter(is);
  const chosen =
    chosenId === "" || found.some(({ id }) => id === chosenId)
      ? []
      : queries
          .getQueriesData<PartChoicesAnswer>({ queryKey: ["parts", "choices"] })
          .flatMap(([, seen]) => seen?.parts ?? [])
          .map(valueOf)
          .filter(is)
          .filter(({ id }) => id === chosenId)
          .slice(0, 1);
  return {
    parts: [...chosen, ...found],
    more: words !== "" || data?.more === true,
    words,
    onWords,
  };
}

/** Parts that a sentence may mean. */
export const usePartsNear = (text: string) =>
  useQuery({
    queryKey: ["parts", "near", text],
    queryFn: () =>
      ask<KeptPartAnswer[]>(
        `shelf/near?${new URLSearchParams({ text: text.slice(0, 2000) }).toString()}`,
      ),
    placeholderData: keepPreviousData,
    enabled: text.trim() !== "",
    // The next word asks anew; without a way to the server nobody waits for further tries.
    retry: false,
  });

/** Parts by the names that jobs need them by, and by their ids; null until they are told. */
export function useNamedParts(
  names: readonly string[],
  ids: readonly string[],
): readonly Part[] | null {
  const any = names.length + ids.length > 0;
  const { data } = useQuery({
    queryKey: ["parts", "named", names, ids],
    queryFn: () => askOrLast<KeptPartAnswer[]>("shelf/named", { names, ids }),
    enabled: any,
  });
  return useMemo(() => (any ? (data?.map(valueOf) ?? null) : []), [any, data]);
}

/** The first parts of every kind. */
export const useShelf = (words: string) =>
  useQuery({
    queryKey: ["parts", "shelf", words],
    queryFn: () => askOrLast<ShelfAnswer>(`shelf?${new URLSearchParams({ q: words }).toString()}`),
    placeholderData: keepPreviousData,
  });

/** Some parts in a row, from where `asked` says. */
export const usePartsPage = (asked: string) =>
  useQuery({
    queryKey: ["parts", "page", asked],
    queryFn: () => askOrLast<PartsPageAnswer>(`shelf/page?${asked}`),
    placeholderData: keepPreviousData,
  });

/** One part by itself; none while nobody names one. */
export const usePart = (id: string | null) =>
  useQuery({
    queryKey: ["parts", "one", id],
    queryFn: () => askOrLast<KeptPartAnswer>(`parts/${id}`),
    enabled: id !== null,
  });

/** What open jobs take from the shelf, and what is to be ordered. */
export function useNeeds() {
  useLiveJobs();
  return useQuery({
    queryKey: ["jobs", "needs"],
    queryFn: () => askOrLast<NeedsAnswer>("shelf/needs"),
  });
}

/** Everything of the shelf is looked at anew. */
export function useShelfChanged(): () => Promise<void> {
  const queries = useQueryClient();
  return async () => {
    await Promise.all([
      queries.invalidateQueries({ queryKey: ["parts"] }),
      queries.invalidateQueries({ queryKey: ["jobs", "needs"] }),
    ]);
  };
}
