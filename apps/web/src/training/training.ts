import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ApprenticeAnswer, TrainingAnswer } from "@dragonet/contract";
import { v4 as uuid } from "uuid";
import { ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { PRACTICES } from "../settings/practices.ts";
import { choicesOf } from "../shelf/parts.ts";
import { profilesOf } from "../vehicles/vehicles.ts";
import type { TrainingGround } from "../worker/training.ts";

const valueOf = <T>({ value }: { readonly value: T }): T => value;

export const useResults = () =>
  useQuery({ queryKey: ["training"], queryFn: () => askOrLast<TrainingAnswer[]>("training") });

export const useEverybody = () =>
  useQuery({
    queryKey: ["training", "everybody"],
    queryFn: () => askOrLast<ApprenticeAnswer[]>("training/everybody"),
  });

export function useKeepResult() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (result: Omit<TrainingAnswer, "at">) =>
      ask("training/results", "POST", { id: uuid(), ...result }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["training"] }),
  });
}

/** What made-up jobs are made of. */
const MADE_OF = ["lamp", "converter", "battery"];

/** Fetches what made-up jobs are made of: asked when one is, so that no press comes too early. */
export function useMadeGround(): () => Promise<TrainingGround> {
  const queries = useQueryClient();
  return async () => {
    const [{ vehicles }, { parts }, practices] = await Promise.all([
      queries.ensureQueryData(profilesOf()),
      queries.ensureQueryData(choicesOf(MADE_OF)),
      queries.ensureQueryData(PRACTICES),
    ]);
    const from = { practices, vehicles: vehicles.map(valueOf), shelf: parts.map(valueOf) };
    return { kind: "made", from };
  };
}

/** A seed that nobody knows. */
export const anySeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;
