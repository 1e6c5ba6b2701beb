import { useQuery } from "@tanstack/react-query";
import type { LoadPart, Part } from "@dragonet/core";
import { ask } from "../app/api.ts";
import type { Kept } from "../vehicles/vehicles.ts";

export const useParts = () =>
  useQuery({ queryKey: ["parts"], queryFn: () => ask<Kept<Part>[]>("parts") });

export const isLoad = (part: Part): part is LoadPart => part.kind === "load";
