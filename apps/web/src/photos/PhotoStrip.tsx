import { Camera } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { useParams } from "react-router";
import { toast } from "sonner";
import { append, setIn, type Photo, type StepId } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCanEdit } from "../base/session.ts";
import { useEdit, useJob, useJobStore } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import { keepWaiting, redrawn, sendWaiting, waitingPhoto } from "./queue.ts";
import { PHOTO_TYPES, photoFault } from "./photoFault.ts";

/** Tries what waits again when the network is back, and now and then. */
export function useSendingPhotos(): void {
  useEffect(() => {
    const send = (): void => {
      void sendWaiting().then((refused) => {
        for (const { message } of refused) toast.error(`A picture was not kept: ${message}`);
      });
    };
    send();
    const timer = setInterval(send, 15_000);
    window.addEventListener("online", send);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", send);
    };
  }, []);
}

/** One picture: from this browser while it waits to be sent, from the shop after. */
export function PhotoImage({ jobId, photo }: { jobId: string; photo: Photo }) {
  const [local, setLocal] = useState<string | null>(null);
  const [gone, setGone] = useState(false);
  useEffect(() => {
    let made: string | null = null;
    let stale = false;
    void waitingPhoto(jobId, photo.id).then((blob) => {
      if (!blob || stale) return;
      made = URL.createObjectURL(blob);
      setLocal(made);
    });
    return () => {
      stale = true;
      if (made !== null) URL.revokeObjectURL(made);
    };
  }, [jobId, photo.id]);
  if (gone && local === null) {
    return <span className="p-2 text-small text-muted">still on another phone</span>;
  }
  return (
    <img
      src={local ?? `/api/jobs/${jobId}/photos/${photo.id}`}
      alt={photo.caption === "" ? "picture without a caption" : photo.caption}
      loading="lazy"
      className="h-full w-full object-cover"
      onError={() => setGone(true)}
    />
  );
}

/** Pictures of one step, or of the job as a whole: taken at the lift, kept with the job, bare of the place. */
export function PhotoStrip({ stepId }: { stepId: StepId | "" }) {
  const { jobId = "" } = useParams();
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const input = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState<Photo | null>(null);
  const photos = job.photos.filter((p) => p.stepId === stepId);
  const shown = photos.find((p) => p.id === open?.id) ?? null;

  const take = async (file: File): Promise<void> => {
    const fault = photoFault(file);
    if (fault !== null) {
      toast.error(`Not taken: ${fault}`);
      return;
    }
    try {
      const id = mint("photo");
      await keepWaiting(jobId, id, await redrawn(file));
      edit([append(job, "photo", { id, stepId, caption: "" })]);
      await useJobStore.getState().flush();
      for (const { message } of await sendWaiting()) {
        toast.error(`A picture was not kept: ${message}`);
      }
    } catch {
      toast.error("Not taken: this picture cannot be read");
    }
  };

  return (
    <div className="flex flex-wrap items-center gap-2">
      {photos.map((photo) => (
        <button
          key={photo.id}
          type="button"
          className="touch h-16 w-20 overflow-hidden border border-edge"
          onClick={() => setOpen(photo)}
        >
          <PhotoImage jobId={jobId} photo={photo} />
        </button>
      ))}
      {canEdit ? (
        <>
          <Button look="quiet" onClick={() => input.current?.click()}>
            <Camera size={16} aria-hidden /> Picture
          </Button>
          <input
            ref={input}
            type="file"
            accept={PHOTO_TYPES.join(",")}
            capture="environment"
            aria-label="Picture"
            tabIndex={-1}
            className="sr-only"
            onChange={(e) => {
              const file = e.target.files?.[0];
              e.target.value = "";
              if (file) void take(file);
            }}
          />
        </>
      ) : (
        photos.length === 0 && <span className="text-muted">No picture.</span>
      )}
      <Modal open={shown !== null} onClose={() => setOpen(null)} title="Picture">
        {shown && (
          <>
            <div className="max-h-[60vh]">
              <PhotoImage jobId={jobId} photo={shown} />
            </div>
            {canEdit ? (
              <div className="mt-2 flex items-center gap-2">
                <TextInput
                  label="Caption"
                  value={shown.caption}
                  placeholder="What it shows"
                  className="w-72"
                  maxLength={200}
                  onCommit={(value) => edit([setIn("photo", shown.id, "caption", value)])}
                />
                <RemoveButton
                  what="picture"
                  onClick={() => {
                    setOpen(null);
                    edit([{ kind: "remove", entity: "photo", id: shown.id }]);
                  }}
                />
              </div>
            ) : (
              <p className="mt-2">{shown.caption}</p>
            )}
          </>
        )}
      </Modal>
    </div>
  );
}
