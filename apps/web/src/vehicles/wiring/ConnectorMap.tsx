import { Plus } from "lucide-react";
import {
  TRAILER_SOCKET,
  type ConnectorId,
  type Edit,
  type Job,
  type PinId,
  append,
  asId,
  assumed,
  removeConnector,
  removePin,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { Button } from "../../ui/Button.tsx";
import { useLatest } from "../../ui/press/useLatest.ts";
import { Section } from "../../ui/page/Section.tsx";
import type { VehicleEditing } from "../editing.ts";
import { ConnectorsPlan } from "./ConnectorsPlan.tsx";
import { ConnectorTable } from "./ConnectorTable.tsx";

/** A seven-pin trailer socket with its standard's pin-out, every contact still to be proved. */
function trailerEdits(job: Job): Edit[] {
  const connectorId = asId<ConnectorId>(mint("connector"));
  const name = "Trailer socket, seven pins (ISO 1724)";
  const supply = job.vehicle.system.kind === "pack" ? "pack" : "battery";
  return [
    append(job, "connector", {
      ...{ id: connectorId, name, where: "", at: "", cavities: TRAILER_SOCKET.length, rows: 0 },
    }),
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

/** One more wire of a connector, of which nothing is known yet. */
function wireEdits(job: Job, connectorId: ConnectorId): Edit[] {
  const there = job.vehicle.pins.filter((p) => p.connectorId === connectorId).length;
  return [
    append(job, "pin", {
      ...{ id: asId<PinId>(mint("pin")), connectorId, cavity: String(there + 1) },
      ...{ supply: job.vehicle.system.kind === "pack" ? "pack" : "battery", family: "signal" },
      ...{ colour: "", carries: "", liveWhen: "unknown", mayGiveA: assumed(0.3, 0.1, 1) },
      ...{ fuseA: 0, switches: "positive", variant: "", foundBy: "", certainty: "guess" },
    }),
  ];
}

/** Which connector carries what, on which colour, found by whom: where every tap is chosen from. */
export function ConnectorMap({ job, edit, canEdit }: VehicleEditing) {
  const addWire = useLatest((id: ConnectorId) => edit(wireEdits(job, id)));
  const removeWire = useLatest((id: PinId) => edit(removePin(job, id)));
  const remove = useLatest((id: ConnectorId) => edit(removeConnector(job, id)));
  return (
    <Section
      title="Connector map"
      about="Colours are a maker’s habit, not a law: prove with a meter, then write it down for next time."
      action={
        <span className="inline-flex gap-2">
          <Button look="quiet" onPressed={() => edit(trailerEdits(job))}>
            <Plus size={15} aria-hidden /> Trailer socket
          </Button>
          <Button
            look="quiet"
            onPressed={() =>
              edit([
                append(job, "connector", {
                  id: asId<ConnectorId>(mint("connector")),
                  name: "New connector",
                  where: "",
                  ...{ at: "", cavities: 0, rows: 0 },
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
      <ConnectorsPlan vehicle={job.vehicle} />
      {job.vehicle.connectors.map((connector, i) => (
        <ConnectorTable
          key={connector.id}
          number={i + 1}
          vehicle={job.vehicle}
          {...{ connector, edit, canEdit }}
          onAddWire={addWire}
          onRemoveWire={removeWire}
          onRemove={remove}
        />
      ))}
    </Section>
  );
}
