import { useEffect } from "react";
import { useCurrentUser } from "./session.ts";

/** Whether a key belongs to what has the focus, or to a list or dialog that is open. */
function isTaken(e: KeyboardEvent): boolean {
  const { target, ctrlKey, metaKey, altKey, repeat } = e;
  return (
    // A closed list takes the letters that pick in it.
    e.defaultPrevented ||
    ctrlKey ||
    metaKey ||
    altKey ||
    repeat ||
    target instanceof HTMLInputElement ||
    target instanceof HTMLTextAreaElement ||
    document.querySelector("[role=dialog], [role=listbox]") !== null
  );
}

/**
 * What a letter or figure does by itself on a page, outside its fields, lists and dialogs. Whoever speaks to
 * the machine, or leans on the keys, turns them off (WCAG 2.1.4).
 */
export function useSingleKeys(onKey: (key: string) => void): void {
  const on = useCurrentUser().preferences.singleKeys ?? true;
  useEffect(() => {
    if (!on) return;
    const press = (e: KeyboardEvent): void => {
      if (!isTaken(e)) onKey(e.key);
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [on, onKey]);
}
