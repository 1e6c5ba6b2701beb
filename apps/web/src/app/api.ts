import type { Fault } from "@dragonet/core";

/** An answer that is not a success: its line for people, its faults, and whatever it carries. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly body: { readonly message?: string; readonly faults?: readonly Fault[] } & Record<
      string,
      unknown
    >,
  ) {
    super(body.message ?? `the server answered ${status}`);
  }

  get faults(): readonly Fault[] {
    return this.body.faults ?? [];
  }
}

/** The server cannot be reached: no network, or it is not running. */
export class OfflineError extends Error {
  constructor() {
    super("the server cannot be reached");
  }
}

async function request<T>(path: string, init: RequestInit): Promise<T> {
  let answer: Response;
  try {
    answer = await fetch(`/api/${path}`, { ...init, credentials: "same-origin" });
  } catch {
    throw new OfflineError();
  }
  if (answer.status === 204) return undefined as T;
  const said: unknown = await answer.json().catch(() => ({}));
  if (!answer.ok) throw new ApiError(answer.status, said as ApiError["body"]);
  return said as T;
}

/** Asks the API. Throws ApiError for an answer that refuses, OfflineError for none. */
export const ask = <T>(path: string, method = "GET", body?: unknown): Promise<T> =>
  request(
    path,
    body === undefined
      ? { method }
      : {
          method,
          headers: { "content-type": "application/json" },
          body: JSON.stringify(body),
        },
  );

/** Sends bytes as they are: a picture, an archive. Throws as `ask` does. */
export const send = <T>(path: string, method: string, body: Blob, type: string): Promise<T> =>
  request(path, { method, headers: { "content-type": type }, body });
