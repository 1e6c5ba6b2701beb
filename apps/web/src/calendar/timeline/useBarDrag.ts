import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";

/** A hand is never quite still: so far it moves on a press, px. */
const STILL_PX = 5;

export interface Dragged {
  readonly id: string;
  readonly dx: number;
  readonly dy: number;
}

/**
 * Dragging of bars over rows: what is being dragged and how far, and what is told when it is let go. A press
 * without moving is no dragging. Escape, or a pointer that is taken away, puts it back.
 */
export function useBarDrag(
  onDrop: (id: string, at: { readonly x: number; readonly y: number }) => void,
) {
  const from = useRef<{ id: string; x: number; y: number; grabX: number } | null>(null);
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const moved = useRef(false);
  const end = (): void => {
    from.current = null;
    setDragged(null);
  };
  const barProps = (id: string) => ({
    onPointerDown: (e: PointerEvent<HTMLElement>) => {
      if (e.button !== 0) return;
      const left = e.currentTarget.getBoundingClientRect().left;
      from.current = { id, x: e.clientX, y: e.clientY, grabX: e.clientX - left };
      moved.current = false;
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove: (e: PointerEvent<HTMLElement>) => {
      const start = from.current;
      if (!start) return;
      const [dx, dy] = [e.clientX - start.x, e.clientY - start.y];
      if (!moved.current && Math.hypot(dx, dy) < STILL_PX) return;
      moved.current = true;
      setDragged({ id, dx, dy });
    },
    onPointerUp: (e: PointerEvent<HTMLElement>) => {
      const start = from.current;
      const was = moved.current;
      end();
      if (start && was) onDrop(id, { x: e.clientX - start.grabX, y: e.clientY });
    },
    onPointerCancel: end,
    onKeyDown: (e: KeyboardEvent<HTMLElement>) => {
      if (e.key !== "Escape" || !from.current) return;
      e.preventDefault();
      end();
    },
  });
  /** Whether the press that ends now was a drag: its click is none. */
  const wasDragged = (): boolean => {
    const was = moved.current;
    moved.current = false;
    return was;
  };
  return { dragged, barProps, wasDragged };
}
