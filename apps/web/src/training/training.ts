import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Apprentice, Practices, TrainingRecord } from "@dragonet/core";
import { ask } from "../app/api.ts";
import { useParts } from "../shelf/parts.ts";
import { useVehicles } from "../vehicles/vehicles.ts";
import type { TrainingGround } from "../worker/training.ts";

export const useResults = () =>
  useQuery({ queryKey: ["training"], queryFn: () => ask<TrainingRecord[]>("training") });

export const useEverybody = () =>
  useQuery({
    queryKey: ["training", "everybody"],
    queryFn: () => ask<Apprentice[]>("training/everybody"),
  });

export function useKeepResult() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (result: Omit<TrainingRecord, "at">) =>
      ask("training/results", "POST", { id: crypto.randomUUID(), ...result }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["training"] }),
  });
}

/** What made-up jobs are made of; null while it is fetched. */
export function useMadeGround(): TrainingGround | null {
  const { data: vehicles } = useVehicles();
  const { data: shelf } = useParts();
  const { data: practices } = useQuery({
    queryKey: ["practices"],
    queryFn: () => ask<Practices>("practices"),
  });
  if (!vehicles || !shelf || !practices) return null;
  return {
    kind: "made",
    from: { practices, vehicles: vehicles.map((v) => v.value), shelf: shelf.map((p) => p.value) },
  };
}

/** A seed that nobody knows. */
export const anySeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;
