import type { ConnectorPin, Vehicle } from "../vehicle/index.ts";
import type { SaidCircuit } from "./said.ts";

type Mapped = Pick<Vehicle, "pins" | "connectors" | "places">;

/** How far from the vehicle's end a wire is found, in m: less is nearer to a lamp that sits there. */
function fromEndM(
  { connectors, places }: Mapped,
  pin: ConnectorPin,
  end: "front" | "rear",
): number {
  const at = connectors.find((c) => c.id === pin.connectorId)?.at ?? "";
  const place = places.find((p) => p.id === at);
  const along = places.map((p) => p.backM);
  if (!place) return Infinity;
  return end === "rear" ? Math.max(...along) - place.backM : place.backM - Math.min(...along);
}

/**
 * The wire of the vehicle's map that a lamp which goes is taken to have hung on: one that is live
 * with what turns the new one on, of several the one found nearest to its end of the vehicle. null
 * where nobody has found any.
 */
export function hungOn(
  vehicle: Mapped,
  { condition, place }: Pick<SaidCircuit, "condition" | "place">,
): ConnectorPin | null {
  const inputs = condition.anyOf.flat().flatMap((t) => (t.negated ? [] : [t.input]));
  const live = vehicle.pins.filter(
    ({ liveWhen, switches }) => switches === "positive" && inputs.some((i) => i === liveWhen),
  );
  const end = place === "rear" ? "rear" : "front";
  const [nearest] = live
    .map((pin) => ({ pin, awayM: fromEndM(vehicle, pin, end) }))
    // Infinity from infinity is no number: those keep the order of the map.
    .sort((a, b) => (a.awayM === b.awayM ? 0 : a.awayM - b.awayM));
  return nearest?.pin ?? null;
}
