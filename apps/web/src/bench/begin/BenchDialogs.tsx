import type { CircuitId } from "@dragonet/core";
import type { BeginWith } from "./beginWith.ts";
import { HarnessesDialog } from "./HarnessesDialog.tsx";
import { NewFeed } from "./NewFeed.tsx";
import { NewCircuit } from "./NewCircuit.tsx";
import { PracticesDialog } from "./PracticesDialog.tsx";

/** What may be open over the bench. */
export type BenchDialog =
  | { readonly kind: "circuit"; readonly begin: BeginWith }
  | { readonly kind: "feed" | "practices" | "harnesses" };

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
      <NewCircuit
        begin={open?.kind === "circuit" ? open.begin : null}
        onClose={onClose}
        onMade={onMade}
      />
      <NewFeed open={open?.kind === "feed"} onClose={onClose} onMade={onMade} />
      <HarnessesDialog open={open?.kind === "harnesses"} onClose={onClose} canEdit={canEdit} />
      <PracticesDialog open={open?.kind === "practices"} onClose={onClose} canEdit={canEdit} />
    </>
  );
}
