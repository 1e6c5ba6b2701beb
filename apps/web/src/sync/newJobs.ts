import { createStore, del, get, set, values } from "idb-keyval";
import type { JobAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";

/** A job that was opened where there was no way to the server: it waits in this browser. */
export interface NewJob {
  /** The job's id from its first moment: edits that follow name it. */
  readonly id: string;
  readonly personId: string;
  readonly title: string;
  /** Its job file. */
  readonly text: string;
  /** The sentence that it was planned from; "" where it was opened by fields or a file. */
  readonly said: string;
  /** When it was opened, ms since 1970. */
  readonly at: number;
  /** Why the server will not take it; "" while it has not said so. */
  readonly refused: string;
}

const store = createStore("dragonet-new-jobs", "jobs");

/** Throws where the browser keeps nothing: full, or forbidden by its settings. */
export const keepNewJob = (job: NewJob): Promise<void> => set(job.id, job, store);

export const forgetNewJob = (id: string): Promise<void> => del(id, store);

/** Jobs that wait in this browser, of all people, the oldest first. */
export const allNewJobs = async (): Promise<NewJob[]> =>
  (await values<NewJob>(store)).sort((a, b) => a.at - b.at);

export const newJob = (id: string): Promise<NewJob | undefined> =>
  get<NewJob>(id, store).catch(() => undefined);

/** Opens a job at the server; doing so again answers the same job. Throws as `ask` does. */
export const postNewJob = ({ id, text, said }: Pick<NewJob, "id" | "text" | "said">) =>
  ask<JobAnswer>("jobs/import", "POST", { id, text, ...(said !== "" && { said }) });

/** The server's word that is final: asking again says the same. */
const isFinal = (error: unknown): error is ApiError =>
  error instanceof ApiError && [400, 403, 409, 413, 422].includes(error.status);

/** It was opened, and is in the bin by now. */
const isGone = (error: unknown): boolean => error instanceof ApiError && error.status === 410;

/**
 * Sends a job that waits here, where it does, before anything that names it. Answers whether the
 * server has it now. Throws OfflineError or ApiError where it has not: it then still waits.
 */
export async function sendNewJob(id: string): Promise<boolean> {
  const waiting = await newJob(id);
  if (!waiting) return false;
  try {
    await postNewJob(waiting).catch((error: unknown) => {
      if (!isGone(error)) throw error;
    });
  } catch (error) {
    if (isFinal(error)) await keepNewJob({ ...waiting, refused: error.message });
    throw error;
  }
  await forgetNewJob(id);
  return true;
}
