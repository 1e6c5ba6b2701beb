import { Controller, type Control, type FieldPath, type FieldValues } from "react-hook-form";
import { Choice, type ChoiceOption } from "./Choice.tsx";
import { NumberInput } from "./number/NumberInput.tsx";

interface Asked<F extends FieldValues> {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly label: string;
  readonly className?: string;
}

/**
 * One of several, as a field of a form. What was chosen may not be there any more, or nothing may
 * be chosen yet: the first option stands then, and {@link chosenOf} reads it the same way.
 */
export function PickField<F extends FieldValues>({
  control,
  name,
  options,
  ...rest
}: Asked<F> & { readonly options: readonly ChoiceOption<string>[] }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Choice
          {...rest}
          value={(options.find((o) => o.value === field.value) ?? options[0])?.value ?? ""}
          options={options}
          onChange={field.onChange}
        />
      )}
    />
  );
}

/** A whole number, as a field of a form. */
export function CountField<F extends FieldValues>({
  control,
  name,
  ...rest
}: Asked<F> & { readonly unit?: string; readonly min?: number; readonly max: number }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <NumberInput
          {...rest}
          value={field.value}
          onCommit={(n) => field.onChange(Math.round(n))}
        />
      )}
    />
  );
}

/** What such a field stands for: the one with that id, or the first while none is chosen. */
export const chosenOf = <T extends { readonly id: string }>(
  all: readonly T[],
  id: string,
): T | undefined => all.find((one) => one.id === id) ?? all[0];

/** Things with a name as options of such a field. */
export const namedOptions = (
  all: readonly { readonly id: string; readonly name: string }[],
): ChoiceOption<string>[] => all.map(({ id, name }) => ({ value: id, label: name }));

/** Words that are themselves, as options of such a field. */
export const wordOptions = <T extends string>(words: readonly T[]): ChoiceOption<T>[] =>
  words.map((word) => ({ value: word, label: word }));
