/** What has to be there, asked for so that it is said where it is not. */

/** An item of a list. Throws RangeError where the list has none at that place. */
export function itemAt<T>(list: ArrayLike<T>, at: number): T {
  const item = list[at];
  if (item === undefined) throw new RangeError(`no item ${at} in a list of ${list.length}`);
  return item;
}

/** The last item of a list. Throws RangeError for an empty one. */
export const lastItem = <T>(list: ArrayLike<T>): T => itemAt(list, list.length - 1);

/** What a map holds under a key. Throws RangeError where it holds nothing. */
export function itemOf<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const item = map.get(key);
  if (item === undefined) throw new RangeError(`nothing is kept under ${String(key)}`);
  return item;
}

/** What was looked for and has to be there. Throws RangeError, by these words, where it is not. */
export function present<T>(value: T | null | undefined, words: string): T {
  if (value === null || value === undefined) throw new RangeError(`${words} is missing`);
  return value;
}
