import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { useEffect, useState } from "react";
import { ask } from "../base/api.ts";
import { followWaiting, useWaitingStore } from "../sync/waiting.ts";
import { waitsWord } from "../sync/words.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { useTitle } from "../ui/page/useTitle.ts";

interface Fields {
  signIn: string;
  password: string;
}

/** What this browser keeps until whoever made it signs in again. */
function WaitsHere() {
  const waiting = useWaitingStore((s) => s.waiting);
  const jobs = useWaitingStore((s) => s.newJobs.length);
  useEffect(followWaiting, []);
  const acts = waiting.reduce((sum, w) => sum + w.acts, 0);
  if (acts + jobs === 0) return null;
  return (
    <p role="status" className="mt-2 font-bold">
      {waitsWord(acts, jobs)} {acts + jobs === 1 ? "waits" : "wait"} in this browser until the
      person who made {acts + jobs === 1 ? "it" : "them"} signs in. Nothing is lost.
    </p>
  );
}

/** The code in an address that another device showed; in the part that is never sent by itself. */
const codeInAddress = (): string | null =>
  /^#code=([\w-]{10,60})$/.exec(location.hash)?.[1] ?? null;

/** One press signs in by it: a link alone never does, whoever made it. */
function ByCode({ code, then }: { code: string; then: () => void }) {
  const enter = useMutation({
    mutationFn: () => ask("session/by-code", "POST", { code }),
    onSuccess: () => {
      history.replaceState(null, "", location.pathname);
      then();
    },
  });
  return (
    <div className="flex flex-col gap-2 border-b border-hair pb-6">
      <p>This address carries a code that your other device shows.</p>
      {enter.error && (
        <p role="alert" className="font-bold">
          {enter.error.message}
        </p>
      )}
      <Button look="main" disabled={enter.isPending} onClick={() => enter.mutate()}>
        Sign in by the code
      </Button>
    </div>
  );
}

export function SignInPage({ shop }: { shop: string }) {
  useTitle("Sign in");
  const queries = useQueryClient();
  const { register, handleSubmit, formState } = useForm<Fields>();
  const [code] = useState(codeInAddress);
  const entered = () => queries.invalidateQueries({ queryKey: ["session"] });
  const enter = useMutation({
    mutationFn: (fields: Fields) => ask("session", "POST", fields),
    onSuccess: entered,
  });
  return (
    <main className="mx-auto flex min-h-dvh max-w-sm flex-col justify-center gap-6 p-6">
      <div>
        <p className="text-small text-muted">{shop}</p>
        <h1 className="text-loud tracking-tight">Dragonet</h1>
        <p className="mt-1">Plans, proves and records lighting jobs on small vehicles.</p>
        <WaitsHere />
      </div>
      {code !== null && <ByCode code={code} then={() => void entered()} />}
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => void handleSubmit((fields) => enter.mutate(fields))(e)}
      >
        <FormField
          label="Sign-in"
          autoComplete="username"
          autoFocus={code === null}
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
