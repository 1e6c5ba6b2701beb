import type { ReactNode } from "react";
import { ApiError } from "../../base/api.ts";
import { Button } from "../Button.tsx";

/** Nothing here yet, and what to do about it. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="border-l-2 border-hair py-2 pl-4">
      <p className="font-bold">{title}</p>
      {children && <div className="mt-1 text-muted">{children}</div>}
    </div>
  );
}

export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="p-4 text-muted">
      Loading {what} …
    </p>
  );
}

/** Something went wrong: what, and the way on. */
export function Trouble({ error, onRetry }: { error: unknown; onRetry?: () => void }) {
  const message = error instanceof Error ? error.message : String(error);
  return (
    <div role="alert" className="m-4 border-l-2 border-ink py-2 pl-4">
      <p className="font-bold">{message}</p>
      {error instanceof ApiError && <FaultList error={error} />}
      {onRetry && (
        <Button className="mt-2" onClick={onRetry}>
          Try again
        </Button>
      )}
    </div>
  );
}

/** Every fault of a refused file or form, each with its place. */
export function FaultList({ error }: { error: ApiError }) {
  if (error.faults.length === 0) return null;
  return (
    <ul className="mt-2 max-h-60 overflow-y-auto">
      {error.faults.map((fault, i) => (
        <li key={i} className="border-t border-hair py-1">
          <span className="num text-small">{fault.path === "" ? "document" : fault.path}</span>
          <span className="block">{fault.message}</span>
        </li>
      ))}
    </ul>
  );
}
