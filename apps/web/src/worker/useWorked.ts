import { isEqual } from "es-toolkit";
import { startTransition, useEffect, useState } from "react";

/**
 * What the worker computes, anew when `compute` becomes another function; until then the last is
 * shown. Null before the first, and nothing is asked where `compute` is null. What is thrown in
 * the worker is thrown again while rendering, so that the page says it and the way on.
 */
export function useWorked<T>(compute: (() => Promise<T>) | null): T | null {
  const [made, setMade] = useState<T | null>(null);
  useEffect(() => {
    if (!compute) return;
    let stale = false;
    compute().then(
      (next) => {
        // Nobody's press waits while what was computed is drawn.
        // What came out the same as before is not drawn again.
        if (!stale) startTransition(() => setMade((last) => (isEqual(last, next) ? last : next)));
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
  }, [compute]);
  return made;
}
