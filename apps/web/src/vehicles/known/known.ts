import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { decimal, knowledgeOf, whichOf, type Known, type Vehicle } from "@dragonet/core";
import type { MeasurementAnswer } from "@dragonet/contract";
import { OfflineError } from "../../base/api.ts";
import { askOrLast } from "../../base/lastAnswers.ts";

/** Three figures: no machine is like another to more. */
export const inShort = (n: number): string => decimal(Number(n.toPrecision(3)), 3);

/** What was found out about a model; nothing where that cannot be asked and never was. */
export const knownOf = (profileId: string): Promise<MeasurementAnswer[]> =>
  askOrLast<MeasurementAnswer[]>(`models/${profileId}/known`).catch((error: unknown) => {
    if (error instanceof OfflineError) return [];
    throw error;
  });

/** What was found out about a vehicle's model, as far as it says something of this one; null until it is there. */
export function useKnown(vehicle: Vehicle): readonly Known[] | null {
  const { data } = useQuery({
    queryKey: ["vehicles", "known", vehicle.profileId],
    queryFn: () => askOrLast<MeasurementAnswer[]>(`models/${vehicle.profileId}/known`),
  });
  const { variant, year } = whichOf(vehicle);
  return useMemo(() => (data ? knowledgeOf(data, { variant, year }) : null), [data, variant, year]);
}
