import { reached } from "./reach.ts";

/** What the server tells of: a job that has a new revision, or that something may be missed. */
export type LiveChange =
  | { readonly kind: "job"; readonly id: string; readonly revision: number }
  | { readonly kind: "gap" };

type Listener = (change: LiveChange) => void;

const listeners = new Set<Listener>();
let source: EventSource | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Pause before a stream that was refused is asked for again, in ms. */
const AGAIN_MS = 3000;

const tell = (change: LiveChange): void => listeners.forEach((listen) => listen(change));

function open(): void {
  clearTimeout(timer);
  // A page that is not seen holds no connection: a browser has six for one server.
  if (source || document.hidden || listeners.size === 0) return;
  const stream = new EventSource("/api/events");
  source = stream;
  // Whatever was said while nobody listened is looked for.
  stream.addEventListener("open", () => {
    reached();
    tell({ kind: "gap" });
  });
  stream.addEventListener("gap", () => tell({ kind: "gap" }));
  stream.addEventListener("job", (e: MessageEvent<string>) => {
    const { id, revision } = JSON.parse(e.data) as { id: string; revision: number };
    tell({ kind: "job", id, revision });
  });
  stream.addEventListener("error", () => {
    // The browser itself asks again after a lost connection, but not after a refusal.
    if (stream.readyState !== EventSource.CLOSED) return;
    close();
    timer = setTimeout(open, AGAIN_MS);
  });
}

function close(): void {
  clearTimeout(timer);
  source?.close();
  source = null;
}

function seen(): void {
  if (document.hidden) close();
  else open();
}

/** Listens to what happens in the shop while the page is seen; answers how to stop. */
export function followLive(listen: Listener): () => void {
  if (listeners.size === 0) document.addEventListener("visibilitychange", seen);
  listeners.add(listen);
  open();
  return () => {
    listeners.delete(listen);
    if (listeners.size > 0) return;
    document.removeEventListener("visibilitychange", seen);
    close();
  };
}
