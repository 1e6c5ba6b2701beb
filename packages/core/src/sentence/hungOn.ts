import type { ConnectorPin, Vehicle } from "../vehicle/index.ts";
import type { SaidCircuit } from "./said.ts";

/**
 * The wire of the vehicle's map that a lamp which goes hung on: the one that is live with what
 * turns the new one on. null where nobody has found it.
 */
export function hungOn(
  { pins }: Pick<Vehicle, "pins">,
  { condition }: Pick<SaidCircuit, "condition">,
): ConnectorPin | null {
  const inputs = condition.anyOf.flat().flatMap((t) => (t.negated ? [] : [t.input]));
  const found = pins.find(
    ({ liveWhen, switches }) => switches === "positive" && inputs.some((i) => i === liveWhen),
  );
  return found ?? null;
}
