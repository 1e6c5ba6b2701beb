import { signalsOf, type Input, type Run } from "../job/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";

/** How a run is to be turned on, read from its condition. */
export interface Control {
  readonly ownSwitch: boolean;
  /** Signals that the feed does not already follow. */
  readonly signals: readonly Input[];
}

/**
 * Reads a run's condition against its feed, as far as one relay and one switch go: the
 * first way on. A feed that is itself live with a signal needs no wire for it.
 */
export function controlOf(run: Run, feedPin: ConnectorPin | null): Control {
  const [group = []] = run.condition.anyOf;
  return {
    ownSwitch: group.some((t) => t.input === "switch"),
    signals: signalsOf(group).filter((input) => input !== feedPin?.liveWhen),
  };
}
