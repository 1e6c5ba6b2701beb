import { Plus } from "lucide-react";
import { type Connector, type PinId, append, asId, assumed, removeConnector } from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { Button } from "../../ui/Button.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import type { VehicleEditing } from "../editing.ts";
import { PinRow } from "./PinRow.tsx";

/** One connector, and a line for each of its wires. */
export function ConnectorTable({
  job,
  connector,
  edit,
  canEdit,
}: VehicleEditing & { connector: Connector }) {
  const pins = job.vehicle.pins.filter((p) => p.connectorId === connector.id);
  const set = (field: "name" | "where", value: string): void =>
    edit([{ kind: "set", entity: "connector", id: connector.id, field, value }]);
  const addPin = (): void =>
    edit([
      append(job, "pin", {
        id: asId<PinId>(mint("pin")),
        connectorId: connector.id,
        supply: job.vehicle.system.kind === "pack" ? "pack" : "battery",
        cavity: String(pins.length + 1),
        colour: "",
        carries: "",
        family: "signal",
        liveWhen: "unknown",
        mayGiveA: assumed(0.3, 0.1, 1),
        fuseA: 0,
        switches: "positive",
        variant: "",
        foundBy: "",
        certainty: "guess",
      }),
    ]);
  return (
    <div className="mb-4">
      <div className="flex flex-wrap items-center gap-2 py-1">
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
        <Button look="quiet" onClick={addPin}>
          <Plus size={15} aria-hidden /> Wire
        </Button>
        <RemoveButton
          what={connector.name}
          onClick={() => edit(removeConnector(job, connector.id))}
        />
      </div>
      {pins.length > 0 && (
        <div
          className="relative overflow-x-auto"
          role="region"
          aria-label={`Wires of ${connector.name}`}
          tabIndex={0}
        >
          <table className="w-full border-collapse whitespace-nowrap">
            <thead>
              <tr>
                {[
                  "Cavity",
                  "Colour",
                  "Carries",
                  "Live with",
                  "Circuit",
                  "May give",
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
                <PinRow key={pin.id} job={job} pin={pin} edit={edit} canEdit={canEdit} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </div>
  );
}
