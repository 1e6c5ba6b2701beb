import type { LineDiagram, FeederDiagram } from "@dragonet/core";

/** What the circuits do at the position of the controls that is shown. */
export interface DiagramsShown {
  readonly strips: readonly LineDiagram[];
  readonly feeders: readonly FeederDiagram[];
}
