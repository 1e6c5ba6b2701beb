import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { toast } from "sonner";
import { VEHICLE_KIND_WORDS, type Vehicle } from "@dragonet/core";
import type { ImportedAnswer, JobsOfModelAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";
import { useCanEdit } from "../base/session.ts";
import { useModels } from "../board/jobs.ts";
import { Button } from "../ui/Button.tsx";
import { FileButton } from "../ui/forms/FileButton.tsx";
import { SearchField } from "../ui/forms/SearchField.tsx";
import { TYPING_MS, useSettled } from "../ui/useSettled.ts";
import { Turns } from "../ui/page/Turns.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { Empty, FaultList, Loading, Trouble } from "../ui/page/states.tsx";
import { TakeModel } from "./known/TakeModel.tsx";
import { NewProfile } from "./begin/NewProfile.tsx";
import { newVehicle } from "./begin/newVehicle.ts";
import { useProfiles } from "./vehicles.ts";
import { useTitle } from "../ui/page/useTitle.ts";

function systemText({ system }: Vehicle): string {
  switch (system.kind) {
    case "engine":
      return `${system.charging.kind}, ${system.battery.capacityAh.value} Ah`;
    case "pack":
      return `${system.pack.nominalV} V pack`;
    case "packAndBattery":
      return `${system.pack.nominalV} V pack and 12 V battery`;
  }
}

/** How many jobs a model has had. */
const countText = (had: JobsOfModelAnswer | undefined): string =>
  `${had?.uncounted ? "over " : ""}${had?.count ?? 0}`;

/** Vehicle profiles: what is known of a model, so that the second job takes half the time. */
export function VehiclesPage() {
  useTitle("Vehicles");
  const [params, setParams] = useSearchParams();
  const [words, setWords] = useState(params.get("q") ?? "");
  const [picking, setPicking] = useState(false);
  const after = params.get("after") ?? "";
  const asked = new URLSearchParams({ q: useSettled(words.trim(), TYPING_MS), after });
  const { data, error, isPending, refetch } = useProfiles(asked.toString());
  const { data: models } = useModels();
  const canEdit = useCanEdit();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const take = useMutation({
    mutationFn: (csv: string) => ask<ImportedAnswer>("vehicles/import", "POST", { csv }),
    onSuccess: async ({ added, changed }) => {
      await queries.invalidateQueries({ queryKey: ["vehicles"] });
      toast.success(`${added} profiles added, ${changed} changed`);
    },
  });
  const make = useMutation({
    mutationFn: (vehicle: Vehicle) =>
      ask(`vehicles/${vehicle.profileId}`, "PUT", { value: vehicle, revision: 0 }),
    onSuccess: async (_, vehicle) => {
      await queries.invalidateQueries({ queryKey: ["vehicles"] });
      await navigate(`/vehicles/${vehicle.profileId}`);
    },
  });
  if (isPending) return <Loading what="vehicles" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="text-lead">Vehicles</h1>
        <SearchField
          label="Search vehicles"
          value={words}
          onChange={(said) => {
            setWords(said);
            if (after !== "") setParams({}, { replace: true });
          }}
        />
        <a
          className="touch ml-auto inline-flex items-center text-accent underline"
          href="/api/vehicles/file"
          download
        >
          CSV out
        </a>
        {canEdit && (
          <>
            <TakeModel />
            <FileButton label="CSV in" accept=".csv,text/csv" onText={take.mutate} />
            <Button look="main" onClick={() => setPicking(true)}>
              <Plus size={16} aria-hidden /> New profile
            </Button>
          </>
        )}
      </div>
      <NewProfile
        open={picking}
        onClose={() => setPicking(false)}
        onPick={(kind) => make.mutate(newVehicle(kind))}
      />
      {make.error && <Trouble error={make.error} />}
      {data.vehicles.length === 0 ? (
        asked.get("q") === "" ? (
          <Empty title="No vehicle profile yet">
            Make one, or take a CSV file in. A job starts from a profile and keeps its own copy.
          </Empty>
        ) : (
          <p>No vehicle profile has “{asked.get("q")}”.</p>
        )
      ) : (
        <div className="relative overflow-x-auto">
          <table className="w-full border-collapse">
            <thead>
              <tr>
                {["Model", "Kind", "Electrics", "Wires known", "Jobs", "Note"].map((h) => (
                  <th key={h} scope="col" className={`pr-4 ${h === "Note" ? "max-md:hidden" : ""}`}>
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {data.vehicles.map(({ value }) => {
                const proved = value.pins.filter((p) => p.certainty === "proved").length;
                return (
                  <tr key={value.profileId} className="border-t border-hair align-top">
                    <td className="py-1.5 pr-4">
                      <Link to={value.profileId} className="font-bold text-accent">
                        {value.model}
                      </Link>
                      <span className="block text-small text-muted md:hidden">{value.note}</span>
                    </td>
                    <td className="pr-4">{VEHICLE_KIND_WORDS[value.kind]}</td>
                    <td className="pr-4">{systemText(value)}</td>
                    <td className="pr-4">
                      <span className="num">{value.pins.length}</span>, proved{" "}
                      <span className="num">{proved}</span>
                    </td>
                    <td className="num pr-4">
                      {countText(models?.find(({ model }) => model === value.model))}
                    </td>
                    <td className="text-small text-muted max-md:hidden">{value.note}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      <Turns what="vehicles" next={data.next} />
      <Modal open={take.error !== null} onClose={take.reset} title="This file was not taken in">
        <p className="font-bold">{take.error?.message}</p>
        {take.error instanceof ApiError && <FaultList error={take.error} />}
      </Modal>
    </div>
  );
}
