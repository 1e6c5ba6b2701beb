import { queryOptions, useQuery } from "@tanstack/react-query";
import type { Vehicle } from "@dragonet/core";
import { ask } from "../app/api.ts";

/** Something the shop keeps, with the revision that a change must name. */
export interface Kept<T> {
  readonly value: T;
  readonly revision: number;
}

export const VEHICLES = queryOptions({
  queryKey: ["vehicles"],
  queryFn: () => ask<Kept<Vehicle>[]>("vehicles"),
});

export const useVehicles = () => useQuery(VEHICLES);
