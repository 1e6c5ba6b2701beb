import { useQuery } from "@tanstack/react-query";
import { createContext, useContext } from "react";
import { ask } from "./api.ts";
import type { ThemeChoice } from "./theme.ts";

export type Role = "owner" | "installer" | "viewer";

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly preferences: { readonly units: "metric" | "us"; readonly theme: ThemeChoice };
}

export interface Session {
  readonly person: Person | null;
  readonly shop: string;
  readonly needsFirstOwner: boolean;
}

export const useSession = () =>
  useQuery({ queryKey: ["session"], queryFn: () => ask<Session>("session"), staleTime: 60_000 });

/** Who is signed in, for the pages behind the sign-in: what they show and who sees it go together. */
export const Me = createContext<Person | null>(null);

/** The signed-in person; only for what is shown behind the sign-in. */
export function useMe(): Person {
  const person = useContext(Me);
  if (!person) throw new Error("nobody is signed in here");
  return person;
}

export const useCanEdit = (): boolean => useMe().role !== "viewer";
