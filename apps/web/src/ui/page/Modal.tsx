import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { useCallback, useEffect, useLayoutEffect, useRef, type ReactNode } from "react";
import { useAfterPaint } from "../press/useAfterPaint.ts";

interface ModalProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly children: ReactNode;
  /** Said to screen readers beneath the title. */
  readonly about?: string;
  /** A choice that has to be made: no closing by the way. */
  readonly firm?: boolean;
}

/** What a dialog is there for has the focus first: not the way out of it, nor a tab that focus would turn to. */
const FIRST =
  "input, textarea, [role=combobox], button:not([aria-label=Close], [aria-selected=false])";

/** What is in a dialog comes in the frame after the dialog itself, with the focus. */
function Inside({ children, onEnter }: { children: ReactNode; onEnter: () => void }) {
  const there = useAfterPaint(true);
  const place = useRef<HTMLDivElement>(null);
  // Before anything in the dialog takes the focus.
  useLayoutEffect(onEnter, [onEnter]);
  useEffect(() => {
    if (there) place.current?.querySelector<HTMLElement>(FIRST)?.focus();
  }, [there]);
  return (
    <div ref={place} className="contents">
      {there && children}
    </div>
  );
}

export function Modal({ open, onClose, title, children, about, firm = false }: ModalProps) {
  const opener = useRef<HTMLElement | null>(null);
  /** The press that asked for the dialog is on the screen before it. */
  const isShown = useAfterPaint(open);
  const noteOpener = useCallback(() => {
    opener.current = document.activeElement instanceof HTMLElement ? document.activeElement : null;
  }, []);
  /** The dialog has the focus until its first field is there. */
  const enter = (e: Event): void => {
    e.preventDefault();
    const dialog = e.currentTarget instanceof HTMLElement ? e.currentTarget : null;
    if (dialog && !dialog.contains(document.activeElement)) dialog.focus();
  };
  /** Back to what opened it: there is no trigger that the dialog would know of. */
  const leave = (e: Event): void => {
    e.preventDefault();
    // What opened it may be gone by what was done: then on from the page itself.
    const to = opener.current?.isConnected ? opener.current : document.getElementById("main");
    to?.focus();
  };
  const hold = (e: Event): void => {
    if (firm) e.preventDefault();
  };
  /** A field that is being written takes Escape for itself: the dialog hears of it first. */
  const escape = (e: KeyboardEvent): void => {
    hold(e);
    if (e.target instanceof HTMLElement && e.target.dataset.draft) e.preventDefault();
  };
  return (
    <Dialog.Root open={isShown} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          onEscapeKeyDown={escape}
          onPointerDownOutside={hold}
          onOpenAutoFocus={enter}
          onCloseAutoFocus={leave}
          className="fixed top-[6vh] left-1/2 z-40 max-h-[88vh] w-[min(46rem,94vw)] -translate-x-1/2 overflow-y-auto rounded-control border border-edge bg-paper p-5"
          {...(about === undefined ? { "aria-describedby": undefined } : {})}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Dialog.Title className="text-lead">{title}</Dialog.Title>
            {!firm && (
              <Dialog.Close className="touch text-accent" aria-label="Close">
                <X size={18} aria-hidden />
              </Dialog.Close>
            )}
          </div>
          {about !== undefined && <Dialog.Description className="mb-3">{about}</Dialog.Description>}
          <Inside onEnter={noteOpener}>{children}</Inside>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
