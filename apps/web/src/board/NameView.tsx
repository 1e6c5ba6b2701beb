import { useForm } from "react-hook-form";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { Modal } from "../ui/page/Modal.tsx";

interface NameViewProps {
  readonly onKeep: (name: string) => void;
  readonly onClose: () => void;
}

/** Asks for the name that a way to look at the board is kept by. */
export function NameView({ onKeep, onClose }: NameViewProps) {
  const { register, handleSubmit, formState } = useForm({ defaultValues: { name: "" } });
  const submit = handleSubmit(({ name }) => onKeep(name.trim()));
  return (
    <Modal open onClose={onClose} title="Keep this view">
      <form noValidate onSubmit={(e) => void submit(e)} className="flex flex-col gap-3">
        <FormField
          label="Name"
          maxLength={60}
          wrong={formState.errors.name?.message}
          {...register("name", {
            validate: (text) => text.trim() !== "" || "A word or two, to find it by.",
          })}
        />
        <Button look="main" type="submit">
          Keep
        </Button>
      </form>
    </Modal>
  );
}
