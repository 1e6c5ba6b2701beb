import type { PartId, CircuitId } from "../ids.ts";

/** Ways to feed the lamps of a run on a vehicle with a pack. */
export const FEED_WAYS = ["converter", "series", "block", "battery"] as const;
/** One way of feeding everything of a job. */
export type FeedWay = (typeof FEED_WAYS)[number];

/** One thing that an option does otherwise than the plan. */
export type OptionChange =
  | { readonly kind: "leaveOut"; readonly runId: CircuitId }
  /** Another part of the same kind wherever one is used, from the job's copies or the shelf. */
  | { readonly kind: "otherPart"; readonly partId: PartId; readonly insteadId: PartId }
  | { readonly kind: "way"; readonly runId: CircuitId; readonly way: FeedWay };

/** A whole way to do the job that a customer may choose in place of the plan. */
export interface QuoteOption {
  readonly id: string;
  readonly name: string;
  readonly changes: readonly OptionChange[];
}
