import { useEffect } from "react";

/** Names the page in its tab (WCAG 2.4.2); "" leaves the program's name alone. */
export function useTitle(title: string): void {
  useEffect(() => {
    document.title = title === "" ? "Dragonet" : `${title} · Dragonet`;
    return () => {
      document.title = "Dragonet";
    };
  }, [title]);
}
