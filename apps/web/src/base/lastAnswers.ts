import { clear, createStore, delMany, entries, get, set } from "idb-keyval";
import { OfflineError, ask } from "./api.ts";
import { shownFrom } from "./reach.ts";

/**
 * What the server last answered to what pages ask, in this browser's own database: they can be
 * read where there is no network. Jobs themselves are kept by `job/store/keptJobs`, newer than this.
 */
const store = createStore("dragonet-answers", "last");

interface Kept {
  /** When it was answered, ms since 1970. */
  readonly at: number;
  readonly answer: unknown;
}

/** A server that takes longer is not waited for where its last answer is here, in ms. */
const PATIENCE_MS = 8_000;
/** Answers that are kept, the latest: each look at a list is one. */
const MOST_KEPT = 200;

/** Keeping is a convenience: a browser that refuses its store still works with a network. */
const keep = (question: string, answer: unknown): Promise<void> =>
  set(question, { at: Date.now(), answer } satisfies Kept, store).catch(() => undefined);

const kept = (question: string): Promise<Kept | undefined> =>
  get<Kept>(question, store).catch(() => undefined);

export const forgetAnswers = (): Promise<void> => clear(store).catch(() => undefined);

/** Forgets the oldest answers where there are more than are kept. */
export async function forgetOldAnswers(): Promise<void> {
  const all = await entries<string, Kept>(store).catch(() => []);
  const old = all.sort(([, a], [, b]) => b.at - a.at).slice(MOST_KEPT);
  await delMany(
    old.map(([question]) => question),
    store,
  ).catch(() => undefined);
}

/**
 * Asks for what a page shows; where the server cannot be reached, or not soon, what it last
 * answered. What is long is asked `about` in a body. Throws as `ask` does, OfflineError only where nothing was ever answered.
 */
export async function askOrLast<T>(path: string, about?: object): Promise<T> {
  const question = about === undefined ? path : `${path} ${JSON.stringify(about)}`;
  const answer = about === undefined ? ask<T>(path) : ask<T>(path, "POST", about);
  // What goes wrong is told below, where the answer is waited for.
  void answer.then((fresh) => keep(question, fresh)).catch(() => undefined);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<"late">((done) => {
    timer = setTimeout(() => done("late"), PATIENCE_MS);
  });
  try {
    const first = await Promise.race([answer, late]);
    if (first !== "late") return first;
  } catch (error) {
    if (!(error instanceof OfflineError)) throw error;
  } finally {
    clearTimeout(timer);
  }
  const last = await kept(question);
  // Nothing else is here: as long as the server takes.
  if (!last) return answer;
  shownFrom(last.at);
  return last.answer as T;
}
