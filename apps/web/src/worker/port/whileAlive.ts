/**
 * A remote whose questions are all answered: by the worker, or, where that could not be loaded or
 * was ended by the browser, by an error that says so. A worker that is gone answers nothing.
 *
 * @param onGone told once, so that the next question goes to another worker
 */
export function whileAlive<T extends object>(
  remote: T,
  worker: Pick<EventTarget, "addEventListener">,
  onGone: () => void,
): T {
  const waiting = new Set<(why: Error) => void>();
  let gone: Error | null = null;
  const end = (event: Event): void => {
    if (gone) return;
    const why = event instanceof ErrorEvent && event.message !== "" ? `: ${event.message}` : "";
    gone = new Error(`What works circuits out could not go on${why}. Try again.`);
    onGone();
    for (const refuse of waiting) refuse(gone);
    waiting.clear();
  };
  worker.addEventListener("error", end);
  worker.addEventListener("messageerror", end);
  const answered = (answer: unknown): Promise<unknown> =>
    gone
      ? Promise.reject(gone)
      : new Promise((done, refuse) => {
          waiting.add(refuse);
          void Promise.resolve(answer)
            .then(done, refuse)
            .finally(() => waiting.delete(refuse));
        });
  return new Proxy(remote, {
    get: (target, name, self) => {
      const ask: unknown = Reflect.get(target, name, self);
      if (typeof ask !== "function") return ask;
      return (...args: unknown[]) => answered(Reflect.apply(ask, target, args));
    },
  });
}
