import { parseWireColour } from "@dragonet/core";

/** What is wrong with a wire's colour as it is typed, in words; null where nothing is. Empty is none told. */
export const checkColour = (text: string): string | null =>
  text === "" || parseWireColour(text)
    ? null
    : `“${text}” is no colour: such as brown or brown/white`;
