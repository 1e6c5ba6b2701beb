import { useCallback, type RefCallback } from "react";

/** Circuits are articles, and what can be pressed in one its name and then its parts. */
const stopsOf = (row: Element): HTMLElement[] => [...row.querySelectorAll<HTMLElement>("button")];

function goalOf(key: string, rows: readonly Element[], row: Element, stop: HTMLElement) {
  const stops = stopsOf(row);
  const at = stops.indexOf(stop);
  const beside = (step: number): HTMLElement | undefined => {
    const next = rows[rows.indexOf(row) + step];
    if (!next) return undefined;
    const there = stopsOf(next);
    return there[Math.min(at, there.length - 1)];
  };
  if (key === "ArrowRight") return stops[at + 1];
  if (key === "ArrowLeft") return stops[at - 1];
  if (key === "Home") return stops[0];
  if (key === "End") return stops.at(-1);
  if (key === "ArrowDown") return beside(1);
  if (key === "ArrowUp") return beside(-1);
  return undefined;
}

function alongCircuits(e: KeyboardEvent): void {
  const { currentTarget: all, target, key } = e;
  const stop = target instanceof Element ? target.closest<HTMLElement>("button") : null;
  const row = stop?.closest("article");
  if (!stop || !row || !(all instanceof Element) || e.ctrlKey || e.metaKey || e.altKey) return;
  const goal = goalOf(key, [...all.querySelectorAll("article")], row, stop);
  if (!goal) return;
  e.preventDefault();
  goal.focus();
}

/**
 * Arrow keys go along a circuit and from one to the next, so that Tab stops once at each: a bench of thirteen
 * circuits has a hundred and fifty parts. For the element that holds them all.
 */
export function useAlongCircuits(): RefCallback<HTMLElement> {
  return useCallback((all: HTMLElement | null) => {
    all?.addEventListener("keydown", alongCircuits);
    return () => all?.removeEventListener("keydown", alongCircuits);
  }, []);
}
