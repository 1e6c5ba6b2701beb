import type { TableCell } from "pdfmake/interfaces.js";
import type { Finding } from "@dragonet/core";

export const INK = "#16211f";

export const SEVERITY_WORD: Readonly<Record<Finding["severity"], string>> = {
  stop: "STOP",
  fix: "Fix",
  note: "Note",
};

/** A cell of figures: digits of one width. */
export const number = (text: string): TableCell => ({ text, fontFeatures: ["tnum"] });
