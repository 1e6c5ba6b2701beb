import type { ReactNode } from "react";

/** One line of the part dialog: what it is, then its fields. */
export function PartLine({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-hair py-1">
      <span className="w-44 shrink-0">{label}</span>
      {children}
    </div>
  );
}
