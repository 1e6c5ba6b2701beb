import type { ReactNode } from "react";

/** One line of a form that begins something: what it asks, and where it is told. */
export function FormLine({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span className="w-36 font-bold">{label}</span>
      {children}
    </div>
  );
}
