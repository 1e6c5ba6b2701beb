import { memo } from "react";
import {
  CERTAINTIES,
  CIRCUIT_FAMILIES,
  type ConnectorPin,
  LIVE_WHEN,
  PIN_SUPPLIES,
  type PinId,
  type Vehicle,
  setIn,
} from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";
import { wordOptions } from "../../ui/forms/controlled.tsx";
import { FactFields } from "../../ui/forms/FactRow.tsx";
import { checkColour } from "../../ui/forms/checkColour.ts";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { WireSwatch } from "../../ui/WireSwatch.tsx";
import type { VehicleEditing } from "../editing.ts";

interface PinRowProps extends Pick<VehicleEditing, "edit" | "canEdit"> {
  readonly pin: ConnectorPin;
  readonly isEngine: boolean;
  readonly variants: Vehicle["variants"];
  readonly onRemove: (id: PinId) => void;
}

const SUPPLY_WORDS: Readonly<Record<ConnectorPin["supply"], string>> = {
  battery: "battery",
  pack: "pack",
  ac: "lighting coil (AC)",
  halfWave: "lighting coil, half wave",
};

type SetField = <F extends keyof ConnectorPin>(field: F, value: ConnectorPin[F]) => void;

/** When a wire is live, in what way, and by whose volts. */
function LiveChoices({
  name,
  pin,
  canEdit,
  isEngine,
  set,
}: Pick<PinRowProps, "pin" | "canEdit"> & {
  readonly name: string;
  readonly isEngine: boolean;
  readonly set: SetField;
}) {
  return (
    <>
      <Choice
        label={`${name}: live when`}
        value={pin.liveWhen}
        options={wordOptions(LIVE_WHEN)}
        disabled={!canEdit}
        className="w-24"
        onChange={(v) => set("liveWhen", v)}
      />
      <Choice
        label={`${name}: live is`}
        value={pin.switches}
        options={[
          { value: "positive", label: "positive" },
          { value: "ground", label: "tied to ground" },
        ]}
        disabled={!canEdit}
        className="mt-1 w-24"
        onChange={(v) => set("switches", v)}
      />
      {(!isEngine || pin.family === "lighting") && (
        <Choice
          label={`${name}: whose volts`}
          value={pin.supply}
          options={PIN_SUPPLIES.map((value) => ({ value, label: SUPPLY_WORDS[value] }))}
          disabled={!canEdit}
          className="mt-1 w-24"
          onChange={(v) => set("supply", v)}
        />
      )}
    </>
  );
}

/**
 * One wire of a connector: where it sits, what it carries, what it may give, who found that. A
 * vehicle has many: one that is edited leaves the others as they are drawn.
 */
export const PinRow = memo(function PinRow(props: PinRowProps) {
  const { pin, isEngine, variants, edit, canEdit, onRemove } = props;
  const set: SetField = (field, value) => edit([setIn("pin", pin.id, field, value)]);
  const name = pin.carries === "" ? `cavity ${pin.cavity}` : pin.carries;
  return (
    <tr className="border-b border-hair align-top">
      <td data-head="Cavity" className="py-1 pr-2">
        <TextInput
          label={`${name}: cavity`}
          value={pin.cavity}
          className="num w-12"
          maxLength={20}
          onCommit={(v) => set("cavity", v)}
        />
      </td>
      <td data-head="Colour" className="pr-2">
        <span className="inline-flex items-center gap-1">
          <WireSwatch colour={pin.colour} named={false} />
          <TextInput
            label={`${name}: colour`}
            value={pin.colour}
            className="w-28"
            maxLength={40}
            check={checkColour}
            onCommit={(v) => set("colour", v)}
          />
        </span>
      </td>
      <td data-head="Carries" className="pr-2">
        <TextInput
          label="Carries"
          value={pin.carries}
          className="w-36"
          maxLength={120}
          onCommit={(v) => set("carries", v)}
        />
      </td>
      <td data-head="Live when" className="pr-2">
        <LiveChoices {...{ name, pin, canEdit, isEngine, set }} />
      </td>
      <td data-head="Circuit" className="pr-2">
        <Choice
          label={`${name}: circuit`}
          value={pin.family}
          options={wordOptions(CIRCUIT_FAMILIES)}
          disabled={!canEdit}
          className="w-28"
          onChange={(v) => set("family", v)}
        />
      </td>
      <td data-head="Most amps" className="pr-2">
        <span className="inline-flex flex-wrap items-baseline gap-1">
          <FactFields
            label={`${name} most amps`}
            unit="A"
            fact={pin.mayGiveA}
            disabled={!canEdit}
            onChange={(v) => set("mayGiveA", v)}
          />
        </span>
      </td>
      <td data-head="Factory fuse" className="pr-2">
        <NumberInput
          label={`${name}: factory fuse`}
          unit="A"
          value={pin.fuseA}
          max={500}
          className="w-14"
          onCommit={(v) => set("fuseA", v)}
        />
      </td>
      <td data-head="Found by" className="pr-2">
        <TextInput
          label={`${name}: found by`}
          value={pin.foundBy}
          className="w-28"
          maxLength={120}
          onCommit={(v) => set("foundBy", v)}
        />
      </td>
      <td data-head="How surely" className="pr-2">
        <Choice
          label={`${name}: how surely`}
          value={pin.certainty}
          options={wordOptions(CERTAINTIES)}
          disabled={!canEdit}
          className="w-24"
          onChange={(v) => set("certainty", v)}
        />
      </td>
      <td>
        {variants.length > 0 && (
          <Choice
            label={`${name}: variant`}
            value={pin.variant}
            disabled={!canEdit}
            className="w-28"
            options={[
              { value: "", label: "every variant" },
              ...variants.map((v) => ({ value: v.id, label: v.name })),
            ]}
            onChange={(v) => set("variant", v)}
          />
        )}
        <RemoveButton what={name} onClick={() => onRemove(pin.id)} />
      </td>
    </tr>
  );
});
