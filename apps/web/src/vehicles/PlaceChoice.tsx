import type { MapPlace, PlaceId } from "@dragonet/core";
import { Choice } from "../ui/forms/Choice.tsx";

interface PlaceChoiceProps {
  readonly label: string;
  readonly places: readonly MapPlace[];
  readonly value: PlaceId | "";
  /** What it is called to be at none of them. */
  readonly none: string;
  readonly disabled: boolean;
  readonly onChange: (at: PlaceId | "") => void;
}

/** A place of the vehicle's map, or none of them. */
export function PlaceChoice({ places, none, ...rest }: PlaceChoiceProps) {
  return (
    <Choice
      {...rest}
      className="w-44"
      options={[
        { value: "" as const, label: none },
        ...places.map(({ id, name }) => ({ value: id, label: name })),
      ]}
    />
  );
}
