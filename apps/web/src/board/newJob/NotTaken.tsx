import { ApiError } from "../../base/api.ts";
import { Modal } from "../../ui/page/Modal.tsx";
import { FaultList } from "../../ui/page/states.tsx";

/** Why a file was not taken in, with every fault of it. */
export function NotTaken({ error, onClose }: { error: Error; onClose: () => void }) {
  return (
    <Modal open onClose={onClose} title="This file was not taken in">
      <p className="font-bold">{error.message}</p>
      {error instanceof ApiError && <FaultList error={error} />}
    </Modal>
  );
}
