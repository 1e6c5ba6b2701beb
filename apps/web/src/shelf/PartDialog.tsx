import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import type { KeptPartAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { FaultList } from "../ui/page/states.tsx";
import { PartFields } from "./fields/PartFields.tsx";
import { PartJobs } from "./PartJobs.tsx";
import { useShelfChanged } from "./parts.ts";

interface PartDialogProps {
  readonly kept: KeptPartAnswer;
  readonly canEdit: boolean;
  readonly onClose: () => void;
}

/** One part of the shelf, looked at or changed. Jobs keep the copy they were planned with. */
export function PartDialog({ kept, canEdit, onClose }: PartDialogProps) {
  const [part, setPart] = useState(kept.value);
  const [revision, setRevision] = useState(kept.revision);
  const shelfChanged = useShelfChanged();
  const done = async (): Promise<void> => {
    // First, so that nothing asks for a part that was just taken off.
    onClose();
    await shelfChanged();
  };
  const save = useMutation({
    mutationFn: () => ask(`parts/${part.id}`, "PUT", { value: part, revision }),
    onSuccess: done,
  });
  const remove = useMutation({
    mutationFn: () => ask(`parts/${part.id}`, "DELETE"),
    onSuccess: done,
  });
  const error = save.error ?? remove.error;
  const theirs =
    save.error instanceof ApiError && save.error.status === 409
      ? (save.error.body.current as KeptPartAnswer | undefined)
      : undefined;
  return (
    <Modal open onClose={onClose} title={revision === 0 ? "New part" : kept.value.name}>
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">Part</legend>
        <PartFields part={part} isNew={revision === 0} onChange={setPart} />
      </fieldset>
      {revision > 0 && <PartJobs partId={part.id} />}
      {error && (
        <div role="alert" className="mt-3 font-bold">
          {error.message}
          {error instanceof ApiError && <FaultList error={error} />}
          {theirs && (
            <Button
              className="mt-2"
              onClick={() => {
                setPart(theirs.value);
                setRevision(theirs.revision);
                save.reset();
              }}
            >
              Show it as it stands now
            </Button>
          )}
        </div>
      )}
      {canEdit && (
        <div className="mt-4 flex gap-3">
          <Button
            look="main"
            disabled={save.isPending || part.name === ""}
            onClick={() => save.mutate()}
          >
            Save part
          </Button>
          {revision > 0 && (
            <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
              Take off the shelf
            </Button>
          )}
        </div>
      )}
    </Modal>
  );
}
