import type { LoadSpec } from "@dragonet/core";
import { FactRow } from "../../../ui/forms/FactRow.tsx";
import { NumberInput } from "../../../ui/forms/number/NumberInput.tsx";
import { PartLine as Line } from "../PartLine.tsx";

interface LoadRatingProps {
  readonly load: LoadSpec;
  readonly onChange: (change: Partial<LoadSpec>) => void;
}

/** What a load draws, and at which volts, as its kind is rated. */
export function LoadRating({ load, onChange: setLoad }: LoadRatingProps) {
  return (
    <>
      {load.kind === "constantCurrent" ? (
        <FactRow
          label="Current"
          unit="A"
          fact={load.currentA}
          onChange={(currentA) => setLoad({ currentA })}
        />
      ) : load.kind === "ledStrip" ? (
        <FactRow
          label="Power of a metre"
          unit="W"
          fact={load.powerWPerM}
          onChange={(powerWPerM) => setLoad({ powerWPerM })}
        />
      ) : (
        <FactRow
          label="Power"
          unit="W"
          fact={load.powerW}
          onChange={(powerW) => setLoad({ powerW })}
        />
      )}
      {load.kind === "ledStrip" && (
        <Line label="Dies of a group need">
          <NumberInput
            label="Volts of the dies in a group"
            unit="V"
            value={load.forwardV}
            max={1000}
            onCommit={(forwardV) => setLoad({ forwardV })}
          />
          <NumberInput
            label="Cut every"
            unit="m"
            value={load.groupM}
            min={0.001}
            max={10}
            onCommit={(groupM) => setLoad({ groupM })}
          />
        </Line>
      )}
      {load.kind === "drivenLed" && (
        <Line label="Works from, to">
          <NumberInput
            label="Works from"
            unit="V"
            value={load.minV}
            min={1}
            max={1000}
            onCommit={(minV) => setLoad({ minV })}
          />
          <NumberInput
            label="Works to"
            unit="V"
            value={load.maxV}
            min={1}
            max={1000}
            onCommit={(maxV) => setLoad({ maxV })}
          />
        </Line>
      )}
      {(load.kind === "filament" || load.kind === "resistive" || load.kind === "ledStrip") && (
        <Line label="Rated at">
          <NumberInput
            label="Rated voltage"
            unit="V"
            value={load.ratedV}
            min={1}
            max={1000}
            onCommit={(ratedV) => setLoad({ ratedV })}
          />
        </Line>
      )}
    </>
  );
}
