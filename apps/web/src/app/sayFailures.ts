const wordsOf = (reason: unknown): string =>
  reason instanceof Error ? reason.message : String(reason);

/**
 * What a press began and nobody waited for has failed: it is said, whichever page it was on. Pages
 * that show what they wait for say it in their own place and let nothing come here.
 */
export function sayFailures(): void {
  window.addEventListener("unhandledrejection", ({ reason }) => {
    void import("sonner").then(({ toast }) =>
      toast.error(`Not done: ${wordsOf(reason)}`, { duration: 10_000 }),
    );
  });
}
