import type { Choice, ChoiceKind, SynthesisIssue } from "../../../circuit/index.ts";
import type { LightingCircuit } from "../../../job/index.ts";
import type { Notes } from "../plan.ts";

/** What is noted of one circuit while it is decided. */
export interface CircuitNotes {
  readonly chose: (kind: ChoiceKind, choice: Omit<Choice, "runId" | "kind">) => void;
  readonly lacks: (kind: SynthesisIssue["kind"], detail: string) => void;
}

export const notesOf = ({ id: runId }: LightingCircuit, notes: Notes): CircuitNotes => ({
  chose: (kind, { picked, reason, pinned }) => {
    notes.choices.push({ runId, kind, picked, reason, pinned });
  },
  lacks: (kind, detail) => {
    notes.gaps.push({ runId, kind, detail });
  },
});
