import type { ReactNode } from "react";

/** One setting: what it is, what it means, and its fields. */
export function Line({
  label,
  about,
  children,
}: {
  label: string;
  about: string;
  children: ReactNode;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair py-2">
      <div className="min-w-56 flex-1">
        <p className="font-bold">{label}</p>
        <p className="text-small text-muted">{about}</p>
      </div>
      {children}
    </div>
  );
}
