import { type BoundedValue, type LoadSpec } from "@dragonet/core";

export function withRating(load: LoadSpec, rating: BoundedValue): LoadSpec {
  switch (load.kind) {
    case "constantCurrent":
      return { ...load, currentA: rating };
    case "ledStrip":
      return { ...load, powerWPerM: rating };
    default:
      return { ...load, powerW: rating };
  }
}
