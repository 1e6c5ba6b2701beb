import { Button } from "../ui/Button.tsx";
import { Modal } from "../ui/page/Modal.tsx";

interface StayOrLeaveProps {
  /** What has not reached the server, in words. */
  readonly waits: string;
  /** Why leaving did not work; "" before it was tried. */
  readonly failed: string;
  readonly onStay: () => void;
  readonly onLeave: () => void;
}

/** Asked of who signs out while something is not saved. */
export function StayOrLeave({ waits, failed, onStay, onLeave }: StayOrLeaveProps) {
  return (
    <Modal
      open
      onClose={onStay}
      title={waits !== "" ? `${waits} not saved yet` : "Something is not saved yet"}
      about="They stay in this browser, and are sent when you sign in here again. Nobody else who signs in here sees or sends them."
    >
      {failed !== "" && (
        <p role="alert" className="mb-3 font-bold">
          {failed}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button look="main" onClick={onStay}>
          Stay signed in
        </Button>
        <Button onClick={onLeave}>Sign out, keep them here</Button>
      </div>
    </Modal>
  );
}
