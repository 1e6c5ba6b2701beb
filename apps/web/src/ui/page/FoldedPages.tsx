import { ChevronDown, ChevronUp } from "lucide-react";
import { useRef, type FocusEvent, type KeyboardEvent, type ReactNode } from "react";

interface FoldedPagesProps {
  /** The page that is open. */
  readonly here: ReactNode;
  /** The list opens above its press: it stands at the foot of a phone. */
  readonly up?: boolean;
  readonly children: ReactNode;
}

/** Pages that do not fit beside each other: the open one is told, all of them by a press. */
export function FoldedPages({ here, up = false, children }: FoldedPagesProps) {
  const fold = useRef<HTMLDetailsElement>(null);
  const close = (): void => {
    if (fold.current) fold.current.open = false;
  };
  const leave = (e: FocusEvent<HTMLDetailsElement>): void => {
    if (e.relatedTarget && !e.currentTarget.contains(e.relatedTarget)) close();
  };
  const press = (e: KeyboardEvent<HTMLDetailsElement>): void => {
    if (e.key !== "Escape" || !e.currentTarget.open) return;
    e.stopPropagation();
    close();
    e.currentTarget.querySelector("summary")?.focus();
  };
  const Mark = up ? ChevronUp : ChevronDown;
  return (
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Escape and leaving are heard for what is in it, which can be pressed
    <details ref={fold} className="relative" onBlur={leave} onKeyDown={press}>
      <summary className="touch flex cursor-pointer list-none items-center justify-center gap-1 border-b-2 border-accent px-1 py-1.5 font-bold">
        {here}
        <Mark size={16} aria-hidden className="text-accent" />
      </summary>
      {/* A page that is chosen closes the list. */}
      <div
        className={`absolute left-1/2 z-40 flex min-w-44 -translate-x-1/2 flex-col rounded-control border border-edge bg-paper p-1 ${up ? "bottom-full mb-1" : "top-full mt-1"}`}
        onClickCapture={close}
      >
        {children}
      </div>
    </details>
  );
}
