import type { FieldPath, FieldValues, UseFormReturn } from "react-hook-form";
import { FormField } from "./FormField.tsx";

const LEAST = 10;

/** Where a new password is chosen: the server looks whether it is one of the common ones. */
export function NewPassword<F extends FieldValues>({
  form: { register, formState },
  name,
  label = "Password",
}: {
  form: Pick<UseFormReturn<F>, "register" | "formState">;
  name: FieldPath<F>;
  label?: string;
}) {
  const wrong = formState.errors[name]?.message;
  return (
    <FormField
      label={label}
      type="password"
      autoComplete="new-password"
      hint={`${LEAST} characters or more, and none of the common ones`}
      wrong={typeof wrong === "string" ? wrong : undefined}
      {...register(name, {
        required: "The password is empty.",
        minLength: { value: LEAST, message: `Needs ${LEAST} characters or more.` },
      })}
    />
  );
}
