import { Check, ChevronDown } from "lucide-react";
import { Select } from "radix-ui";

export interface ChoiceOption<T extends string> {
  readonly value: T;
  readonly label: string;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly ChoiceOption<T>[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
  readonly className?: string;
}

/** Radix refuses an empty value for an item; this stands for it. */
const NOTHING = "\u0000none";

/** One of several, from a list that opens. */
export function Choice<T extends string>(props: ChoiceProps<T>) {
  const { label, value, options, onChange, disabled, className = "" } = props;
  return (
    <Select.Root
      value={value === "" ? NOTHING : value}
      onValueChange={(v) => onChange((v === NOTHING ? "" : v) as T)}
      disabled={disabled ?? false}
    >
      <Select.Trigger
        aria-label={label}
        className={`control inline-flex items-center justify-between gap-1 text-left ${className}`}
      >
        <span className="truncate">
          <Select.Value />
        </span>
        <Select.Icon>
          <ChevronDown size={14} aria-hidden />
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={2}
          className="z-50 max-h-(--radix-select-content-available-height) max-w-[92vw] overflow-y-auto rounded-control border border-edge bg-paper text-ink shadow-sm"
        >
          <Select.Viewport>
            {options.map((o) => (
              <Select.Item
                key={o.value}
                value={o.value === "" ? NOTHING : o.value}
                className="touch flex min-h-8 items-center gap-2 px-2 py-1 outline-none data-highlighted:bg-accent-wash"
              >
                <span className="w-4">
                  <Select.ItemIndicator>
                    <Check size={14} aria-hidden />
                  </Select.ItemIndicator>
                </span>
                <Select.ItemText>{o.label}</Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
