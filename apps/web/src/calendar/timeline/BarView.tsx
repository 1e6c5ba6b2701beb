import type { PointerEventHandler, KeyboardEventHandler } from "react";
import { sharesOf, spoken, type Bar, type Slot } from "./bars.ts";
import type { TimeAxis } from "./timeAxis.ts";
import type { Dragged } from "./useBarDrag.ts";

/** A share of the row that a word or two have room in. */
const WIDE = 0.045;
/** What is narrower no finger presses (WCAG 2.5.8): it is only seen here, and pressed in the list beneath. */
const PRESSED = 0.032;
/** What lasts no time at all on the row is seen all the same. */
const SEEN = 0.003;

/** Work is tinted, waiting at the bench dashed, the dark dark. */
const LOOK: Readonly<Record<Slot["kind"], string>> = {
  fit: "bg-accent-wash",
  close: "bg-accent-wash",
  cure: "border-x border-dashed border-edge bg-paper",
  aim: "bg-ink",
  handOver: "bg-paper",
};

interface BarViewProps {
  readonly bar: Bar;
  readonly axis: TimeAxis;
  readonly pinned: boolean;
  readonly onOpen: () => void;
  /** What lets it be dragged; nothing where it stays. */
  readonly drag?: {
    readonly onPointerDown: PointerEventHandler<HTMLElement>;
    readonly onPointerMove: PointerEventHandler<HTMLElement>;
    readonly onPointerUp: PointerEventHandler<HTMLElement>;
    readonly onPointerCancel: () => void;
    readonly onKeyDown: KeyboardEventHandler<HTMLElement>;
  };
  readonly moving: Dragged | null;
}

/** A job at a bench or at the wall: its stretches, and its name where there is room for it. */
export function BarView({ bar, axis, pinned, onOpen, drag, moving }: BarViewProps) {
  const { title, lateMin } = bar.job;
  const [from, to] = sharesOf(axis, bar);
  const width = Math.max(to - from, SEEN);
  const edge = bar.slots[0]?.kind === "aim" ? "border-ink" : "border-accent";
  const shape = `absolute top-1 h-12 overflow-hidden rounded-control ${lateMin > 0 ? "border-2" : "border"} ${edge}`;
  const place = { left: `${100 * from}%`, width: `${100 * width}%` };
  const stretches = bar.slots.map((slot) => {
    const [a, b] = sharesOf(axis, slot);
    return (
      <span
        key={slot.start + slot.kind}
        aria-hidden
        className={`absolute inset-y-0 ${LOOK[slot.kind]}`}
        style={{ left: `${(100 * (a - from)) / width}%`, width: `${(100 * (b - a)) / width}%` }}
      />
    );
  });
  if (width < PRESSED) {
    return (
      <span aria-hidden title={spoken(bar)} className={shape} style={place}>
        {stretches}
      </span>
    );
  }
  return (
    <button
      type="button"
      aria-label={spoken(bar)}
      title={spoken(bar)}
      className={`${shape} text-left text-small leading-4 ${moving ? "z-10 opacity-80" : ""} ${drag ? "touch-none cursor-grab" : ""}`}
      style={{
        ...place,
        ...(moving && { transform: `translate(${moving.dx}px, ${moving.dy}px)` }),
      }}
      {...drag}
      onClick={onOpen}
    >
      {stretches}
      {width >= WIDE && (
        <span
          className={`relative block h-full px-1 py-0.5 ${edge === "border-ink" ? "text-paper" : ""}`}
        >
          {/* Two lines have room; a third would be cut through its middle. */}
          <span className="line-clamp-2 break-words">
            {lateMin > 0 && <b>late · </b>}
            {pinned && <b>pinned · </b>}
            {title}
          </span>
        </span>
      )}
    </button>
  );
}
