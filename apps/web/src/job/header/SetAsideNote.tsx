import { describeEdit, editsOf } from "@dragonet/core";
import { useState } from "react";
import { changesWord } from "../../sync/words.ts";
import { Button } from "../../ui/Button.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { useJob, useJobStore } from "../store/jobStore.ts";

/** Changes that the server would not take: kept and shown, so that they can be made otherwise. */
export function SetAsideNote() {
  const job = useJob();
  const setAside = useJobStore((s) => s.setAside);
  const drop = useJobStore((s) => s.dropSetAside);
  const [open, setOpen] = useState(false);
  if (setAside.length === 0) return null;
  return (
    <>
      <Button look="quiet" onClick={() => setOpen(true)}>
        {changesWord(setAside.length)} not taken
      </Button>
      <Modal
        open={open}
        onClose={() => setOpen(false)}
        title={`${changesWord(setAside.length)} the server did not take`}
        about="Everything else is saved. Make these again another way, or let them go."
      >
        <ul>
          {setAside.map(({ batch, message }) => (
            <li key={batch.id} className="border-t border-hair py-2">
              <p className="font-bold">{message}</p>
              <ul>
                {editsOf(batch).map((edit, i) => (
                  <li key={i}>{describeEdit(edit, job)}</li>
                ))}
              </ul>
              <Button look="quiet" onClick={() => drop(batch.id)}>
                Let it go
              </Button>
            </li>
          ))}
        </ul>
      </Modal>
    </>
  );
}
