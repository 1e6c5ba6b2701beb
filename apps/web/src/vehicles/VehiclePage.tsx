import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { toast } from "sonner";
import { type Edit, applyEdits, createJob } from "@dragonet/core";
import type { KeptVehicleAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { useCanEdit } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import { Later } from "../ui/page/Later.tsx";
import { FaultList, Loading, Trouble } from "../ui/page/states.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import { ConnectorMap } from "./wiring/ConnectorMap.tsx";
import { RouteMap } from "./wiring/RouteMap.tsx";
import { Variants } from "./wiring/Variants.tsx";
import { VehicleFacts } from "./VehicleFacts.tsx";
import { ProfileCard } from "./ProfileCard.tsx";
import { KnownFacts } from "./known/KnownFacts.tsx";
import { EarlierJobs } from "./EarlierJobs.tsx";

/** The profile being changed: the same edits as a job's vehicle, kept until saved. */
function ProfileEditor({ kept }: { kept: KeptVehicleAnswer }) {
  const canEdit = useCanEdit();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [saved, setSaved] = useState(kept);
  const [job, setJob] = useState(() => createJob("", "", kept.value));
  const { vehicle } = job;
  const [mapOpen, setMapOpen] = useState(false);
  const now = useRef(job);
  /** The same from one change to the next: what an edit does not touch is not drawn again. */
  const edit = useCallback((edits: readonly Edit[]): void => {
    const result = applyEdits(now.current, edits);
    if (result.ok) {
      now.current = result.job;
      setJob(result.job);
    } else toast.error(`Not done: ${result.message}`);
  }, []);
  const save = useMutation({
    mutationFn: () =>
      ask<KeptVehicleAnswer>(`vehicles/${vehicle.profileId}`, "PUT", {
        value: vehicle,
        revision: saved.revision,
      }),
    onSuccess: async (answer) => {
      setSaved(answer);
      toast.success("Profile saved");
      await queries.invalidateQueries({ queryKey: ["vehicles"] });
    },
  });
  const remove = useMutation({
    mutationFn: () => ask(`vehicles/${vehicle.profileId}`, "DELETE"),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["vehicles"] });
      await navigate("/vehicles");
    },
  });
  const dirty = vehicle !== saved.value && JSON.stringify(vehicle) !== JSON.stringify(saved.value);
  return (
    <div className="mx-auto w-full max-w-7xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-lead">{vehicle.model}</h1>
        {canEdit && (
          <>
            <span role="status" className="text-small text-muted">
              {dirty ? "Changed, not saved" : "Saved"}
            </span>
            <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
              Remove profile
            </Button>
            <Button look="main" disabled={!dirty || save.isPending} onClick={() => save.mutate()}>
              Save profile
            </Button>
          </>
        )}
      </div>
      {save.error && (
        <div role="alert" className="mb-3 border-l-2 border-ink pl-3 font-bold">
          {save.error.message}
          {save.error instanceof ApiError && <FaultList error={save.error} />}
        </div>
      )}
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">Vehicle profile</legend>
        <div className="grid grid-cols-1 gap-x-10 lg:grid-cols-[minmax(0,4fr)_minmax(0,7fr)]">
          <div>
            <ProfileCard job={job} edit={edit} canEdit={canEdit} />
            <Variants job={job} edit={edit} canEdit={canEdit} />
            <EarlierJobs model={saved.value.model} />
          </div>
          <VehicleFacts job={job} edit={edit} canEdit={canEdit} />
        </div>
        <KnownFacts job={job} edit={edit} canEdit={canEdit} />
        <ConnectorMap job={job} edit={edit} canEdit={canEdit} />
        <Button aria-expanded={mapOpen} onPressed={() => setMapOpen(!mapOpen)}>
          {mapOpen
            ? "Close the route map"
            : `Route map: ${vehicle.places.length} places, ${vehicle.segments.length} stretches`}
        </Button>
        {mapOpen && (
          <div className="mt-3">
            <Later>
              <RouteMap job={job} edit={edit} canEdit={canEdit} />
            </Later>
          </div>
        )}
      </fieldset>
    </div>
  );
}

export function VehiclePage() {
  const { profileId = "" } = useParams();
  const { data, error, refetch } = useQuery({
    queryKey: ["vehicle", profileId],
    queryFn: () => askOrLast<KeptVehicleAnswer>(`vehicles/${profileId}`),
    gcTime: 0,
    staleTime: Infinity,
    refetchOnWindowFocus: false,
  });
  useTitle(data?.value.model ?? "Vehicle");
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the vehicle" />;
  return <ProfileEditor key={profileId} kept={data} />;
}
