import { decimal } from "@dragonet/core";
import { useSuspicion } from "./suspects.ts";

/** How much a part is suspected by the readings of a test; nothing on the bench itself. */
export function SuspicionMark({ elementId }: { elementId: string }) {
  const share = useSuspicion(elementId);
  if (share === null) return null;
  return (
    <span className="num shrink-0 bg-ink px-1 text-paper" title="suspected">
      {share < 0.01 ? "< 1" : decimal(100 * share, 0)} %
    </span>
  );
}
