import { memo, useRef, useState, type ChangeEvent, type KeyboardEvent } from "react";
import { afterPaint } from "../press/afterPaint.ts";
import { useLatest } from "../press/useLatest.ts";
import { useLeft } from "../press/useLeft.ts";

interface TextInputProps {
  readonly label: string;
  readonly value: string;
  readonly onCommit: (value: string) => void;
  readonly className?: string;
  readonly placeholder?: string;
  readonly type?: "text" | "date";
  readonly maxLength?: number;
  /** The keys that a phone shows. */
  readonly inputMode?: "decimal";
  /** Lines to show, where what is written is longer than one; 1 for a line that grows; without it one. */
  readonly lines?: number;
  /** Returns what is wrong, or null. */
  readonly check?: (value: string) => string | null;
}

export const TextField = memo(function TextField(props: TextInputProps) {
  const { label, value, onCommit, className = "", type = "text", maxLength = 500 } = props;
  const { check, lines } = props;
  const [draft, setDraft] = useState<string | null>(null);
  const escaped = useRef(false);
  const wrong = draft === null ? null : (check?.(draft) ?? null);

  const commit = (): void => {
    const taken = !escaped.current && draft !== null && draft !== value && wrong === null;
    if (taken)
      afterPaint(() => {
        onCommit(draft);
        setDraft(null);
      });
    else if (wrong === null || escaped.current) setDraft(null);
    escaped.current = false;
  };
  const { typed, left } = useLeft(commit);

  const field = {
    "aria-label": label,
    "aria-invalid": wrong !== null,
    "data-draft": draft !== null || undefined,
    value: draft ?? value,
    placeholder: props.placeholder,
    inputMode: props.inputMode,
    maxLength,
    onChange: (e: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      setDraft(e.target.value);
      typed();
      if (type === "date" && e.target.value !== value) onCommit(e.target.value);
    },
    onBlur: left,
    onKeyDown: (e: KeyboardEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      if (e.key === "Enter") {
        // A text of several lines on the screen is one line all the same.
        if (lines !== undefined) e.preventDefault();
        e.currentTarget.blur();
      }
      if (e.key === "Escape" && draft !== null) {
        e.stopPropagation();
        escaped.current = true;
        e.currentTarget.blur();
      }
    },
  };

  return (
    <span className="inline-flex max-w-full flex-col">
      {lines === undefined ? (
        <input type={type} className={`control ${className}`} {...field} />
      ) : (
        <textarea
          rows={lines}
          className={`control ${lines === 1 ? "grows" : "py-1"} ${className}`}
          {...field}
        />
      )}
      {wrong !== null && (
        <span role="alert" className="text-small font-bold">
          {wrong}
        </span>
      )}
    </span>
  );
});

/** Text that is taken when the field is left or Enter is pressed; Escape puts it back. */
export function TextInput({ onCommit, ...rest }: TextInputProps) {
  return <TextField {...rest} onCommit={useLatest(onCommit)} />;
}
