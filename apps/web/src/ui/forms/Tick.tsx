import { Check } from "lucide-react";
import { Checkbox } from "radix-ui";
import { useId, useState, type ReactNode } from "react";
import { afterPaint } from "../press/afterPaint.ts";

interface TickProps {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly children: ReactNode;
  readonly disabled?: boolean;
}

/** Something that is so or not, with its words beside it: the whole line is the target. */
export function Tick({ checked, onChange, children, disabled = false }: TickProps) {
  const id = useId();
  /** It is ticked at once, and stands when that has been taken. */
  const [ticked, setTicked] = useState<boolean | null>(null);
  const tick = (next: boolean): void => {
    setTicked(next);
    afterPaint(() => {
      onChange(next);
      setTicked(null);
    });
  };
  return (
    <span className="touch inline-flex items-center gap-2">
      <Checkbox.Root
        id={id}
        checked={ticked ?? checked}
        disabled={disabled}
        onCheckedChange={(next) => tick(next === true)}
        className="touch inline-flex size-6 shrink-0 items-center justify-center rounded-control border border-edge bg-paper data-[state=checked]:border-accent data-[state=checked]:bg-accent data-[state=checked]:text-on-accent disabled:border-hair"
      >
        <Checkbox.Indicator>
          <Check size={16} aria-hidden />
        </Checkbox.Indicator>
      </Checkbox.Root>
      <label htmlFor={id} className="cursor-pointer">
        {children}
      </label>
    </span>
  );
}
