import { isOn } from "../../job/index.ts";
import type { Position } from "../../network/position.ts";
import type { Behaviour } from "../../part/index.ts";

/**
 * Whether a channel goes dark and comes again in a position: dimmed below its full level, or flashing. At no speed that
 * was told the vehicle stands.
 */
export function hasDarkPhase(program: Behaviour, { inputs, kmh = 0 }: Position): boolean {
  const any = (list: Behaviour["flashWith"]): boolean => list.some((input) => isOn(input, inputs));
  const level = any(program.boostWith) ? program.boostLevel : program.level;
  const flashes =
    program.flashes !== 0 &&
    kmh >= program.flashFromKmh &&
    (program.flashWith.length === 0 || any(program.flashWith));
  return flashes || level < 1;
}
