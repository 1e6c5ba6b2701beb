import {
  AWG_GAUGES,
  LIGHT_COLOURS,
  LOAD_FAMILIES,
  METRIC_GAUGES,
  ratingOf,
  stated,
  type LoadPart,
  type LoadSpec,
  type Part,
} from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";
import { FactRow } from "../../ui/forms/FactRow.tsx";
import { NumberInput } from "../../ui/forms/TextInput.tsx";
import { PartLine as Line } from "./PartLine.tsx";
import { withRating } from "./loadRating.ts";

const LOAD_WORDS: Readonly<Record<LoadSpec["kind"], string>> = {
  drivenLed: "LED with a driver: constant power",
  filament: "filament bulb",
  resistive: "heater or LED strip: a resistor",
  constantCurrent: "horn or indicator: constant current",
  ledStrip: "LED strip by the metre",
};

const same = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, label: value }));

function blankLoad(kind: LoadSpec["kind"]): LoadSpec {
  switch (kind) {
    case "drivenLed":
      return { kind, powerW: stated(20), minV: 9, maxV: 32 };
    case "filament":
    case "resistive":
      return { kind, powerW: stated(21), ratedV: 12 };
    case "constantCurrent":
      return { kind, currentA: stated(3) };
    case "ledStrip":
      return {
        kind,
        powerWPerM: stated(4.8),
        ratedV: 12,
        forwardV: 9,
        groupM: 0.05,
        lengthM: 1,
      };
  }
}

/** The same kind of light at another rating. */
/** A dim light begins as a fifth of the main one. */
const dimmed = (load: LoadSpec): LoadSpec =>
  withRating(load, stated(Number((ratingOf(load).value / 5).toPrecision(2))));

export function LoadFields({ part, onChange }: { part: LoadPart; onChange: (part: Part) => void }) {
  const { load } = part;
  const setLoad = (change: Partial<LoadSpec>): void =>
    onChange({ ...part, load: { ...load, ...change } as LoadSpec });
  return (
    <>
      <Line label="What it is">
        <Choice
          label="Family"
          value={part.family}
          options={same(LOAD_FAMILIES)}
          className="w-28"
          onChange={(family) => onChange({ ...part, family })}
        />
        <Choice
          label="Light"
          value={part.light}
          options={same(LIGHT_COLOURS)}
          className="w-32"
          onChange={(light) => onChange({ ...part, light })}
        />
      </Line>
      <Line label="Behaves as">
        <Choice
          label="Behaves as"
          value={load.kind}
          className="w-72"
          options={(Object.keys(LOAD_WORDS) as LoadSpec["kind"][]).map((value) => ({
            value,
            label: LOAD_WORDS[value],
          }))}
          onChange={(kind) => onChange({ ...part, load: blankLoad(kind) })}
        />
      </Line>
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
      <FactRow
        label="Standing by"
        unit="A"
        fact={part.standbyA}
        onChange={(standbyA) => onChange({ ...part, standbyA })}
      />
      <Line label="Second, dim light">
        <Choice
          label="Second light"
          value={part.dim ? "yes" : "no"}
          className="w-56"
          options={[
            { value: "no", label: "none" },
            { value: "yes", label: "in the same housing" },
          ]}
          onChange={(v) =>
            onChange({ ...part, dim: v === "yes" ? (part.dim ?? dimmed(load)) : null })
          }
        />
      </Line>
      {part.dim && (
        <FactRow
          label="Dim light"
          unit={part.dim.kind === "constantCurrent" ? "A" : "W"}
          fact={ratingOf(part.dim)}
          onChange={(fact) => onChange({ ...part, dim: withRating(part.dim ?? load, fact) })}
        />
      )}
      <Line label="Its body is its negative">
        <Choice
          label="Body grounded"
          value={part.caseGround ? "yes" : "no"}
          className="w-56"
          options={[
            { value: "no", label: "no: a wire of its own" },
            { value: "yes", label: "yes: grounded by its mount" },
          ]}
          onChange={(v) => onChange({ ...part, caseGround: v === "yes" })}
        />
      </Line>
      <Line label="Own pigtail">
        <Choice
          label="Pigtail"
          value={part.pigtail}
          className="w-40"
          options={[
            { value: "", label: "none: terminals" },
            ...[...AWG_GAUGES, ...METRIC_GAUGES].map((g) => ({ value: g.id, label: g.id })),
          ]}
          onChange={(pigtail) => onChange({ ...part, pigtail })}
        />
      </Line>
    </>
  );
}
