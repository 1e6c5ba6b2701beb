import { create } from "zustand";
import type { SetAside } from "@dragonet/core";
import { allAside, allBatches } from "./outbox.ts";
import { hearPages, tellPages } from "./pages.ts";

/** What waits in this browser: for the board, the job and signing out. */
export interface Waiting {
  readonly jobId: string;
  readonly personId: string;
  readonly acts: number;
}

interface WaitingState {
  readonly waiting: readonly Waiting[];
  readonly setAside: readonly SetAside[];
}

export const useWaitingStore = create<WaitingState>()(() => ({ waiting: [], setAside: [] }));

async function look(): Promise<void> {
  try {
    const counts = new Map<string, Waiting>();
    for (const { jobId, personId, acts } of await allBatches()) {
      const key = `${jobId} ${personId}`;
      const before = counts.get(key)?.acts ?? 0;
      counts.set(key, { jobId, personId, acts: before + acts.length });
    }
    useWaitingStore.setState({ waiting: [...counts.values()], setAside: await allAside() });
  } catch {
    // A browser that keeps nothing has nothing waiting in its store.
    useWaitingStore.setState({ waiting: [], setAside: [] });
  }
}

/** Looks anew at what waits, here and in the other pages of this browser. */
export function waitingChanged(): void {
  void look();
  tellPages({ kind: "waiting" });
}

/** Follows what other pages keep and send; answers how to stop. */
export function followWaiting(): () => void {
  void look();
  return hearPages((news) => {
    if (news.kind === "waiting") void look();
  });
}
