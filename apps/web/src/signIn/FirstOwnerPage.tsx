import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { NewPassword } from "../ui/forms/NewPassword.tsx";
import { useTitle } from "../ui/page/useTitle.ts";

interface Fields {
  shop: string;
  name: string;
  signIn: string;
  password: string;
}

/** The first page of an empty shop: who owns it. */
export function FirstOwnerPage() {
  useTitle("First owner");
  const queries = useQueryClient();
  const word = new URLSearchParams(window.location.search).get("first");
  const form = useForm<Fields>();
  const { register, handleSubmit, formState } = form;
  const make = useMutation({
    mutationFn: (fields: Fields) =>
      ask("session/first-owner", "POST", {
        ...fields,
        role: "owner",
        ...(word !== null && { word }),
      }),
    onSuccess: () => {
      // The word in the address has done its work.
      window.history.replaceState(null, "", window.location.pathname);
      return queries.invalidateQueries({ queryKey: ["session"] });
    },
  });
  const { errors } = formState;
  return (
    <main className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-6 p-6">
      <div>
        <h1 className="text-loud tracking-tight">A new shop</h1>
        <p className="mt-1">
          Nobody is here yet. The first owner can add everybody else under Settings.
        </p>
      </div>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => void handleSubmit((fields) => make.mutate(fields))(e)}
      >
        <FormField
          label="Shop"
          autoFocus
          wrong={errors.shop?.message}
          {...register("shop", { required: "The shop needs a name." })}
        />
        <FormField
          label="Your name"
          autoComplete="name"
          wrong={errors.name?.message}
          {...register("name", { required: "Your name is empty." })}
        />
        <FormField
          label="Sign-in"
          autoComplete="username"
          hint="2 to 40 of a–z, 0–9, dot, dash, underscore"
          wrong={errors.signIn?.message}
          {...register("signIn", {
            pattern: {
              value: /^[a-z0-9][a-z0-9._-]{1,39}$/,
              message: "Needs 2 to 40 of a–z, 0–9, dot, dash, underscore.",
            },
            required: "The sign-in is empty.",
          })}
        />
        <NewPassword form={form} name="password" />
        {make.error && (
          <p role="alert" className="font-bold">
            {make.error.message}
          </p>
        )}
        <Button look="main" type="submit" disabled={make.isPending}>
          Open the shop
        </Button>
      </form>
    </main>
  );
}
