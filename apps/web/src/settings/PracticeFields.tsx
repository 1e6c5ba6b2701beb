import { PLACES, WIRE_USES, type Practices } from "@dragonet/core";
import { checkColour } from "../ui/forms/checkColour.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { NumberInput, TextInput } from "../ui/forms/TextInput.tsx";
import { Line } from "./Line.tsx";
import { TariffLine } from "./TariffLine.tsx";

interface PracticeFieldsProps {
  readonly practices: Practices;
  readonly canEdit: boolean;
  readonly onChange: <F extends keyof Practices>(field: F, value: Practices[F]) => void;
}

const USE_WORDS: Readonly<Record<(typeof WIRE_USES)[number], string>> = {
  feed: "feeds",
  ground: "grounds",
  park: "park",
  low: "low beam",
  high: "high beam",
  brake: "brake",
  left: "left turn",
  right: "right turn",
  hazard: "hazards",
  horn: "horn",
  reverse: "reverse",
};

export function PracticeFields({ practices, canEdit, onChange }: PracticeFieldsProps) {
  return (
    <fieldset disabled={!canEdit} className="min-w-0">
      <legend className="sr-only">Practices</legend>
      <Line label="Fuse" about="Both schools stay under the weakest thing behind the fuse.">
        <Choice
          label="Fuse school"
          value={practices.fuseSchool}
          disabled={!canEdit}
          className="w-64"
          options={[
            { value: "nextSize", label: "next standard size above the draw" },
            { value: "eightyPercent", label: "loaded to 80 % at most" },
          ]}
          onChange={(v) => onChange("fuseSchool", v)}
        />
      </Line>
      <Line label="Coil" about="Which side of a relay’s coil the control switches.">
        <Choice
          label="Coil switching"
          value={practices.coilSwitching}
          disabled={!canEdit}
          className="w-64"
          options={[
            { value: "positive", label: "switch the positive" },
            { value: "negative", label: "switch the ground" },
          ]}
          onChange={(v) => onChange("coilSwitching", v)}
        />
      </Line>
      <Line label="Wire" about="The sizes on your spools.">
        <Choice
          label="Wire sizes"
          value={practices.wireSystem}
          disabled={!canEdit}
          className="w-64"
          options={[
            { value: "awg", label: "American wire gauge" },
            { value: "metric", label: "square millimetres" },
          ]}
          onChange={(v) => onChange("wireSystem", v)}
        />
      </Line>
      <Line label="Drop" about="Allowed loss out and back; 3 % is usual for lamps.">
        <NumberInput
          label="Allowed drop"
          unit="%"
          value={Number((practices.dropTarget * 100).toFixed(2))}
          min={0.5}
          max={20}
          onCommit={(v) => onChange("dropTarget", v / 100)}
        />
      </Line>
      <Line label="Heat" about="Air around the loom, and what the insulation is rated for.">
        <NumberInput
          label="Ambient"
          unit="°C air"
          value={practices.ambientC}
          min={-40}
          max={120}
          className="w-16"
          onCommit={(v) => onChange("ambientC", v)}
        />
        <NumberInput
          label="Insulation"
          unit="°C rated"
          value={practices.insulationC}
          min={60}
          max={200}
          className="w-16"
          onCommit={(v) => onChange("insulationC", v)}
        />
      </Line>
      <TariffLine
        tariff={practices.tariff}
        canEdit={canEdit}
        onChange={(tariff) => onChange("tariff", tariff)}
      />
      <Line
        label="Place"
        about="Whose rules the lamps are held against. Advisory: ask your inspector."
      >
        <Choice
          label="Rules of the place"
          value={practices.place}
          disabled={!canEdit}
          className="w-64"
          options={[
            { value: "", label: "none" },
            ...PLACES.map((p) => ({ value: p.id, label: p.name })),
          ]}
          onChange={(v) => onChange("place", v)}
        />
      </Line>
      <Line label="Ends" about="What is over of a wire that is led from its lamp to the battery.">
        <Choice
          label="Spare wire"
          value={practices.slack}
          disabled={!canEdit}
          className="w-64"
          options={[
            { value: "spare", label: "a hand’s width stays coiled" },
            { value: "cut", label: "cut to length" },
          ]}
          onChange={(v) => onChange("slack", v)}
        />
      </Line>
      <Line
        label="Bundle"
        about="Loaded wires lying side by side; each carries less by the square root."
      >
        <NumberInput
          label="Loaded wires in a bundle"
          unit="wires"
          value={practices.bundledWires}
          min={1}
          max={50}
          className="w-16"
          onCommit={(v) => onChange("bundledWires", Math.round(v))}
        />
      </Line>
      <Line label="Wire colours" about="The shop’s own, by use; empty leaves it to the plan.">
        <div className="flex max-w-xl flex-wrap gap-x-3 gap-y-1">
          {WIRE_USES.map((use) => (
            <span key={use} className="inline-flex items-center gap-1 text-small">
              {USE_WORDS[use]}
              <TextInput
                label={`Wire colour: ${USE_WORDS[use]}`}
                value={practices.colours.find((c) => c.use === use)?.colour ?? ""}
                className="w-24"
                maxLength={40}
                check={checkColour}
                onCommit={(colour) => {
                  const others = practices.colours.filter((c) => c.use !== use);
                  onChange("colours", colour === "" ? others : [...others, { use, colour }]);
                }}
              />
            </span>
          ))}
        </div>
      </Line>
    </fieldset>
  );
}
