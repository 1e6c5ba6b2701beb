import { asId, type PinId } from "../job/ids.ts";
import type { ConnectorPin } from "./vehicle.ts";

/** No id of a document has a dot in it, so these cannot be taken for a wire that is known. */
const UNFOUND = "unfound.";

/** Id of what stands in a plan for the wire of a signal that nobody has found yet. */
export const unfoundId = (signal: string): PinId => asId<PinId>(`${UNFOUND}${signal}`);

/** Whether a wire stands in a plan for one that nobody has found yet. */
export const isUnfound = ({ id }: Pick<ConnectorPin, "id">): boolean => id.startsWith(UNFOUND);
