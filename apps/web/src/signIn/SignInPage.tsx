import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { useEffect } from "react";
import { ask } from "../app/api.ts";
import { followWaiting, useWaitingStore } from "../sync/waiting.ts";
import { changesWord } from "../sync/words.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/FormField.tsx";

interface Fields {
  signIn: string;
  password: string;
}

/** What this browser keeps until whoever made it signs in again. */
function WaitsHere() {
  const waiting = useWaitingStore((s) => s.waiting);
  useEffect(followWaiting, []);
  const acts = waiting.reduce((sum, w) => sum + w.acts, 0);
  if (acts === 0) return null;
  return (
    <p role="status" className="mt-2 font-bold">
      {changesWord(acts)} {acts === 1 ? "waits" : "wait"} in this browser until the person who made{" "}
      {acts === 1 ? "it" : "them"} signs in. Nothing is lost.
    </p>
  );
}

export function SignInPage({ shop }: { shop: string }) {
  const queries = useQueryClient();
  const { register, handleSubmit, formState } = useForm<Fields>();
  const enter = useMutation({
    mutationFn: (fields: Fields) => ask("session", "POST", fields),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["session"] }),
  });
  return (
    <main className="mx-auto flex min-h-dvh max-w-sm flex-col justify-center gap-6 p-6">
      <div>
        <p className="text-small text-muted">{shop}</p>
        <h1 className="text-loud tracking-tight">Dragonet</h1>
        <p className="mt-1">Plans, proves and records lighting jobs on small vehicles.</p>
        <WaitsHere />
      </div>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => void handleSubmit((fields) => enter.mutate(fields))(e)}
      >
        <FormField
          label="Sign-in"
          autoComplete="username"
          autoFocus
          wrong={formState.errors.signIn?.message}
          {...register("signIn", { required: "Who is it?" })}
        />
        <FormField
          label="Password"
          type="password"
          autoComplete="current-password"
          wrong={formState.errors.password?.message}
          {...register("password", { required: "The password is empty." })}
        />
        {enter.error && (
          <p role="alert" className="font-bold">
            {enter.error.message}
          </p>
        )}
        <Button look="main" type="submit" disabled={enter.isPending}>
          Sign in
        </Button>
      </form>
    </main>
  );
}
