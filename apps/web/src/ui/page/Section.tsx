import type { ReactNode } from "react";
import { useId } from "react";

interface SectionProps {
  readonly title: string;
  readonly action?: ReactNode;
  readonly about?: string;
  readonly children: ReactNode;
}

/** A part of a page: its name on a rule, what can be done with it at the right. */
export function Section({ title, action, about, children }: SectionProps) {
  const id = useId();
  return (
    <section aria-labelledby={id} className="in-view mb-6">
      <div className="mb-1 flex items-baseline gap-3 border-b border-ink pb-1">
        <h2 id={id} className="mr-auto text-lead">
          {title}
        </h2>
        {action}
      </div>
      {about !== undefined && <p className="mb-1 text-small text-muted">{about}</p>}
      {children}
    </section>
  );
}
