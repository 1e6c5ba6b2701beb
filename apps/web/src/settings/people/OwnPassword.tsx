import { useMutation } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { toast } from "sonner";
import { ask } from "../../base/api.ts";
import { Button } from "../../ui/Button.tsx";
import { FormField } from "../../ui/forms/FormField.tsx";
import { NewPassword } from "../../ui/forms/NewPassword.tsx";

interface Fields {
  current: string;
  next: string;
}

/** One's own password: the one there is, and the next. */
export function OwnPassword() {
  const form = useForm<Fields>();
  const { register, handleSubmit, formState, reset } = form;
  const change = useMutation({
    mutationFn: (fields: Fields) => ask("session/password", "PUT", fields),
    onSuccess: () => {
      reset();
      toast.success("New password kept. You are signed out everywhere else.");
    },
  });
  const { errors } = formState;
  return (
    <form
      noValidate
      className="flex flex-col items-start gap-3 py-2"
      onSubmit={(e) => void handleSubmit((f) => change.mutate(f))(e)}
    >
      <FormField
        label="Password now"
        type="password"
        autoComplete="current-password"
        wrong={errors.current?.message}
        {...register("current", { required: "The password you have now is asked for." })}
      />
      <NewPassword form={form} name="next" label="New password" />
      {change.error && (
        <p role="alert" className="font-bold">
          {change.error.message}
        </p>
      )}
      <Button type="submit" disabled={change.isPending}>
        Change password
      </Button>
    </form>
  );
}
