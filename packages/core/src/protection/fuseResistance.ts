/**
 * Cold resistance of a blade fuse in Ω. A blade fuse drops about 0.1 V at its rated
 * current, whatever the rating: common practice, data sheets of the type agree.
 */
export const fuseResistanceOhm = (ratingA: number): number => 0.1 / ratingA;
