import type { ReactNode } from "react";

/** The head of a column: its words, and the classes that its place asks for. */
export type Head = string | { readonly words: string; readonly className: string };

export const right = (words: string): Head => ({ words, className: "text-right" });

/** A table of facts that scrolls by itself where the page is narrow; its rows are the children. */
export function DataTable({
  label,
  heads,
  className = "",
  children,
}: {
  label: string;
  heads: readonly Head[];
  className?: string;
  children: ReactNode;
}) {
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label={label}>
      <table className={`w-full border-collapse ${className}`}>
        <thead>
          <tr>
            {heads.map((head, i) => (
              <th key={i} scope="col" className={typeof head === "string" ? "" : head.className}>
                {typeof head === "string" ? head : head.words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
