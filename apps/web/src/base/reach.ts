import { create } from "zustand";

/** Whether there is a way to the server, as the last question to it went. */
interface Reach {
  readonly lost: boolean;
  /** When the oldest of what is shown instead was answered, ms since 1970; null where nothing is. */
  readonly shownFrom: number | null;
}

export const useReach = create<Reach>()(() => ({ lost: false, shownFrom: null }));

/** The server answered, be it a refusal. */
export function reached(): void {
  const { lost, shownFrom: from } = useReach.getState();
  if (lost || from !== null) useReach.setState({ lost: false, shownFrom: null });
}

export function notReached(): void {
  if (!useReach.getState().lost) useReach.setState({ lost: true });
}

/** What was answered at a moment is shown for want of anything newer. */
export function shownFrom(at: number): void {
  const { shownFrom: before } = useReach.getState();
  if (before === null || at < before) useReach.setState({ shownFrom: at });
}
