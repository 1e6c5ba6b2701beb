import { useQuery } from "@tanstack/react-query";
import type { JobOfferAnswer } from "@dragonet/contract";
import { askOrLast } from "../base/lastAnswers.ts";

/** A customer's word may come at any moment: looked for again each half minute. */
const LOOK_MS = 30_000;

export const useOffers = (jobId: string) =>
  useQuery({
    queryKey: ["offers", jobId],
    queryFn: () => askOrLast<JobOfferAnswer[]>(`jobs/${jobId}/offers`),
    refetchInterval: LOOK_MS,
  });

export const linkOf = (token: string): string => `${window.location.origin}/offer/${token}`;
