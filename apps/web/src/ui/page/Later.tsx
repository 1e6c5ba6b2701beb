import { useEffect, useState, type ReactNode } from "react";
import { afterPaint } from "../press/afterPaint.ts";

/** What is long to draw comes in the frame after the press that asked for it. */
export function Later({ children }: { readonly children: ReactNode }) {
  const [there, setThere] = useState(false);
  useEffect(() => afterPaint(() => setThere(true)), []);
  return there && children;
}
