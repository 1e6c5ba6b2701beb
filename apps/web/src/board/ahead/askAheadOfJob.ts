import type { QueryClient } from "@tanstack/react-query";
import { PRACTICES } from "../../settings/practices.ts";
import { KITS, SINGLE_PARTS, choicesOf } from "../../shelf/parts.ts";
import { profilesOf } from "../../vehicles/vehicles.ts";
import { atLeisure } from "../../ui/press/atLeisure.ts";
import { CUSTOMERS } from "../jobs.ts";

/** Asks for what a new job is made of while there still is a network. */
export async function askAheadOfJob(queries: QueryClient): Promise<void> {
  await atLeisure([
    () => import("../newJob/SaidPreview.tsx"),
    () => import("../newJob/NewJob.tsx"),
    () => queries.prefetchQuery(profilesOf()),
    () => queries.prefetchQuery(choicesOf(SINGLE_PARTS)),
    () => queries.prefetchQuery(choicesOf(KITS)),
    () => queries.prefetchQuery(CUSTOMERS),
    () => queries.prefetchQuery(PRACTICES),
  ]);
}
