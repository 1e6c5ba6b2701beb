import type { ReactNode } from "react";
import { useAfterPaint } from "../press/useAfterPaint.ts";

/** What is long to draw comes in the frame after the press that asked for it. */
export function Later({ children }: { readonly children: ReactNode }) {
  return useAfterPaint(true) && children;
}
