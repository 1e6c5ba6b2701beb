import { queryOptions, useQuery } from "@tanstack/react-query";
import type { LoadPart, Part } from "@dragonet/core";
import type { KeptPartAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";

export const PARTS = queryOptions({
  queryKey: ["parts"],
  queryFn: () => ask<KeptPartAnswer[]>("parts"),
});

export const useParts = () => useQuery(PARTS);

export const isLoad = (part: Part): part is LoadPart => part.kind === "load";
