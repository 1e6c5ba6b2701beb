import type { Edit, CircuitId } from "@dragonet/core";
import { useEdit } from "../../job/store/jobStore.ts";

/** A form that begins something on a job: closed when it is done, the first circuit of it shown. */
export interface BeginProps {
  readonly onClose: () => void;
  readonly onMade: (runId: CircuitId) => void;
}

/** Makes the edits of such a form, shows the circuit that they add, and closes it. */
export function useBegin({ onClose, onMade }: BeginProps): (edits: readonly Edit[]) => void {
  const edit = useEdit();
  return (edits) => {
    edit(edits);
    const added = edits.find((e) => e.kind === "add" && e.entity === "run");
    if (added) onMade(added.value.id);
    onClose();
  };
}
