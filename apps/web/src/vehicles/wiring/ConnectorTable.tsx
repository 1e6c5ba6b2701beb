import { setIn } from "@dragonet/core";
import { Plus } from "lucide-react";
import { memo } from "react";
import type { Connector, ConnectorId, PinId, Vehicle } from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import type { VehicleEditing } from "../editing.ts";
import { PlaceChoice } from "../PlaceChoice.tsx";
import { anchorOf } from "./ConnectorsPlan.tsx";
import { PinRow } from "./PinRow.tsx";
import { PlugPicture } from "./PlugPicture.tsx";

interface ConnectorTableProps extends Pick<VehicleEditing, "edit" | "canEdit"> {
  readonly vehicle: Vehicle;
  readonly connector: Connector;
  readonly number: number;
  readonly onAddWire: (connector: ConnectorId) => void;
  readonly onRemoveWire: (pin: PinId) => void;
  readonly onRemove: (connector: ConnectorId) => void;
}

/** One connector, and a line for each of its wires; drawn anew when its vehicle changes. */
export const ConnectorTable = memo(function ConnectorTable(props: ConnectorTableProps) {
  const { vehicle, connector, number, edit, canEdit, onAddWire, onRemoveWire, onRemove } = props;
  const pins = vehicle.pins.filter((p) => p.connectorId === connector.id);
  const set = <F extends keyof Connector>(field: F, value: Connector[F]): void =>
    edit([setIn("connector", connector.id, field, value)]);
  return (
    <div className="in-view mb-4 scroll-mt-4" id={anchorOf(connector)} tabIndex={-1}>
      <div className="flex flex-wrap items-center gap-2 py-1">
        <span className="num w-5 text-right font-bold text-muted">{number}</span>
        <TextInput
          label="Connector"
          value={connector.name}
          className="w-44 font-bold"
          maxLength={120}
          onCommit={(v) => set("name", v)}
        />
        <span className="min-w-60 flex-1 *:w-full">
          <TextInput
            label="Where to find it"
            value={connector.where}
            className="w-full"
            placeholder="Where to find it"
            onCommit={(v) => set("where", v)}
          />
        </span>
        {vehicle.places.length > 0 && (
          <PlaceChoice
            label={`Place of ${connector.name} on the map`}
            places={vehicle.places}
            value={connector.at}
            none="not on the map"
            disabled={!canEdit}
            onChange={(at) => set("at", at)}
          />
        )}
        <Button look="quiet" onPressed={() => onAddWire(connector.id)}>
          <Plus size={15} aria-hidden /> Wire
        </Button>
        <RemoveButton what={connector.name} onClick={() => onRemove(connector.id)} />
      </div>
      <PlugPicture vehicle={vehicle} connector={connector} set={canEdit ? set : null} />
      {pins.length > 0 && (
        <div
          className="relative overflow-x-auto"
          role="region"
          aria-label={`Wires of ${connector.name}`}
          tabIndex={0}
        >
          <table className="phone-list w-full border-collapse whitespace-nowrap">
            <thead>
              <tr>
                {[
                  "Cavity",
                  "Colour",
                  "Carries",
                  "Live when",
                  "Circuit",
                  "Most amps",
                  "Factory fuse",
                  "Found by",
                  "How surely",
                ].map((h) => (
                  <th key={h} scope="col" className="pr-2">
                    {h}
                  </th>
                ))}
                <th scope="col">
                  <span className="sr-only">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {pins.map((pin) => (
                <PinRow
                  key={pin.id}
                  pin={pin}
                  isEngine={vehicle.system.kind === "engine"}
                  variants={vehicle.variants}
                  edit={edit}
                  canEdit={canEdit}
                  onRemove={onRemoveWire}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </div>
  );
});
