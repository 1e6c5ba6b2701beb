import { Search } from "lucide-react";
import { Suspense, lazy, useCallback, useEffect } from "react";
import { useFindShown } from "../base/findShown.ts";
import { useSingleKeys } from "../base/useSingleKeys.ts";
import { useTypedAhead } from "./useTypedAhead.ts";

/** The list and its reader of sentences come when they are asked for. */
const FindDialog = lazy(async () => ({ default: (await import("./FindDialog.tsx")).FindDialog }));
const KeysDialog = lazy(async () => ({ default: (await import("./KeysDialog.tsx")).KeysDialog }));

/** One place to find anything and to go anywhere, from every page: Ctrl+K, or the glass; ? tells the keys. */
export function Find() {
  const { shown, show } = useFindShown();
  const [written, onWrite] = useTypedAhead(shown === "find", "[cmdk-input]");
  const close = (): void => show(null);
  // Who signs out leaves nothing open for the next.
  useEffect(() => () => show(null), [show]);
  useEffect(() => {
    const press = (e: KeyboardEvent): void => {
      if (e.key.toLowerCase() !== "k" || !(e.ctrlKey || e.metaKey) || e.altKey) return;
      e.preventDefault();
      show(useFindShown.getState().shown === "find" ? null : "find");
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [show]);
  useSingleKeys(useCallback((key) => key === "?" && show("keys"), [show]));
  return (
    <>
      <button
        type="button"
        aria-label="Find"
        aria-keyshortcuts="Control+K"
        title="Find, go, plan (Ctrl+K)"
        className="touch inline-flex items-center justify-center text-accent"
        onClick={() => show("find")}
      >
        <Search size={17} aria-hidden />
      </button>
      <Suspense fallback={null}>
        {shown === "find" && (
          <FindDialog {...{ written, onWrite }} onClose={close} onKeys={() => show("keys")} />
        )}
        {shown === "keys" && <KeysDialog onClose={close} />}
      </Suspense>
    </>
  );
}
