import type { WireElement } from "../circuit/index.ts";
import type { PlaceId } from "../job/index.ts";
import type { UnitSites } from "./unitSites.ts";
import type { MapWay } from "./waysFrom.ts";

/** Where a wire lies: on a way, at hand of what it joins, or nowhere yet. */
export type WireWay =
  | { readonly kind: "way"; readonly way: MapWay }
  /** One end is at hand of the other, and as far off as the plan says; null where both are. */
  | { readonly kind: "atHand"; readonly at: PlaceId | null }
  /** Nobody has placed that end: 0 is where it comes from, 1 where it goes. */
  | { readonly kind: "unplaced"; readonly end: 0 | 1 }
  | { readonly kind: "noWay"; readonly from: PlaceId; readonly to: PlaceId };

/** The way of a wire over the map. */
export function wireWay(wire: WireElement, sites: UnitSites): WireWay {
  const [a, b] = [sites.of(wire.from), sites.of(wire.to)];
  if (a === null) return { kind: "unplaced", end: 0 };
  if (b === null) return { kind: "unplaced", end: 1 };
  if (a === "other") return { kind: "atHand", at: b === "other" ? null : b };
  if (b === "other") return { kind: "atHand", at: a };
  const way = sites.ways.between(a, b);
  return way ? { kind: "way", way } : { kind: "noWay", from: a, to: b };
}
