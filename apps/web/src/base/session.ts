import { queryOptions, useQuery } from "@tanstack/react-query";
import { createContext, useContext } from "react";
import type { UnitSystem } from "@dragonet/core";
import type { Role, SessionAnswer, SignedInAnswer } from "@dragonet/contract";
import { askOrLast } from "./lastAnswers.ts";

export type { Role };
export type Person = SignedInAnswer;

export const SESSION = queryOptions({
  queryKey: ["session"],
  queryFn: () => askOrLast<SessionAnswer>("session"),
  staleTime: 60_000,
});

export const useSession = () => useQuery(SESSION);

/** Who is signed in, for the pages behind the sign-in: what they show and who sees it go together. */
export const CurrentUser = createContext<Person | null>(null);

/** The signed-in person; only for what is shown behind the sign-in. */
export function useCurrentUser(): Person {
  const person = useContext(CurrentUser);
  if (!person) throw new Error("nobody is signed in here");
  return person;
}

/** The units that lengths are shown and written in; metres where nobody is signed in. */
export const useUnits = (): UnitSystem => useContext(CurrentUser)?.preferences.units ?? "metric";

export const useCanEdit = (): boolean => useCurrentUser().role !== "viewer";
