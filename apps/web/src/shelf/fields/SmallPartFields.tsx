import { type Part, type RelayPart, type SwitchPart } from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";
import { FactRow } from "../../ui/forms/FactRow.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { PartLine as Line } from "./PartLine.tsx";

export function RelayFields({
  part,
  onChange,
}: {
  part: RelayPart;
  onChange: (part: Part) => void;
}) {
  return (
    <>
      <Line label="Contact carries">
        <NumberInput
          label="Contact rating"
          unit="A"
          value={part.contactA}
          max={500}
          onCommit={(contactA) => onChange({ ...part, contactA })}
        />
      </Line>
      <Line label="Coil made for">
        <NumberInput
          label="Coil voltage"
          unit="V"
          value={part.coilV}
          min={1}
          max={1000}
          onCommit={(coilV) => onChange({ ...part, coilV })}
        />
      </Line>
      <FactRow
        label="Coil"
        unit="Ω"
        fact={part.coilOhm}
        onChange={(coilOhm) => onChange({ ...part, coilOhm })}
      />
      <Line label="Diode across the coil">
        <Choice
          label="Diode"
          value={part.diode ? "yes" : "no"}
          className="w-56"
          options={[
            { value: "no", label: "no" },
            { value: "yes", label: "yes: 86 must be positive" },
          ]}
          onChange={(v) => onChange({ ...part, diode: v === "yes" })}
        />
      </Line>
    </>
  );
}

export function SwitchFields({
  part,
  onChange,
}: {
  part: SwitchPart;
  onChange: (part: Part) => void;
}) {
  return (
    <>
      <Line label="Carries">
        <NumberInput
          label="Switch rating"
          unit="A"
          value={part.contactA}
          max={500}
          onCommit={(contactA) => onChange({ ...part, contactA })}
        />
      </Line>
      <Line label="Tell-tale">
        <Choice
          label="Tell-tale"
          value={part.tellTale}
          className="w-56"
          options={[
            { value: "none", label: "none" },
            { value: "whenOn", label: "lit when on" },
            { value: "always", label: "always lit while fed" },
          ]}
          onChange={(tellTale) => onChange({ ...part, tellTale })}
        />
      </Line>
      {part.tellTale !== "none" && (
        <FactRow
          label="Tell-tale draws"
          unit="A"
          fact={part.tellTaleA}
          onChange={(tellTaleA) => onChange({ ...part, tellTaleA })}
        />
      )}
    </>
  );
}
