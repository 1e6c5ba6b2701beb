import { boundsOfExpected } from "./predict.ts";
import type { Probe } from "./probe.ts";
import { seenBounds } from "../reading/seen.ts";

/** From and to what a probe reads with everything as built: V, A or a share of full work. */
export function soundRange(probe: Probe): readonly [low: number, high: number] {
  const expected = probe.bench.sound(probe);
  return probe.at.kind === "look" ? seenBounds(expected.value) : boundsOfExpected(expected);
}
