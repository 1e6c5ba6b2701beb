import { Plus } from "lucide-react";
import {
  CERTAINTIES,
  CIRCUIT_FAMILIES,
  LIVE_WHEN,
  PIN_SUPPLIES,
  append,
  asId,
  assumed,
  removeConnector,
  removePin,
  type Connector,
  type ConnectorId,
  type ConnectorPin,
  type Edit,
  type PinId,
  TRAILER_SOCKET,
  type Job,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { FactFields } from "../ui/forms/FactRow.tsx";
import { checkColour } from "../ui/forms/checkColour.ts";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput, TextInput } from "../ui/forms/TextInput.tsx";
import { WireSwatch } from "../ui/WireSwatch.tsx";
import type { VehicleEditing } from "./editing.ts";

const options = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, label: value }));

interface PinRowProps extends VehicleEditing {
  readonly pin: ConnectorPin;
}

const SUPPLY_WORDS: Readonly<Record<ConnectorPin["supply"], string>> = {
  battery: "battery",
  pack: "pack",
  ac: "lighting coil (AC)",
};

function PinRow({ job, pin, edit, canEdit }: PinRowProps) {
  const set = (field: keyof ConnectorPin, value: unknown): void =>
    edit([{ kind: "set", entity: "pin", id: pin.id, field, value } as Edit]);
  const name = pin.carries === "" ? `cavity ${pin.cavity}` : pin.carries;
  return (
    <tr className="border-b border-hair align-top">
      <td className="py-1 pr-2">
        <TextInput
          label={`${name}: cavity`}
          value={pin.cavity}
          className="num w-12"
          maxLength={20}
          onCommit={(v) => set("cavity", v)}
        />
      </td>
      <td className="pr-2">
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
      <td className="pr-2">
        <TextInput
          label="Carries"
          value={pin.carries}
          className="w-36"
          maxLength={120}
          onCommit={(v) => set("carries", v)}
        />
      </td>
      <td className="pr-2">
        <Choice
          label={`${name}: live with`}
          value={pin.liveWhen}
          options={options(LIVE_WHEN)}
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
        {(job.vehicle.system.kind !== "engine" || pin.family === "lighting") && (
          <Choice
            label={`${name}: whose volts`}
            value={pin.supply}
            options={PIN_SUPPLIES.map((value) => ({ value, label: SUPPLY_WORDS[value] }))}
            disabled={!canEdit}
            className="mt-1 w-24"
            onChange={(v) => set("supply", v)}
          />
        )}
      </td>
      <td className="pr-2">
        <Choice
          label={`${name}: circuit`}
          value={pin.family}
          options={options(CIRCUIT_FAMILIES)}
          disabled={!canEdit}
          className="w-28"
          onChange={(v) => set("family", v)}
        />
      </td>
      <td className="pr-2">
        <span className="inline-flex flex-wrap items-baseline gap-1">
          <FactFields
            label={`${name} may give`}
            unit="A"
            fact={pin.mayGiveA}
            disabled={!canEdit}
            onChange={(v) => set("mayGiveA", v)}
          />
        </span>
      </td>
      <td className="pr-2">
        <NumberInput
          label={`${name}: factory fuse`}
          unit="A"
          value={pin.fuseA}
          max={500}
          className="w-14"
          onCommit={(v) => set("fuseA", v)}
        />
      </td>
      <td className="pr-2">
        <TextInput
          label={`${name}: found by`}
          value={pin.foundBy}
          className="w-28"
          maxLength={120}
          onCommit={(v) => set("foundBy", v)}
        />
      </td>
      <td className="pr-2">
        <Choice
          label={`${name}: how surely`}
          value={pin.certainty}
          options={options(CERTAINTIES)}
          disabled={!canEdit}
          className="w-24"
          onChange={(v) => set("certainty", v)}
        />
      </td>
      <td>
        {job.vehicle.variants.length > 0 && (
          <Choice
            label={`${name}: variant`}
            value={pin.variant}
            disabled={!canEdit}
            className="w-28"
            options={[
              { value: "", label: "every variant" },
              ...job.vehicle.variants.map((v) => ({ value: v.id, label: v.name })),
            ]}
            onChange={(v) => set("variant", v)}
          />
        )}
        <RemoveButton what={name} onClick={() => edit(removePin(job, pin.id))} />
      </td>
    </tr>
  );
}

function ConnectorTable({
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

/** A seven-pin trailer socket with its standard's pin-out, every contact still to be proved. */
function trailerEdits(job: Job): Edit[] {
  const connectorId = asId<ConnectorId>(mint("connector"));
  const name = "Trailer socket, seven pins (ISO 1724)";
  const supply = job.vehicle.system.kind === "pack" ? "pack" : "battery";
  return [
    append(job, "connector", { id: connectorId, name, where: "", at: "" }),
    ...TRAILER_SOCKET.map((pin, i): Edit => ({
      kind: "add",
      entity: "pin",
      at: job.vehicle.pins.length + i,
      value: {
        ...pin,
        ...{ id: asId<PinId>(mint("pin")), connectorId, supply, fuseA: 0, variant: "" },
        ...{ mayGiveA: assumed(1, 0.3, 2), switches: "positive", foundBy: "", certainty: "guess" },
      },
    })),
  ];
}

/** Which connector carries what, on which colour, found by whom: where every tap is chosen from. */
export function ConnectorMap({ job, edit, canEdit }: VehicleEditing) {
  return (
    <Section
      title="Connector map"
      about="Colours are a maker’s habit, not a law: prove with a meter, then write it down for next time."
      action={
        <span className="inline-flex gap-2">
          <Button look="quiet" onClick={() => edit(trailerEdits(job))}>
            <Plus size={15} aria-hidden /> Trailer socket
          </Button>
          <Button
            look="quiet"
            onClick={() =>
              edit([
                append(job, "connector", {
                  id: asId<ConnectorId>(mint("connector")),
                  name: "New connector",
                  where: "",
                  at: "",
                }),
              ])
            }
          >
            <Plus size={15} aria-hidden /> Connector
          </Button>
        </span>
      }
    >
      {job.vehicle.connectors.length === 0 && (
        <p className="text-muted">No connector written down yet.</p>
      )}
      {job.vehicle.connectors.map((connector) => (
        <ConnectorTable
          key={connector.id}
          job={job}
          connector={connector}
          edit={edit}
          canEdit={canEdit}
        />
      ))}
    </Section>
  );
}
