import type { PartId } from "../ids.ts";

/** Which lot of a part went into a job, as it stood on the box: what a maker calls parts back by. */
export interface Lot {
  readonly id: string;
  readonly partId: PartId;
  /** Lot or serial number. */
  readonly lot: string;
  /** How many of that lot. */
  readonly count: number;
}
