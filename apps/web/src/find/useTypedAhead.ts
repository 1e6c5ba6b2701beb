import { useEffect, useState } from "react";

/** What is written after a key; undefined for one that writes nothing. */
function after(written: string, { key }: KeyboardEvent): string | undefined {
  if (key === "Backspace") return written.slice(0, -1);
  return key.length === 1 ? written + key : undefined;
}

/**
 * What is written in a field that opens by a key. Whoever types on at once is ahead of it: until it
 * has the focus its letters are kept for it, and are no keys of the page, nor of a list on it.
 * `field` is its selector; what was written is gone when it closes.
 */
export function useTypedAhead(
  open: boolean,
  field: string,
): readonly [string, (text: string) => void] {
  const [written, setWritten] = useState("");
  useEffect(() => {
    if (!open) return;
    const press = (e: KeyboardEvent): void => {
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      const isWriting = after("", e) !== undefined;
      // There is nothing yet that it could choose.
      if (!isWriting && e.key !== "Enter") return;
      e.preventDefault();
      e.stopPropagation();
      setWritten((before) => after(before, e) ?? before);
    };
    const enter = (e: FocusEvent): void => {
      if (e.target instanceof Element && e.target.matches(field)) stop();
    };
    const stop = (): void => {
      window.removeEventListener("keydown", press, { capture: true });
      window.removeEventListener("focusin", enter);
    };
    window.addEventListener("keydown", press, { capture: true });
    window.addEventListener("focusin", enter);
    return () => {
      stop();
      setWritten("");
    };
  }, [open, field]);
  return [written, setWritten];
}
