import type { Edit } from "@dragonet/core";

/** Edits that the server has not taken yet, kept so that a closed page loses nothing. */
export interface Outbox {
  readonly revision: number;
  readonly edits: readonly Edit[];
}

const keyOf = (jobId: string): string => `dragonet.outbox.${jobId}`;

export function readOutbox(jobId: string): Outbox | null {
  const text = localStorage.getItem(keyOf(jobId));
  if (text === null) return null;
  try {
    const outbox = JSON.parse(text) as Outbox;
    return Array.isArray(outbox.edits) ? outbox : null;
  } catch {
    return null;
  }
}

export function writeOutbox(jobId: string, outbox: Outbox): void {
  localStorage.setItem(keyOf(jobId), JSON.stringify(outbox));
}

export function forgetOutbox(jobId: string): void {
  localStorage.removeItem(keyOf(jobId));
}
