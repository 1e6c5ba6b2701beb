import { queryOptions, useQuery } from "@tanstack/react-query";
import type { Practices } from "@dragonet/core";
import { askOrLast } from "../base/lastAnswers.ts";

/** The schools a new job starts with. */
export const PRACTICES = queryOptions({
  queryKey: ["practices"],
  queryFn: () => askOrLast<Practices>("practices"),
});

export const usePractices = () => useQuery(PRACTICES);
