/** What waits for a paint, while a test holds it back. */
let held: (() => void)[] | null = null;

/** From now on nothing is painted until what waits is asked for. */
export const hold = (): void => {
  held = [];
};

/** Nothing is painted in a document without a screen: what waits for it is done at once. */
export const afterPaint = (deed: () => void): void => {
  if (held) held.push(deed);
  else deed();
};

export const doWhatWaits = (): void => {
  const deeds = held ?? [];
  held = null;
  for (const deed of deeds) deed();
};
