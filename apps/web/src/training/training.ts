import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Apprentice, TrainingRecord } from "@dragonet/core";
import { ask } from "../app/api.ts";
import { PRACTICES } from "../settings/practices.ts";
import { PARTS } from "../shelf/parts.ts";
import { VEHICLES, type Kept } from "../vehicles/vehicles.ts";
import type { TrainingGround } from "../worker/training.ts";

const valueOf = <T>({ value }: Kept<T>): T => value;

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

/** Fetches what made-up jobs are made of: asked when one is, so that no press comes too early. */
export function useMadeGround(): () => Promise<TrainingGround> {
  const queries = useQueryClient();
  return async () => {
    const [vehicles, shelf, practices] = await Promise.all([
      queries.ensureQueryData(VEHICLES),
      queries.ensureQueryData(PARTS),
      queries.ensureQueryData(PRACTICES),
    ]);
    const from = { practices, vehicles: vehicles.map(valueOf), shelf: shelf.map(valueOf) };
    return { kind: "made", from };
  };
}

/** A seed that nobody knows. */
export const anySeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;
