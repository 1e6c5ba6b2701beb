import { useCallback, useSyncExternalStore } from "react";

/** Whether a media query is true, followed as it changes. */
export function useMedia(query: string): boolean {
  const follow = useCallback(
    (look: () => void) => {
      const media = window.matchMedia(query);
      media.addEventListener("change", look);
      return () => media.removeEventListener("change", look);
    },
    [query],
  );
  return useSyncExternalStore(follow, () => window.matchMedia(query).matches);
}

/** The widths below which styles say `max-md` and `max-lg`. */
const BELOW = { md: "(max-width: 47.99rem)", lg: "(max-width: 63.99rem)" } as const;

/** Whether the page is narrower than a tablet (`md`), or than two columns beside each other (`lg`). */
export const useNarrow = (below: keyof typeof BELOW): boolean => useMedia(BELOW[below]);
