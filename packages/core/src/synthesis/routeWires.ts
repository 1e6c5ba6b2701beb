import type { Element, Unit } from "../circuit/index.ts";
import type { ElementId, Job, SegmentId, UnitId } from "../job/index.ts";
import { assumed, type Fact } from "../quantity/index.ts";
import { UnitSites, Ways, lengthOf } from "../way/index.ts";

/** Between two things at one place: common practice. */
const SAME_PLACE = assumed(0.3, 0.2, 0.5);

/** What is to be laid over a way: the map's length, or what two things at one place are apart. */
function lengthOver(planned: Fact, routed: Fact | null): Fact {
  if (routed !== null) return routed;
  return planned.value > SAME_PLACE.high ? SAME_PLACE : planned;
}

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
  const ways = new Ways(job);
  const sites = new UnitSites(job, units, ways);
  const routed = new Map(elements);
  for (const wire of elements.values()) {
    if (wire.kind !== "wire" || wire.harness !== "") continue;
    const [a, b] = [sites.of(wire.from), sites.of(wire.to)];
    // At hand of its other end: what the plan says of it is as good as it gets.
    if (a === null || b === null || a === "other" || b === "other") continue;
    const way = ways.between(a, b);
    if (!way) continue;
    if (way.segments.length > 0) {
      stretches.set(
        wire.id,
        way.segments.map((segment) => segment.id),
      );
    }
    if (wire.lengthM.provenance !== "assumed") continue;
    const lengthM = lengthOver(wire.lengthM, way.segments.length > 0 ? lengthOf(way) : null);
    if (lengthM !== wire.lengthM) routed.set(wire.id, { ...wire, lengthM });
  }
  return { elements: routed, stretches };
}
