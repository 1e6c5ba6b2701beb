import {
  AWG_GAUGES,
  METRIC_GAUGES,
  LIGHT_COLOURS,
  LOAD_FAMILIES,
  type LoadPart,
  type LoadSpec,
  type Part,
  ratingOf,
  stated,
} from "@dragonet/core";
import { Choice } from "../../../ui/forms/Choice.tsx";
import { FactRow } from "../../../ui/forms/FactRow.tsx";
import { PartLine as Line } from "../PartLine.tsx";
import { withRating } from "./loadRating.ts";
import { LoadRating } from "./LoadRating.tsx";

const LOAD_WORDS: Readonly<Record<LoadSpec["kind"], string>> = {
  drivenLed: "LED with a driver: constant power",
  filament: "filament bulb",
  resistive: "heater or LED tape: a resistor",
  constantCurrent: "horn or indicator: constant current",
  ledStrip: "LED tape by the metre",
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

/** A dim light begins as a fifth of the main one. */
const dimmed = (load: LoadSpec): LoadSpec =>
  withRating(load, stated(Number((ratingOf(load).value / 5).toPrecision(2))));

/** What a load is: how it behaves, its further light, its lead. */
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
      <LoadRating load={load} onChange={setLoad} />
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
