/** A document before anybody has looked at its shape. */
export type Plain = Record<string, unknown>;

export const isPlain = (value: unknown): value is Plain =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Fields that were added since, where an entry does not have them. What is there stays. */
export const withDefaults = (value: unknown, defaults: Plain): unknown =>
  isPlain(value) ? { ...defaults, ...value } : value;

export const eachWith = (list: unknown, defaults: Plain): unknown =>
  Array.isArray(list) ? list.map((entry) => withDefaults(entry, defaults)) : list;

/** Every entry of a list made anew; what is no list, or no entry, is for the check of the shape to tell. */
export const eachMade = (list: unknown, make: (entry: Plain) => unknown): unknown =>
  Array.isArray(list) ? list.map((entry) => (isPlain(entry) ? make(entry) : entry)) : list;

/** An object with more in it; what is none is for the check of the shape to tell. */
export const madeMore = (value: unknown, make: (object: Plain) => Plain): unknown =>
  isPlain(value) ? make(value) : value;
