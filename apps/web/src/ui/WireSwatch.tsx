import { WIRE_COLOURS, parseWireColour } from "@dragonet/core";

/** A length of insulation in its true colour, stripe along the middle, always named too. */
export function WireSwatch({ colour, named = true }: { colour: string; named?: boolean }) {
  const parsed = parseWireColour(colour);
  const [base = "", stripe] = colour.split("/");
  return (
    <span className="inline-flex items-center gap-1.5">
      {parsed && (
        <svg width="26" height="8" aria-hidden className="shrink-0">
          <rect
            x="0.5"
            y="0.5"
            width="25"
            height="7"
            fill={WIRE_COLOURS[parsed.base]}
            stroke="var(--edge)"
          />
          {parsed.stripe && (
            <rect x="1" y="3" width="24" height="2" fill={WIRE_COLOURS[parsed.stripe]} />
          )}
        </svg>
      )}
      {named && (
        <span>
          {base === "" ? "not written down" : base}
          {stripe !== undefined && (
            // Where there is little room it goes on in the next line.
            <>
              /<wbr />
              {stripe}
            </>
          )}
        </span>
      )}
    </span>
  );
}
