/**
 * Insulation colours by their plain names. A wire is a base colour and perhaps a stripe,
 * written "brown" or "brown/white".
 */
export const WIRE_COLOURS = {
  black: "#1d1d1b",
  brown: "#6b3f22",
  red: "#c4261d",
  orange: "#e5731a",
  yellow: "#f0c419",
  green: "#2e8b45",
  blue: "#2559a8",
  violet: "#7a3f98",
  grey: "#8b8d8f",
  white: "#f4f4f0",
  pink: "#e590a8",
  "light blue": "#74b3de",
  "light green": "#8cc63f",
} as const;

/** A colour of wires. */
export type WireColourName = keyof typeof WIRE_COLOURS;

const isName = (text: string): text is WireColourName => Object.hasOwn(WIRE_COLOURS, text);

/** A wire's colour, with the stripe on it. */
export interface WireColour {
  readonly base: WireColourName;
  readonly stripe: WireColourName | null;
}

/** Reads "brown/white"; null when a name is unknown. */
export function parseWireColour(text: string): WireColour | null {
  const [base = "", stripe, ...rest] = text
    .trim()
    .toLowerCase()
    .split(/\s*\/\s*/);
  if (rest.length > 0 || !isName(base)) return null;
  if (stripe === undefined) return { base, stripe: null };
  return isName(stripe) ? { base, stripe } : null;
}
