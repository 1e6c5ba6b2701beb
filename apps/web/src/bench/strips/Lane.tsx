import type { ReactNode } from "react";
import { WIRE_COLOURS, parseWireColour, type StripPart } from "@dragonet/core";

const INK = "var(--ink)";

function Symbol({ width, children }: { width: number; children: ReactNode }) {
  return (
    <svg width={width} height="22" viewBox={`0 0 ${width} 22`} aria-hidden className="shrink-0">
      {children}
    </svg>
  );
}

const Rule = () => <span className="h-px min-w-1 flex-1 bg-ink" aria-hidden />;

/** A wire as the hand sees it: insulation between two edges, its stripe along the middle. */
function Insulation({ colour }: { colour: string }) {
  const parsed = parseWireColour(colour);
  if (!parsed) return <Rule />;
  const stripe = parsed.stripe;
  return (
    <span
      aria-hidden
      className="flex h-2 flex-1 items-center border-y border-edge"
      style={{ background: WIRE_COLOURS[parsed.base] }}
    >
      {stripe && <span className="h-0.5 w-full" style={{ background: WIRE_COLOURS[stripe] }} />}
    </span>
  );
}

/** A current that only a closed contact lets through, in A. */
const FLOWING_A = 1e-3;

function symbolOf(kind: StripPart["kind"], closed: boolean): ReactNode {
  switch (kind) {
    case "fuse":
      return (
        <Symbol width={34}>
          <path d="M0 11h34" stroke={INK} />
          <rect x="3" y="5.5" width="28" height="11" fill="none" stroke={INK} strokeWidth="1.4" />
        </Symbol>
      );
    case "switch":
    case "contact":
      return (
        <Symbol width={36}>
          <path
            d={closed ? "M0 11h36" : "M0 11h5M31 11h5M7 10l22-8"}
            stroke={INK}
            strokeWidth="1.4"
          />
          <circle cx="6.5" cy="11" r="2" fill="var(--paper)" stroke={INK} />
          <circle cx="29.5" cy="11" r="2" fill="var(--paper)" stroke={INK} />
        </Symbol>
      );
    case "coil":
      return (
        <Symbol width={34}>
          <rect x="1" y="4" width="32" height="14" fill="none" stroke={INK} strokeWidth="1.4" />
          <path d="M10 18l14-14" stroke={INK} />
        </Symbol>
      );
    case "connector":
      return (
        <Symbol width={26}>
          <path d="M0 11h8M17 11h9M14 5.5H8v11h6" stroke={INK} strokeWidth="1.4" fill="none" />
          <rect x="11" y="8" width="7" height="6" fill={INK} />
        </Symbol>
      );
    case "battery":
      return (
        <Symbol width={22}>
          <path d="M0 11h8M14 11h8" stroke={INK} strokeWidth="1.4" />
          <path d="M8 6v10" stroke={INK} strokeWidth="3" />
          <path d="M14 2v18" stroke={INK} strokeWidth="1.4" />
        </Symbol>
      );
    case "converter":
    case "flasher":
      return (
        <Symbol width={34}>
          <rect x="1" y="3" width="32" height="16" fill="none" stroke={INK} strokeWidth="1.4" />
          <path
            d={kind === "converter" ? "M1 19L33 3" : "M6 14h5V8h6v6h6V8h5"}
            stroke={INK}
            strokeWidth="1.2"
            fill="none"
          />
        </Symbol>
      );
    case "diode":
      return (
        <Symbol width={22}>
          <path d="M0 11h22M5 5v12l11 -6zM16 5v12" stroke={INK} strokeWidth="1.4" fill="none" />
        </Symbol>
      );
    case "tap":
      return (
        <Symbol width={16}>
          <path d="M8 11h8M8 3v16" stroke={INK} strokeWidth="1.4" />
          <circle cx="8" cy="11" r="3.5" fill={INK} />
        </Symbol>
      );
    case "chassis":
      return (
        <Symbol width={20}>
          <path d="M0 11h6M6 3v16M11 6v10M16 9v4" stroke={INK} strokeWidth="1.4" />
        </Symbol>
      );
    case "wire":
    case "load":
    case "strap":
      return null;
  }
}

/** The drawn part of a segment: insulation for a wire, a symbol on the line for the rest. */
export function Lane({ part }: { part: StripPart }) {
  if (part.kind === "wire") {
    return (
      <span className="flex h-[22px] w-full items-center">
        <Insulation colour={part.colour} />
      </span>
    );
  }
  return (
    <span className="flex h-[22px] w-full items-center">
      {part.kind !== "tap" && <Rule />}
      {symbolOf(part.kind, Math.abs(part.currentA) > FLOWING_A)}
      {part.kind !== "chassis" && <Rule />}
    </span>
  );
}
