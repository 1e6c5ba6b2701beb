import { WIRE_USES, inputWord, type Practices } from "@dragonet/core";
import { checkColour } from "../ui/forms/checkColour.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import { Line } from "./Line.tsx";

export interface PracticeFieldsProps {
  readonly practices: Practices;
  readonly canEdit: boolean;
  readonly onChange: <F extends keyof Practices>(field: F, value: Practices[F]) => void;
}

/** What a wire is for, in words: most are what turns their circuit on. */
const wordOfUse = (use: (typeof WIRE_USES)[number]): string =>
  use === "feed" || use === "ground" ? `${use}s` : inputWord(use);

/** How wires lie: the heat around them, their bundles, their ends, their colours. */
export function LoomPractices({ practices, canEdit, onChange }: PracticeFieldsProps) {
  return (
    <>
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
              {wordOfUse(use)}
              <TextInput
                label={`Wire colour: ${wordOfUse(use)}`}
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
    </>
  );
}
