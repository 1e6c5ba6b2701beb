import { queryOptions, useQuery } from "@tanstack/react-query";
import type { Practices } from "@dragonet/core";
import { ask } from "../base/api.ts";

/** The schools a new job starts with. */
export const PRACTICES = queryOptions({
  queryKey: ["practices"],
  queryFn: () => ask<Practices>("practices"),
});

export const usePractices = () => useQuery(PRACTICES);
