import type { Strip, TrunkStrip } from "@dragonet/core";

/** What the circuits do at the position of the controls that is shown. */
export interface StripsShown {
  readonly strips: readonly Strip[];
  readonly trunks: readonly TrunkStrip[];
}
