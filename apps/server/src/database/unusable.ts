/** What PostgreSQL's words mean to whoever starts a server, by their code. */
const MEANT: Readonly<Record<string, string>> = {
  "42501":
    "its user may not make tables there: make it the owner of the database, or grant it that",
  "25006": "it is a standby and takes no writes: name the one that it follows",
  "53100": "its disk is full: free some space and start again",
};

function sentence(error: Error & { readonly code?: string; readonly cause?: unknown }): string {
  // A refused connection carries its reasons inside and an empty message outside; a query that
  // failed carries the database's own words inside.
  if (error instanceof AggregateError) return error.errors.map(String).join("; ");
  const { cause } = error;
  if (cause instanceof Error) return sentence(cause);
  return MEANT[error.code ?? ""] ?? error.message;
}

/** A database that cannot be used, and why, in one sentence for whoever starts a server. */
export function unusable(url: string, error: unknown): Error {
  const { hostname, port } = new URL(url);
  const reason = error instanceof Error ? sentence(error) : String(error);
  return new Error(`the database at ${hostname}:${port || "5432"} cannot be used: ${reason}`, {
    cause: error,
  });
}
