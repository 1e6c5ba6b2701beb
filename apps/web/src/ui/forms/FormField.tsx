import type { InputHTMLAttributes, Ref } from "react";
import { useId } from "react";

interface FormFieldProps extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly wrong?: string | undefined;
  readonly hint?: string;
  readonly ref?: Ref<HTMLInputElement>;
}

/** A labelled field of a form, with what is wrong beneath it. */
export function FormField({ label, wrong, hint, ref, className = "", ...rest }: FormFieldProps) {
  const id = useId();
  const about = wrong ? `${id}-wrong` : hint ? `${id}-hint` : undefined;
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-bold">
        {label}
      </label>
      <input
        id={id}
        ref={ref}
        aria-invalid={wrong !== undefined}
        aria-describedby={about}
        className={`control w-full ${className}`}
        {...rest}
      />
      {hint && !wrong && (
        <span id={`${id}-hint`} className="text-small text-muted">
          {hint}
        </span>
      )}
      {wrong && (
        <span id={`${id}-wrong`} role="alert" className="text-small font-bold">
          {wrong}
        </span>
      )}
    </div>
  );
}
