import type { SessionAnswer } from "@dragonet/contract";
import type { Person } from "../base/session.ts";
import { useReplaced } from "./useReplaced.ts";

type Likes = Person["preferences"];

const withLikes = (before: unknown, preferences: Likes): SessionAnswer | undefined => {
  const session = before as SessionAnswer | undefined;
  return session?.person ? { ...session, person: { ...session.person, preferences } } : session;
};

/** Keeps how the person that is signed in likes things; it is so at once. */
export const useLikes = () => useReplaced<Likes>("session/preferences", ["session"], withLikes);
