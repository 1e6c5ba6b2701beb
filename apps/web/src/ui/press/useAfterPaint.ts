import { useDeferredValue, useEffect, useState } from "react";
import { afterPaint } from "./afterPaint.ts";

/**
 * Whether what was asked for may be drawn: from the frame after it was asked for until it is no more.
 * It is drawn piece by piece, so that a press that comes meanwhile is not kept waiting.
 */
export function useAfterPaint(asked: boolean): boolean {
  const [painted, setPainted] = useState(false);
  useEffect(() => {
    if (asked) afterPaint(() => setPainted(true));
    else setPainted(false);
  }, [asked]);
  const isDrawn = useDeferredValue(painted);
  return asked && isDrawn;
}
