import { Button } from "../ui/Button.tsx";
import { Modal } from "../ui/Modal.tsx";
import { useJobStore } from "./jobStore.ts";

/** Two people wanted different things of the same place: both are shown, one is chosen. */
export function ClashDialog() {
  const clash = useJobStore((s) => s.clash);
  const settle = useJobStore((s) => s.settleClash);
  if (!clash) return null;
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
          {clash.pairs.map((pair, i) => (
            <tr key={i} className="border-t border-hair align-top">
              <td className="py-1 pr-4">{pair.theirs}</td>
              <td className="py-1">{pair.mine}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button look="main" onClick={() => void settle("theirs")}>
          Keep theirs
        </Button>
        <Button onClick={() => void settle("mine")}>Keep mine</Button>
      </div>
    </Modal>
  );
}
