/** Letters tell kinds of fastener apart: colour is kept for wires and light. */
export const letterOf = (i: number): string => String.fromCharCode(97 + (i % 26));
