import { FlipHorizontal2 } from "lucide-react";
import { useState } from "react";
import {
  WIRE_COLOURS,
  parseWireColour,
  plugFace,
  type Connector,
  type PlugCavity,
  type PlugSide,
  type Vehicle,
} from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";

interface PlugPictureProps {
  readonly vehicle: Vehicle;
  readonly connector: Connector;
  /** null for who may only look. */
  readonly set: ((field: "cavities" | "rows", value: number) => void) | null;
}

/** A cavity in the picture's units, and the air around it. */
const [WIDE, HIGH, EDGE, LATCH] = [38, 40, 9, 8];

const SIDE_WORDS: Readonly<Record<PlugSide, string>> = {
  mating: "its open face",
  wires: "its wires",
};

const cavityWords = ({ cavity, pin }: PlugCavity): string =>
  pin
    ? `${cavity}: ${[pin.colour, pin.carries].filter((t) => t !== "").join(", ")}`
    : `${cavity}: empty`;

/** One cavity: its mark, and its wire end on in its own colours. */
function Cavity({ at }: { at: PlugCavity }) {
  const colour = at.pin ? parseWireColour(at.pin.colour) : null;
  const [x, y] = [EDGE + at.column * WIDE, EDGE + LATCH + at.row * HIGH];
  const [cx, cy] = [x + WIDE / 2, y + 26];
  return (
    <g>
      <title>{cavityWords(at)}</title>
      <rect
        x={x + 2}
        y={y + 1}
        width={WIDE - 4}
        height={HIGH - 3}
        className="fill-paper stroke-edge"
      />
      <text x={cx} y={y + 13} textAnchor="middle" className="fill-ink" fontSize={11}>
        {at.cavity}
      </text>
      {at.pin ? (
        <>
          <circle
            {...{ cx, cy, r: 8.5 }}
            className="stroke-ink"
            strokeDasharray={colour ? undefined : "2 2"}
            fill={colour ? WIRE_COLOURS[colour.base] : "var(--paper)"}
          />
          {colour?.stripe && (
            <rect x={cx - 8} y={cy - 2} width={16} height={4} fill={WIRE_COLOURS[colour.stripe]} />
          )}
        </>
      ) : (
        <path d={`M${cx - 4} ${cy - 4}l8 8m0-8l-8 8`} className="stroke-edge" />
      )}
    </g>
  );
}

/** A plug as whoever holds it sees it: cavities where they are, each wire in its colour. */
export function PlugPicture({ vehicle, connector, set }: PlugPictureProps) {
  const [side, look] = useState<PlugSide>("wires");
  const face = plugFace(vehicle, connector, side);
  const width = face.columns * WIDE + 2 * EDGE;
  const height = face.rows * HIGH + 2 * EDGE + LATCH;
  const middle = width / 2;
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-1 pb-1 pl-7">
      <div className="max-w-full overflow-x-auto">
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={`${connector.name}, looked at onto ${SIDE_WORDS[side]}, left to right: ${[
            ...face.cavities,
          ]
            .sort((a, b) => a.row - b.row || a.column - b.column)
            .map(cavityWords)
            .join("; ")}`}
        >
          <path
            d={`M3 ${LATCH + 2}h${middle - 15}v-${LATCH}h24v${LATCH}H${width - 3}V${height - 3}H3z`}
            className="fill-sunk stroke-edge"
          />
          {face.cavities.map((at, i) => (
            <Cavity key={i} at={at} />
          ))}
        </svg>
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-small text-muted">
        <span>Onto {SIDE_WORDS[side]}</span>
        <Button
          look="quiet"
          aria-label={`Look at ${connector.name} from the other side`}
          onClick={() => look(side === "wires" ? "mating" : "wires")}
        >
          <FlipHorizontal2 size={15} aria-hidden /> Turn over
        </Button>
        {set && (
          <>
            <NumberInput
              label={`Cavities of ${connector.name}, 0 for as many as are known`}
              value={connector.cavities}
              max={200}
              className="w-12"
              onCommit={(n) => set("cavities", Math.round(n))}
            />
            <span>cavities in</span>
            <NumberInput
              label={`Rows of ${connector.name}, 0 for the usual`}
              value={connector.rows}
              max={10}
              className="w-10"
              onCommit={(n) => set("rows", Math.round(n))}
            />
            <span>rows</span>
          </>
        )}
      </div>
    </div>
  );
}
