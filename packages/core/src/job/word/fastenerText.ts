import { decimal } from "../../quantity/index.ts";
import type { Fastener } from "../record/fit.ts";

const DRIVE_WORDS: Readonly<Record<Fastener["drive"], string>> = {
  hex: "hex",
  socket: "socket head",
  cross: "cross",
  slot: "slot",
  sixLobe: "star",
  push: "push rivet",
  hand: "by hand",
};
/** What a fastener's head takes, in words. */
export const driveText = (drive: Fastener["drive"]): string => DRIVE_WORDS[drive];

/** "M6 × 20 hex, front". */
export const fastenerText = (f: Fastener): string =>
  [
    [f.size, f.lengthMm > 0 ? `× ${decimal(f.lengthMm, 1)}` : "", driveText(f.drive)]
      .filter((word) => word !== "")
      .join(" "),
    f.where,
  ]
    .filter((word) => word !== "")
    .join(", ");
