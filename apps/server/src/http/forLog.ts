export interface Causes {
  readonly code?: unknown;
  readonly cause?: unknown;
  readonly message?: unknown;
}

/** An error and what it was made of, outermost first. */
export function causesOf(error: unknown): Causes[] {
  const causes: Causes[] = [];
  for (let at = error; typeof at === "object" && at !== null && causes.length < 8;) {
    causes.push(at);
    at = (at as Causes).cause;
  }
  return causes;
}

/**
 * What of an error is written down: its kind, what lay beneath it and where. Not its own words,
 * in which the database layer repeats the whole question with all it was to store.
 */
export function forLog(error: unknown): Record<string, unknown> {
  const causes = causesOf(error);
  const { code, message } = causes.at(-1) ?? {};
  const stack = error instanceof Error ? (error.stack ?? "") : "";
  return {
    kind: error instanceof Error ? error.constructor.name : typeof error,
    code,
    reason: typeof message === "string" ? message.split("\n")[0]?.slice(0, 300) : undefined,
    at: stack
      .split("\n")
      .filter((line) => /^\s+at /.test(line))
      .slice(0, 12),
  };
}
