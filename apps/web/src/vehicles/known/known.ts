import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { decimal, knowledgeOf, whichOf, type Known, type Vehicle } from "@dragonet/core";
import type { MeasurementAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";

/** Three figures: no machine is like another to more. */
export const inShort = (n: number): string => decimal(Number(n.toPrecision(3)), 3);

/** What was found out about a vehicle's model, as far as it says something of this one; null until it is there. */
export function useKnown(vehicle: Vehicle): readonly Known[] | null {
  const { data } = useQuery({
    queryKey: ["vehicles", "known", vehicle.profileId],
    queryFn: () => ask<MeasurementAnswer[]>(`models/${vehicle.profileId}/known`),
  });
  const { variant, year } = whichOf(vehicle);
  return useMemo(() => (data ? knowledgeOf(data, { variant, year }) : null), [data, variant, year]);
}
