import {
  VEHICLE_KINDS,
  VEHICLE_KIND_WORDS,
  outerMeasures,
  usualSize,
  type VehicleKind,
} from "@dragonet/core";
import { Modal } from "../../ui/page/Modal.tsx";
import { VehicleDrawing } from "../../ui/picture/VehicleDrawing.tsx";

const [WIDTH, HEIGHT] = [110, 64];

/** A kind from its left, all to one scale, so that a mower is smaller than a cart. */
function Picture({ kind }: { kind: VehicleKind }) {
  const measures = outerMeasures(usualSize(kind));
  const scale = 32;
  const left = (WIDTH - measures.length * scale) / 2;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" aria-hidden>
      <VehicleDrawing
        {...{ kind, measures }}
        view="side"
        place={([x, y]) => [left + x * scale, HEIGHT - 2 - y * scale]}
      />
    </svg>
  );
}

interface NewProfileProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onPick: (kind: VehicleKind) => void;
}

/** What sort of vehicle: its usual electrics, measures and places to begin with, all of them guesses. */
export function NewProfile({ open, onClose, onPick }: NewProfileProps) {
  return (
    <Modal open={open} onClose={onClose} title="New profile">
      <p className="mb-2">
        What kind of vehicle is it? It begins with what is usual for one, every fact marked as a
        guess until you measure it.
      </p>
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {VEHICLE_KINDS.map((kind) => (
          <li key={kind}>
            <button
              type="button"
              className="touch flex w-full flex-col items-stretch rounded-control border border-edge bg-paper p-1 hover:border-accent hover:bg-accent-wash"
              onClick={() => onPick(kind)}
            >
              <Picture kind={kind} />
              <span className="text-center">{VEHICLE_KIND_WORDS[kind]}</span>
            </button>
          </li>
        ))}
      </ul>
    </Modal>
  );
}
