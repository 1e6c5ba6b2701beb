/** A document before anybody has looked at its shape. */
export type Plain = Record<string, unknown>;

export const isPlain = (value: unknown): value is Plain =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Fields that were added since, where an entry does not have them. What is there stays. */
export const withDefaults = (value: unknown, defaults: Plain): unknown =>
  isPlain(value) ? { ...defaults, ...value } : value;

export const eachWith = (list: unknown, defaults: Plain): unknown =>
  Array.isArray(list) ? list.map((entry) => withDefaults(entry, defaults)) : list;
