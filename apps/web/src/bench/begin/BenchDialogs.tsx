import type { CircuitId } from "@dragonet/core";
import { HarnessesDialog } from "./HarnessesDialog.tsx";
import { NewFeed } from "./NewFeed.tsx";
import { NewCircuit } from "./NewCircuit.tsx";
import { PracticesDialog } from "./PracticesDialog.tsx";

/** What may be open over the bench. */
export type BenchDialog = "run" | "feed" | "practices" | "harnesses";

interface BenchDialogsProps {
  /** The one that is open; null for none. */
  readonly open: BenchDialog | null;
  readonly onClose: () => void;
  /** A circuit, supply or control that one of them has made. */
  readonly onMade: (runId: CircuitId) => void;
  readonly canEdit: boolean;
}

/** What a job begins with, what feeds it, the harnesses and the practices of it. */
export function BenchDialogs({ open, onClose, onMade, canEdit }: BenchDialogsProps) {
  return (
    <>
      <NewCircuit open={open === "run"} onClose={onClose} onMade={onMade} />
      <NewFeed open={open === "feed"} onClose={onClose} onMade={onMade} />
      <HarnessesDialog open={open === "harnesses"} onClose={onClose} canEdit={canEdit} />
      <PracticesDialog open={open === "practices"} onClose={onClose} canEdit={canEdit} />
    </>
  );
}
