import {
  WIRE_COLOURS,
  lookOf,
  parseWireColour,
  type LaneLook,
  type DiagramPart,
} from "@dragonet/core";

const INK = "var(--ink)";

/** The symbol of a part, as paper has it too. */
function Symbol({ width, marks }: { width: number; marks: ReturnType<LaneLook["marks"]> }) {
  return (
    <svg
      width={width}
      height="22"
      viewBox={`0 0 ${width} 22`}
      aria-hidden
      className="shrink-0 in-[.roomy]:h-9 in-[.roomy]:w-auto in-[.roomy]:max-w-[85%] in-[.roomy]:shrink"
    >
      {marks.map(({ d, stroke }) => (
        <path
          key={d}
          d={d}
          fill={stroke === 0 ? INK : "none"}
          stroke={stroke === 0 ? "none" : INK}
          strokeWidth={stroke}
        />
      ))}
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
      className="wire flex h-2 flex-1 items-center in-[.roomy]:h-3 border-y border-edge"
      style={{ background: WIRE_COLOURS[parsed.base] }}
    >
      {stripe && <span className="h-0.5 w-full" style={{ background: WIRE_COLOURS[stripe] }} />}
    </span>
  );
}

/** A current that only a closed contact lets through, in A. */
const FLOWING_A = 1e-3;

/** The drawn part of a segment: insulation for a wire, a symbol on the line for the rest. */
export function Lane({ part }: { part: DiagramPart }) {
  if (part.kind === "wire") {
    return (
      <span className="flex h-[22px] w-full items-center in-[.roomy]:h-9">
        <Insulation colour={part.colour} />
      </span>
    );
  }
  const { width, leads, marks } = lookOf(part.kind);
  return (
    <span className="flex h-[22px] w-full items-center in-[.roomy]:h-9">
      {leads !== "right" && <Rule />}
      {width > 0 && <Symbol width={width} marks={marks(Math.abs(part.currentA) > FLOWING_A)} />}
      {leads !== "left" && <Rule />}
    </span>
  );
}
