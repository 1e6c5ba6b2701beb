import type { Fault } from "@dragonet/core";
import { notReached, reached } from "./reach.ts";

/** An answer that is not a success: its line for people, its faults, and whatever it carries. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly body: { readonly message?: string; readonly faults?: readonly Fault[] } & Record<
      string,
      unknown
    >,
    /** How long the server asks to wait before the next try, in ms; null when it does not say. */
    readonly retryAfterMs: number | null = null,
  ) {
    super(body.message ?? `the server answered ${status}`);
  }

  get faults(): readonly Fault[] {
    return this.body.faults ?? [];
  }
}

/** The server cannot be reached: no network, or it is not running. */
export class OfflineError extends Error {
  /** `retryAfterMs`: how long what stands before the servers asks to wait; null when nothing says so. */
  constructor(readonly retryAfterMs: number | null = null) {
    super("the server cannot be reached");
  }
}

/** Tells ("end") when an answer says that nobody is signed in any more. */
export const sessionEnds = new EventTarget();

/** How long an answer is waited for, in ms: a shop's network may be slow, but not for ever. */
const PATIENCE_MS = 30_000;
const PATIENCE_WITH_FILES_MS = 600_000;
/** What the browser sends on after its page is gone, in bytes, less some for the headers. */
const MOST_LEAVING_BYTES = 60_000;

/** What stands before the servers answers so, in words of its own, where it finds none of them. */
const FOR_WANT_OF_SERVERS = new Set([502, 503, 504]);

function retryAfterMs(answer: Response): number | null {
  const seconds = Number(answer.headers.get("retry-after") ?? "");
  return Number.isFinite(seconds) && seconds > 0 ? seconds * 1000 : null;
}

async function request<T>(path: string, init: RequestInit, patienceMs = PATIENCE_MS): Promise<T> {
  let answer: Response;
  try {
    answer = await fetch(`/api/${path}`, {
      ...init,
      credentials: "same-origin",
      signal: AbortSignal.timeout(patienceMs),
    });
  } catch {
    notReached();
    throw new OfflineError();
  }
  const said: unknown = answer.status === 204 ? {} : await answer.json().catch(() => ({}));
  if (FOR_WANT_OF_SERVERS.has(answer.status) && !(said as ApiError["body"]).message) {
    notReached();
    throw new OfflineError(retryAfterMs(answer));
  }
  reached();
  if (answer.status === 401 && !path.startsWith("session")) {
    sessionEnds.dispatchEvent(new Event("end"));
  }
  if (answer.status === 204) return undefined as T;
  if (!answer.ok) {
    throw new ApiError(answer.status, said as ApiError["body"], retryAfterMs(answer));
  }
  return said as T;
}

/**
 * Asks the API. Throws ApiError for an answer that refuses, OfflineError for none.
 * `leaving` sends on while the page goes away.
 */
export function ask<T>(
  path: string,
  method = "GET",
  body?: unknown,
  { leaving = false } = {},
): Promise<T> {
  if (body === undefined) return request(path, { method });
  const text = JSON.stringify(body);
  return request(path, {
    method,
    headers: { "content-type": "application/json" },
    body: text,
    ...(leaving && text.length < MOST_LEAVING_BYTES && { keepalive: true }),
  });
}

/** Sends bytes as they are: a picture, an archive. Throws as `ask` does. */
export const send = <T>(path: string, method: string, body: Blob, type: string): Promise<T> =>
  request(path, { method, headers: { "content-type": type }, body }, PATIENCE_WITH_FILES_MS);
