import { useEffect, useState } from "react";

/** What is typed is asked for when it has stood still so long. */
export const TYPING_MS = 200;

/** A value once it has stood still for a time (ms); the first one at once. */
export function useSettled<T>(value: T, ms: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return settled;
}
