import type { Control, FieldPath, FieldValues } from "react-hook-form";
import type { Part } from "@dragonet/core";
import { PickField, namedOptions } from "../ui/forms/controlled.tsx";
import { SearchField } from "../ui/forms/SearchField.tsx";
import type { PartChoices } from "./parts.ts";

/** Words that a part is found by, where the shelf has more than can be offered at once. */
export function PartSearch({ choices }: { choices: PartChoices<Part> }) {
  if (!choices.more) return null;
  return (
    <SearchField
      label="Search the shelf"
      className="w-28"
      value={choices.words}
      onChange={choices.onWords}
    />
  );
}

interface PartPickProps<F extends FieldValues> {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly label: string;
  readonly className?: string;
  readonly choices: PartChoices<Part>;
}

/** A part of the shelf, as a field of a form. */
export function PartPick<F extends FieldValues>({ choices, ...field }: PartPickProps<F>) {
  return (
    <>
      <PartSearch choices={choices} />
      <PickField {...field} options={namedOptions(choices.parts)} />
    </>
  );
}
