import type { FieldValues, Path, UseFormSetError } from "react-hook-form";
import { ApiError } from "../../base/api.ts";

/** Shows what a server refused at the fields that it names; `within` is where the form stands in what was sent. */
export function refusedFields<F extends FieldValues>(
  error: unknown,
  setError: UseFormSetError<F>,
  within = "",
): void {
  if (!(error instanceof ApiError)) return;
  for (const { path, message } of error.faults) {
    if (path.startsWith(within)) setError(path.slice(within.length) as Path<F>, { message });
  }
}
