import { useQuery } from "@tanstack/react-query";
import type { Offer } from "@dragonet/core";
import { ask } from "../app/api.ts";

export interface Accepted {
  readonly by: string;
  readonly at: string;
  /** Id of an option; "" for the plan itself. */
  readonly choice: string;
}

export interface JobOffer {
  readonly id: string;
  readonly revision: number;
  readonly by: string;
  readonly at: string;
  readonly state: "open" | "accepted" | "revoked" | "over";
  readonly offer: Offer;
  readonly accepted: Accepted | null;
}

/** A customer's word may come at any moment: looked for again each half minute. */
const LOOK_MS = 30_000;

export const useOffers = (jobId: string) =>
  useQuery({
    queryKey: ["offers", jobId],
    queryFn: () => ask<JobOffer[]>(`jobs/${jobId}/offers`),
    refetchInterval: LOOK_MS,
  });

export const linkOf = (token: string): string => `${window.location.origin}/offer/${token}`;
