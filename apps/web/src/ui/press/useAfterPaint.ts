import { useEffect, useState } from "react";
import { afterPaint } from "./afterPaint.ts";

/**
 * Whether what was asked for may be drawn: from the frame after it was asked for until it is no more.
 * With the next key at the latest, and in one go: whoever types on at once loses no letter.
 */
export function useAfterPaint(asked: boolean): boolean {
  const [painted, setPainted] = useState(false);
  useEffect(() => {
    if (asked) afterPaint(() => setPainted(true));
    else setPainted(false);
  }, [asked]);
  return asked && painted;
}
