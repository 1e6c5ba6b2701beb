import type { Element, Unit } from "../../circuit/index.ts";
import type { ElementId, Job, SegmentId, UnitId } from "../../job/index.ts";
import { SAME_PLACE, lengthOf, unitSitesOf, wireWay } from "../../way/index.ts";

export interface RoutedWires {
  readonly elements: ReadonlyMap<ElementId, Element>;
  /** Stretches of the map that a wire lies in; nothing for one that finds no way. */
  readonly stretches: ReadonlyMap<ElementId, readonly SegmentId[]>;
}

/**
 * Wires with the lengths of the route map, where the vehicle has one and both ends are placed.
 * What somebody has measured or told stands; so does the guess for a wire that finds no way.
 */
export function routeWires(
  job: Job,
  units: ReadonlyMap<UnitId, Unit>,
  elements: ReadonlyMap<ElementId, Element>,
): RoutedWires {
  const stretches = new Map<ElementId, readonly SegmentId[]>();
  if (job.vehicle.places.length === 0) return { elements, stretches };
  const sites = unitSitesOf(units, job);
  const routed = new Map(elements);
  for (const wire of elements.values()) {
    if (wire.kind !== "wire" || wire.harness !== "") continue;
    const found = wireWay(wire, sites);
    if (found.kind !== "way") continue;
    const { segments } = found.way;
    if (segments.length > 0) {
      stretches.set(
        wire.id,
        segments.map((segment) => segment.id),
      );
    }
    // At one place the plan's guess is as good as the map's, as long as it is no way over the vehicle.
    const near = segments.length === 0 && wire.lengthM.value <= SAME_PLACE.high;
    if (wire.lengthM.provenance !== "assumed" || near) continue;
    routed.set(wire.id, { ...wire, lengthM: lengthOf(found.way) });
  }
  return { elements: routed, stretches };
}
