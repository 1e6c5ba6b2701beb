import { queryOptions, useQuery } from "@tanstack/react-query";
import type { LoadPart, Part } from "@dragonet/core";
import { ask } from "../app/api.ts";
import type { Kept } from "../vehicles/vehicles.ts";

export const PARTS = queryOptions({
  queryKey: ["parts"],
  queryFn: () => ask<Kept<Part>[]>("parts"),
});

export const useParts = () => useQuery(PARTS);

export const isLoad = (part: Part): part is LoadPart => part.kind === "load";
