/** Half of a pair of surrogates: with the flag `u` whole pairs are one character. */
const HALF_PAIR = /\p{Surrogate}/gu;

/**
 * The same value with its texts made whole: no NUL, which databases refuse, and no half of a
 * pair of surrogates, which UTF-8 cannot carry. Everything else comes back as it is.
 */
export function wholeText<T>(value: T): T {
  // A pasted half emoji or a control character of a scanner: never worth losing the edit for.
  if (typeof value === "string") {
    return value.replaceAll("\0", "").replaceAll(HALF_PAIR, "\ufffd") as T;
  }
  if (Array.isArray(value)) return value.map(wholeText) as T;
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, wholeText(inner)]),
  ) as T;
}
