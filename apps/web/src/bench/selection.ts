import type { ChoiceKind, ElementId, CircuitId } from "@dragonet/core";

/** What the panel beside the strips shows. */
export type Selection =
  | { readonly kind: "findings" }
  | { readonly kind: "trial" }
  | { readonly kind: "run"; readonly runId: CircuitId }
  | {
      readonly kind: "part";
      readonly runId: CircuitId;
      readonly choice: ChoiceKind;
      readonly elementId: ElementId;
    };

export interface Selecting {
  readonly selection: Selection;
  readonly select: (selection: Selection) => void;
}
