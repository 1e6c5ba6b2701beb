/** A clock that was started at a job, ms since 1970. */
export interface Clock {
  readonly at: number;
}

const keyOf = (jobId: string): string => `dragonet.clock.${jobId}`;

/** The running clock of a job in this browser; null while none runs. */
export function clockOf(jobId: string): Clock | null {
  const at = Number(localStorage.getItem(keyOf(jobId)) ?? "");
  return Number.isFinite(at) && at > 0 ? { at } : null;
}

/** Starts or ends the clock of a job: kept in the browser, so that it runs on while the page is closed. */
export function setClock(jobId: string, clock: Clock | null): void {
  if (clock) localStorage.setItem(keyOf(jobId), String(clock.at));
  else localStorage.removeItem(keyOf(jobId));
}
