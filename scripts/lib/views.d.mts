/** Where a view is, and words that stand in it once it is there. */
export type View = readonly [path: string, words: string];
/** Views of the shop, from the root. */
export const SHOP: readonly View[];
/** Views of a job, under its address: what plans it and takes it on to the customer. */
export const PLANNING: readonly View[];
/** Views of a job, under its address: what fits it. */
export const FITTING: readonly View[];
/** Views of a job that look otherwise with a pack. */
export const PACK: readonly View[];
