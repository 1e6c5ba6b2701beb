import { setOnce } from "@dragonet/core";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { PracticeFields } from "../../settings/PracticeFields.tsx";
import { Modal } from "../../ui/page/Modal.tsx";

interface PracticesDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly canEdit: boolean;
}

/** The schools this job follows: its own copy of the shop's. */
export function PracticesDialog({ open, onClose, canEdit }: PracticesDialogProps) {
  const job = useJob();
  const edit = useEdit();
  return (
    <Modal
      open={open}
      onClose={onClose}
      title="Practices of this job"
      about="Where practitioners differ, this job follows these. The shop’s own are under Settings."
    >
      <PracticeFields
        practices={job.practices}
        canEdit={canEdit}
        onChange={(field, value) => edit([setOnce("practices", field, value)])}
      />
    </Modal>
  );
}
