import type { ReactNode } from "react";

/** A picture too wide for a phone: it keeps its size there, and is moved sideways. */
export function Wide({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div role="region" aria-label={name} tabIndex={0} className="overflow-x-auto">
      <div className="max-lg:min-w-[40rem]">{children}</div>
    </div>
  );
}
