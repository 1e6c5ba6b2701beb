import type { FuseElement } from "../../circuit/index.ts";
import { BLADE_V } from "../../part/index.ts";
import { fuseFormFor } from "../../protection/index.ts";
import { decimal } from "../../quantity/index.ts";
import { insideOfKind, piece, type TerminalList, type ThingSpec } from "../thing.ts";

/** A holder in a wire. */
export const FUSE_TERMINALS: TerminalList = [
  ["in", "holder"],
  ["out", "holder"],
];

/** "blade fuse 7.5 A", "breaker 20 A" */
export const fusePiece = ({ systemV, resets, ratingA }: FuseElement): string =>
  `${resets ? "breaker" : fuseFormFor(systemV).name} ${decimal(ratingA)} A`;

export const fuseUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.4,
  fitMin: 3,
  pieces: (_, insides) => {
    const made = insideOfKind(insides, "fuse");
    if (!made) return [];
    const { breaksV } = fuseFormFor(made.systemV);
    const detail =
      breaksV > BLADE_V ? `breaks ${breaksV} V direct, with its holder` : "with holder";
    return [piece(fusePiece(made), detail)];
  },
};
