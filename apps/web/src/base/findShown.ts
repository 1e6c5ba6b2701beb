import { create } from "zustand";

/** What of the finding is open: the one place to find anything, or the list of keys. */
interface FindShown {
  readonly shown: "find" | "keys" | null;
  readonly show: (shown: FindShown["shown"]) => void;
}

export const useFindShown = create<FindShown>((set) => ({
  shown: null,
  show: (shown) => set({ shown }),
}));
