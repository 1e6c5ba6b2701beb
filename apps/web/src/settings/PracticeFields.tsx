import { PLACES } from "@dragonet/core";
import { Choice } from "../ui/forms/Choice.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { Line } from "./Line.tsx";
import { TariffLine } from "./TariffLine.tsx";
import { LoomPractices, type PracticeFieldsProps } from "./LoomPractices.tsx";

/** How the shop does things: its schools, its allowances, its rates and its rules. */
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
      <LoomPractices practices={practices} canEdit={canEdit} onChange={onChange} />
    </fieldset>
  );
}
