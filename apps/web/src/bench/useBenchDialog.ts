import { useCallback, useState } from "react";
import { useSearchParams } from "react-router";
import { useCanEdit } from "../base/session.ts";
import type { BenchDialog } from "./begin/BenchDialogs.tsx";
import { readBegin, type BeginWith } from "./begin/beginWith.ts";

/** What is open over the bench: at first what the address asks for, `?begin=kit` to unbox one. */
export function useBenchDialog() {
  const canEdit = useCanEdit();
  const [params, setParams] = useSearchParams();
  const asked = canEdit ? readBegin(params.get("begin")) : null;
  const [dialog, setOpen] = useState<BenchDialog | null>(
    asked === null ? null : { kind: "circuit", begin: asked },
  );
  const setDialog = useCallback(
    (next: BenchDialog | null): void => {
      setOpen(next);
      // Closed once, it does not come back with the next look at the page.
      if (asked !== null) setParams({}, { replace: true });
    },
    [asked, setParams],
  );
  const begin = useCallback(
    (by: BeginWith): void => setDialog({ kind: "circuit", begin: by }),
    [setDialog],
  );
  return { dialog, setDialog, begin };
}
