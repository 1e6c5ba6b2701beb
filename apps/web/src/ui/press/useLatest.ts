import { useCallback, useLayoutEffect, useRef } from "react";

/**
 * One function for the life of a field that calls the latest one given: so a field is drawn anew
 * when it shows something else, and not because its form was.
 */
export function useLatest<A extends readonly unknown[], R>(given: (...args: A) => R) {
  const latest = useRef(given);
  useLayoutEffect(() => {
    latest.current = given;
  });
  return useCallback((...args: A): R => latest.current(...args), []);
}
