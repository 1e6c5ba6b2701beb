import { isEqual } from "es-toolkit";
import { Check, ChevronDown } from "lucide-react";
import { Portal, Select } from "radix-ui";
import {
  memo,
  useRef,
  useState,
  type KeyboardEvent,
  type MouseEvent,
  type PointerEvent,
} from "react";
import { afterPaint } from "../press/afterPaint.ts";
import { byLetters } from "../press/byLetters.ts";
import { useLatest } from "../press/useLatest.ts";

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

/** Letters that follow each other faster are one word, in ms. */
const PAUSE_MS = 1000;

/** The list opens when the press is done, by a mouse as by a finger: see {@link Choice}. */
const untilReleased = (e: PointerEvent): void => {
  if (e.pointerType === "mouse") e.preventDefault();
};

interface OptionsProps<T extends string> {
  readonly options: readonly ChoiceOption<T>[];
}

function Options<T extends string>({ options }: OptionsProps<T>) {
  return (
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
              // Reached by the keyboard, as whoever looks for that asks of what scrolls.
              tabIndex={0}
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
  );
}

function Field(props: ChoiceProps<string>) {
  const { label, options, onChange, disabled, className = "" } = props;
  const [open, setOpen] = useState(false);
  /** What was picked is shown at once, and stands when it has been taken. */
  const [picked, setPicked] = useState<string | null>(null);
  const value = picked ?? props.value;
  const change = (next: boolean): void => afterPaint(() => setOpen(next));
  const pick = (v: string): void => {
    const next = v === NOTHING ? "" : v;
    setPicked(next);
    const take = (): void => {
      onChange(next);
      setPicked(null);
    };
    // The list closes first; what was picked changes the page in the frame after.
    afterPaint(() => afterPaint(take));
  };
  const typed = useRef({ text: "", at: 0 });
  /** Letters pick while the list is closed, as they do in a list of the browser's own. */
  const type = (e: KeyboardEvent<HTMLButtonElement>): void => {
    if (e.key.length !== 1 || e.ctrlKey || e.metaKey || e.altKey) return;
    const goesOn = e.timeStamp - typed.current.at < PAUSE_MS && typed.current.text !== "";
    // A space opens the list, but between two words that are typed it is one of their letters.
    const isBetween = e.key === " " && goesOn;
    if (e.key === " " && !isBetween) return;
    typed.current = { text: (goesOn ? typed.current.text : "") + e.key, at: e.timeStamp };
    const next = byLetters(options, value, typed.current.text);
    // A letter is the list's in any case, a figure when a choice begins with it: else the page's.
    if (next !== undefined || isBetween || /\p{L}/u.test(e.key)) e.preventDefault();
    if (next !== undefined && next !== value) pick(next);
  };
  const press = (e: MouseEvent<HTMLButtonElement>): void => {
    e.preventDefault();
    e.currentTarget.focus();
    change(true);
  };
  return (
    <Select.Root
      value={value === "" ? NOTHING : value}
      onValueChange={pick}
      disabled={disabled ?? false}
      open={open}
      onOpenChange={change}
    >
      <Select.Trigger
        aria-label={label}
        onPointerDown={untilReleased}
        onClick={press}
        onKeyDown={type}
        className={`control inline-flex items-center justify-between gap-1 text-left ${className}`}
      >
        <span className="min-w-0 py-0.5 break-words">
          <Select.Value>{options.find((o) => o.value === value)?.label ?? ""}</Select.Value>
        </span>
        <Select.Icon>
          <ChevronDown size={14} aria-hidden />
        </Select.Icon>
      </Select.Trigger>
      {/* A press beside the list closes it, and does nothing else. */}
      {open && <Portal.Root className="fixed inset-0 z-40" />}
      {open && <Options options={options} />}
    </Select.Root>
  );
}

/** Drawn anew when it shows something else: forms make their lists of options as they are drawn. */
const KeptField = memo(Field, isEqual);

/**
 * One of several, from a list that opens. The list is not there while it is closed: a form of forty
 * such fields would carry hundreds of lines that nobody sees. It is made after the press is painted,
 * so that a slow machine answers a press at once.
 */
export function Choice<T extends string>({ onChange, ...rest }: ChoiceProps<T>) {
  const choose = useLatest((value: string) => onChange(value as T));
  return <KeptField {...rest} onChange={choose} />;
}
