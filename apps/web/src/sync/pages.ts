import type { Batch } from "@dragonet/core";

/** This page among the pages of the browser; a page that is loaded again stays itself. */
export function tabName(): string {
  const KEY = "dragonet.tab";
  const kept = sessionStorage.getItem(KEY);
  if (kept !== null) return kept;
  const fresh = crypto.getRandomValues(new Uint32Array(2)).join("-");
  sessionStorage.setItem(KEY, fresh);
  return fresh;
}

export type PageNews =
  /** Batches that a page has settled or set aside. */
  | { readonly kind: "ended"; readonly batches: readonly Batch[] }
  /** What waits has changed. */
  | { readonly kind: "waiting" };

let opened: BroadcastChannel | null = null;

/** What the pages of one browser tell each other; null in a browser without such a thing. */
function channel(): BroadcastChannel | null {
  if (typeof BroadcastChannel === "undefined") return null;
  opened ??= new BroadcastChannel("dragonet-outbox");
  return opened;
}

export const tellPages = (news: PageNews): void => channel()?.postMessage(news);

export function hearPages(listen: (news: PageNews) => void): () => void {
  const hear = (e: MessageEvent<PageNews>): void => listen(e.data);
  channel()?.addEventListener("message", hear);
  return () => channel()?.removeEventListener("message", hear);
}
