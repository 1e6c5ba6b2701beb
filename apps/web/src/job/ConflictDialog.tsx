import { describeEdit } from "@dragonet/core";
import { Button } from "../ui/Button.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { useJobStore } from "./store/jobStore.ts";

/** Two people wanted different things of the same place: both are shown, one is chosen. */
export function ConflictDialog() {
  const clash = useJobStore((s) => s.clash);
  const settle = useJobStore((s) => s.settleClash);
  const job = useJobStore((s) => s.job);
  if (!clash || !job) return null;
  const pairs = clash.disputed.flatMap((dispute) => dispute.pairs);
  return (
    <Modal
      firm
      open
      onClose={() => undefined}
      title={`${clash.who} changed the same place`}
      about="Nothing is lost: everything else of both is kept, and what is not chosen here stays in the history or can be made again."
    >
      <table className="w-full border-collapse">
        <thead>
          <tr>
            <th scope="col">Theirs, saved already</th>
            <th scope="col">Yours, not saved yet</th>
          </tr>
        </thead>
        <tbody>
          {pairs.map(({ mine, theirs }, i) => (
            <tr key={i} className="border-t border-hair align-top">
              <td className="py-1 pr-4">{describeEdit(theirs, job)}</td>
              <td className="py-1">{describeEdit(mine, job)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button look="main" onClick={() => settle("theirs")}>
          Keep theirs
        </Button>
        <Button onClick={() => settle("mine")}>Keep mine</Button>
      </div>
    </Modal>
  );
}
