import { useEffect, useState } from "react";
import { afterPaint } from "./afterPaint.ts";

/** Whether what was asked for may be drawn: from the frame after it was asked for until it is no more. */
export function useAfterPaint(asked: boolean): boolean {
  const [painted, setPainted] = useState(false);
  useEffect(() => {
    if (asked) afterPaint(() => setPainted(true));
    else setPainted(false);
  }, [asked]);
  return asked && painted;
}
