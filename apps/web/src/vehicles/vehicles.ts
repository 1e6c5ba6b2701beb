import { queryOptions, useQuery } from "@tanstack/react-query";
import type { KeptVehicleAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";

export const VEHICLES = queryOptions({
  queryKey: ["vehicles"],
  queryFn: () => ask<KeptVehicleAnswer[]>("vehicles"),
});

export const useVehicles = () => useQuery(VEHICLES);
