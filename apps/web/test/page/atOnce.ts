/** Nothing is painted in a document without a screen: what waits for it is done at once. */
export const afterPaint = (deed: () => void): void => deed();
export const doWhatWaits = (): void => {};
