/** Words that are written in capitals wherever they stand. */
const CAPITALS = /\b(led|usb)\b/gi;

const inCapitals = (words: string): string => words.replace(CAPITALS, (word) => word.toUpperCase());

/** A name of words as they were read: "LED tail lamp", "Light bar". */
export const titled = (words: string): string =>
  inCapitals(words.charAt(0).toUpperCase() + words.slice(1));

/** A name within a sentence: "LED tail lamp", "40 W light bar", "two pods". Units stay as they are. */
export const lowered = (name: string): string =>
  name.replace(/^\p{Lu}(?=\p{Ll})/u, (first) => first.toLowerCase());
