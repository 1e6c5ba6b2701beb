import type { LightColour } from "@dragonet/core";

/** The light a lamp gives, as nearly as a screen can. Real colours, used for lamps only. */
export const LIGHT_HEX: Readonly<Record<LightColour, string>> = {
  white: "#f3f6ff",
  "warm white": "#ffe3b0",
  amber: "#ffa51f",
  red: "#e3261b",
  none: "transparent",
};
