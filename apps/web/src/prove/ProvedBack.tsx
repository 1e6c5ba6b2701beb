import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { toast } from "sonner";
import { provedPins, withProved, type ConnectorPin, type Vehicle } from "@dragonet/core";
import type { KeptVehicleAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { useCanEdit } from "../base/session.ts";
import { useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { DataTable } from "../ui/DataTable.tsx";
import { Section } from "../ui/page/Section.tsx";

const liveText = ({ liveWhen }: ConnectorPin): string =>
  liveWhen === "unknown" ? "nobody knows when" : `live when ${liveWhen}`;

const pinText = (pin: ConnectorPin): string =>
  [pin.colour || "no colour", pin.carries, liveText(pin), pin.certainty].join(", ");

const placeText = ({ connectors }: Vehicle, pin: ConnectorPin): string => {
  const plug = connectors.find((c) => c.id === pin.connectorId)?.name ?? pin.connectorId;
  return pin.cavity === "" ? plug : `${plug}, cavity ${pin.cavity}`;
};

/** What was proved on this machine against what its model's profile says, written there in one press. */
export function ProvedBack() {
  const { vehicle } = useJob();
  const canEdit = useCanEdit();
  const queries = useQueryClient();
  const { data: kept } = useQuery({
    queryKey: ["vehicle", vehicle.profileId],
    queryFn: () => askOrLast<KeptVehicleAnswer>(`vehicles/${vehicle.profileId}`),
    retry: false,
  });
  const write = useMutation({
    mutationFn: (profile: KeptVehicleAnswer) =>
      ask<KeptVehicleAnswer>(`vehicles/${vehicle.profileId}`, "PUT", {
        value: withProved(profile.value, vehicle),
        revision: profile.revision,
      }),
    onSuccess: async () => {
      toast.success(`Written to the profile of ${vehicle.model}`);
      await Promise.all([
        queries.invalidateQueries({ queryKey: ["vehicles"] }),
        queries.invalidateQueries({ queryKey: ["vehicle", vehicle.profileId] }),
      ]);
    },
    onError: (error) => toast.error(`Not written: ${error.message}`),
  });
  const proved = kept ? provedPins(kept.value, vehicle) : [];
  if (!kept || proved.length === 0) return null;
  return (
    <div className="no-print">
      <Section
        title="Proved here, not in the profile"
        about={`What the next job on a ${vehicle.model} would not know.`}
        action={
          canEdit && (
            <Button disabled={write.isPending} onClick={() => write.mutate(kept)}>
              Write to the profile
            </Button>
          )
        }
      >
        <DataTable label="Proved wires" heads={["Wire", "The profile says", "Proved here"]}>
          {proved.map(({ was, now }) => (
            <tr key={now.id} className="border-t border-hair align-top">
              <td className="py-1 pr-3">{placeText(vehicle, now)}</td>
              <td className="py-1 pr-3 text-muted">{was ? pinText(was) : "nothing"}</td>
              <td className="py-1">{pinText(now)}</td>
            </tr>
          ))}
        </DataTable>
      </Section>
    </div>
  );
}
