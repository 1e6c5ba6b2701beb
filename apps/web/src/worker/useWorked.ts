import { isEqual } from "es-toolkit";
import { startTransition, useEffect, useRef, useState } from "react";

/**
 * What the worker computes, anew when `compute` becomes another function; until then the last is
 * shown. Null before the first, and nothing is asked where `compute` is null. What is thrown in
 * the worker is thrown again while rendering, so that the page says it and the way on. It is drawn
 * behind what is pressed meanwhile, but for an answer that a press is there for: that at once.
 */
export function useWorked<T>(
  compute: (() => Promise<T>) | null,
  draw: "atOnce" | "behind" = "behind",
): T | null {
  const [made, setMade] = useState<T | null>(null);
  const last = useRef<T | null>(null);
  useEffect(() => {
    if (!compute) return;
    let stale = false;
    compute().then(
      (next) => {
        // What came out the same as before is not drawn again.
        if (stale || isEqual(last.current, next)) return;
        last.current = next;
        if (draw === "atOnce") setMade(() => next);
        else startTransition(() => setMade(() => next));
      },
      (error: unknown) => {
        if (stale) return;
        setMade(() => {
          throw error;
        });
      },
    );
    return () => {
      stale = true;
    };
  }, [compute, draw]);
  return made;
}
