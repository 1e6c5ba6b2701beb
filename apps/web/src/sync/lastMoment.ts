import type { Batch } from "@dragonet/core";

/**
 * What a page had not kept when it went away. The browser's database ends with the page before
 * it has written; this store is written at once. The next page takes it up from here.
 */
const NAME = "dragonet.last.";

/** Called while the page goes away; a browser that keeps nothing loses nothing more by it. */
export function keepAtLast(batch: Batch): void {
  try {
    localStorage.setItem(NAME + batch.id, JSON.stringify(batch));
  } catch {
    // Full, or forbidden by its settings: the page has warned where it keeps nothing.
  }
}

function names(): readonly string[] {
  try {
    return Object.keys(localStorage).filter((name) => name.startsWith(NAME));
  } catch {
    return [];
  }
}

export const keptAtLast = (): readonly Batch[] =>
  names().flatMap((name) => {
    const text = localStorage.getItem(name);
    return text === null ? [] : [JSON.parse(text) as Batch];
  });

export function forgetLast(batchId: string): void {
  try {
    localStorage.removeItem(NAME + batchId);
  } catch {
    // One that may not be read was not written either.
  }
}
