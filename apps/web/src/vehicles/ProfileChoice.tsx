import { Choice } from "../ui/forms/Choice.tsx";
import { SearchField } from "../ui/forms/SearchField.tsx";
import type { ProfileChoices } from "./vehicles.ts";

interface ProfileChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly choices: ProfileChoices;
  /** What stands there while none is chosen; without it one always is. */
  readonly none?: string;
  readonly className?: string;
  readonly onChange: (profileId: string) => void;
}

/** A vehicle profile of the shop, found by words where there are more than can be offered at once. */
export function ProfileChoice({ label, value, choices, none, ...rest }: ProfileChoiceProps) {
  return (
    <>
      {choices.more && (
        <SearchField
          label="Search vehicles"
          className="w-28"
          value={choices.words}
          onChange={choices.onWords}
        />
      )}
      <Choice<string>
        {...rest}
        label={label}
        value={value}
        options={[
          ...(none === undefined ? [] : [{ value: "", label: none }]),
          ...choices.profiles.map((v) => ({ value: v.profileId, label: v.model })),
        ]}
      />
    </>
  );
}
