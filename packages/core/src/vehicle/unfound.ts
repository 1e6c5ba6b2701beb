import { asId, type PinId } from "../job/ids.ts";
import type { ConnectorPin } from "./vehicle.ts";

/** What stands in a plan for the wire of a signal that nobody has found yet. */
export interface UnfoundPin extends ConnectorPin {
  /** The signal that it is looked for by. */
  readonly sought: string;
}

/** Its id: no id of a document has a dot in it, so that none can be the same. */
export const unfoundId = (signal: string): PinId => asId<PinId>(`unfound.${signal}`);

/** Whether a wire stands in a plan for one that nobody has found yet. */
export const isUnfound = (pin: ConnectorPin): pin is UnfoundPin => "sought" in pin;
