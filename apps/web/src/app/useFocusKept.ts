import { useEffect } from "react";

/** A page that comes lazily, or a dialog that gives the focus back itself, has done so by then, ms. */
const SETTLE_MS = 150;

/**
 * Where what had the focus is gone — with the page before, or by what was done with it — the page
 * has it: a keyboard goes on from there, and a screen reader says where it is (WCAG 2.4.3).
 * Browsers fall back to the body without telling anybody, so removals are watched.
 */
export function useFocusKept(): void {
  useEffect(() => {
    let last: Element | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const had = (e: FocusEvent): void => {
      last = e.target instanceof Element ? e.target : null;
    };
    const mend = (): void => {
      timer = undefined;
      if (!last?.isConnected && document.activeElement === document.body)
        document.getElementById("main")?.focus({ preventScroll: true });
    };
    const watch = new MutationObserver(() => {
      if (timer !== undefined || !last || last.isConnected) return;
      if (document.activeElement === document.body) timer = setTimeout(mend, SETTLE_MS);
    });
    document.addEventListener("focusin", had);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener("focusin", had);
      watch.disconnect();
      clearTimeout(timer);
    };
  }, []);
}
