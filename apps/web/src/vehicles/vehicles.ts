import { keepPreviousData, queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import type { Vehicle } from "@dragonet/core";
import type { KeptVehicleAnswer, VehiclesPageAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { TYPING_MS, useSettled } from "../ui/useSettled.ts";

/** Some profiles by model, from where `asked` says. */
export const profilesOf = (asked = "") =>
  queryOptions({
    queryKey: ["vehicles", "page", asked],
    queryFn: () => askOrLast<VehiclesPageAnswer>(`profiles${asked === "" ? "" : `?${asked}`}`),
    placeholderData: keepPreviousData,
  });

export const useProfiles = (asked = "") => useQuery(profilesOf(asked));

/** Profiles to choose from, and the words that others are found by. */
export interface ProfileChoices {
  readonly profiles: readonly Vehicle[];
  /** They are not all of them. */
  readonly more: boolean;
  readonly words: string;
  readonly onWords: (words: string) => void;
}

/** Profiles to choose from; null until they are there. What is chosen stays while others are looked for. */
export function useProfileChoices(chosenId: string): ProfileChoices | null {
  const [words, onWords] = useState("");
  const queries = useQueryClient();
  const settled = useSettled(words.trim(), TYPING_MS);
  const { data } = useProfiles(
    settled === "" ? "" : new URLSearchParams({ q: settled }).toString(),
  );
  const profiles = useMemo(() => {
    const found = (data?.vehicles ?? []).map(({ value }) => value);
    if (found.some(({ profileId }) => profileId === chosenId)) return found;
    const chosen = queries
      .getQueriesData<VehiclesPageAnswer>({ queryKey: ["vehicles", "page"] })
      .flatMap(([, seen]) => seen?.vehicles ?? [])
      .find(({ value }) => value.profileId === chosenId);
    return chosen ? [chosen.value, ...found] : found;
  }, [data, chosenId, queries]);
  return data ? { profiles, more: words !== "" || data.next !== "", words, onWords } : null;
}

/** Profiles that a sentence may mean. */
export const useProfilesNear = (text: string) =>
  useQuery({
    queryKey: ["vehicles", "near", text],
    queryFn: () =>
      ask<KeptVehicleAnswer[]>(
        `profiles/near?${new URLSearchParams({ text: text.slice(0, 2000) }).toString()}`,
      ),
    placeholderData: keepPreviousData,
    enabled: text.trim() !== "",
    // The next word asks anew; without a way to the server nobody waits for further tries.
    retry: false,
  });
