import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import type { JobAnswer } from "@dragonet/contract";
import { OfflineError, ask } from "../../base/api.ts";
import { useCurrentUser } from "../../base/session.ts";
import { usePractices } from "../../settings/practices.ts";
import { Button } from "../../ui/Button.tsx";
import { FormField } from "../../ui/forms/FormField.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { ProfileChoice } from "../../vehicles/ProfileChoice.tsx";
import { knownOf } from "../../vehicles/known/known.ts";
import { useProfileChoices } from "../../vehicles/vehicles.ts";
import { planner } from "../../worker/port/planner.ts";
import { openJob } from "./openJob.ts";

interface Fields {
  title: string;
  customer: string;
  machine: string;
}

/** A new job from a vehicle profile: the job takes its own copy. */
export function NewJob({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [profileId, setProfileId] = useState("");
  const choices = useProfileChoices(profileId);
  const { register, handleSubmit, formState, reset } = useForm<Fields>();
  const { data: practices } = usePractices();
  const me = useCurrentUser().id;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: async (fields: Fields & { profileId: string }) => {
      try {
        return (await ask<JobAnswer>("jobs", "POST", fields)).id;
      } catch (error) {
        const profile = choices?.profiles.find((p) => p.profileId === fields.profileId);
        if (!(error instanceof OfflineError) || !profile || !practices) throw error;
        const known = await knownOf(fields.profileId);
        return openJob(await planner().emptyJob(fields, profile, practices, known), "", me);
      }
    },
    onSuccess: async (id) => {
      await queries.invalidateQueries({ queryKey: ["jobs"] });
      reset();
      onClose();
      await navigate(`/jobs/${id}/intake`);
    },
  });
  const chosen = profileId === "" ? (choices?.profiles[0]?.profileId ?? "") : profileId;
  return (
    <Modal open={open} onClose={onClose} title="New job">
      <form
        noValidate
        className="grid gap-4 md:grid-cols-2"
        onSubmit={(e) =>
          void handleSubmit((fields) => make.mutate({ ...fields, profileId: chosen }))(e)
        }
      >
        <div className="flex flex-col gap-1">
          <span className="font-bold">Vehicle</span>
          {choices && (choices.more || chosen !== "") ? (
            <ProfileChoice
              {...{ label: "Vehicle", value: chosen, choices, onChange: setProfileId }}
            />
          ) : (
            <p className="text-small">No vehicle profile yet: make one under Vehicles first.</p>
          )}
        </div>
        <FormField
          label="Which one"
          hint="Plate, frame number, or what its owner calls it"
          {...register("machine")}
        />
        <FormField
          label="What is wanted"
          wrong={formState.errors.title?.message}
          {...register("title", { required: "A few words, so that it can be found again." })}
        />
        <FormField label="Customer" {...register("customer")} />
        {make.error && (
          <p role="alert" className="font-bold md:col-span-2">
            {make.error.message}
          </p>
        )}
        <div className="md:col-span-2">
          <Button look="main" type="submit" disabled={make.isPending || chosen === ""}>
            Open job
          </Button>
        </div>
      </form>
    </Modal>
  );
}
