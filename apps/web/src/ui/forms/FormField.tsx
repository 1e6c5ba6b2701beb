import type { InputHTMLAttributes, ReactNode, Ref, TextareaHTMLAttributes } from "react";
import { useId } from "react";

interface Told {
  readonly label: string;
  readonly wrong?: string | undefined;
  readonly hint?: string;
}

/** What a field is called above it, and beneath it what is wrong, or what it is for. */
function Frame({
  label,
  wrong,
  hint,
  children,
}: Told & {
  readonly children: (its: {
    readonly id: string;
    readonly "aria-invalid": boolean;
    readonly "aria-describedby": string | undefined;
  }) => ReactNode;
}) {
  const id = useId();
  const about = wrong ? `${id}-wrong` : hint ? `${id}-hint` : undefined;
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-bold">
        {label}
      </label>
      {children({ id, "aria-invalid": wrong !== undefined, "aria-describedby": about })}
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

/** A labelled field of a form, with what is wrong beneath it. */
export function FormField({
  label,
  wrong,
  hint,
  className = "",
  ...rest
}: Told & InputHTMLAttributes<HTMLInputElement> & { readonly ref?: Ref<HTMLInputElement> }) {
  return (
    <Frame {...{ label, wrong, ...(hint !== undefined && { hint }) }}>
      {(its) => <input {...its} className={`control w-full ${className}`} {...rest} />}
    </Frame>
  );
}

/** The same for what is longer than a line: all of it is seen. */
export function LongField({
  label,
  wrong,
  hint,
  className = "",
  ...rest
}: Told & TextareaHTMLAttributes<HTMLTextAreaElement>) {
  return (
    <Frame {...{ label, wrong, ...(hint !== undefined && { hint }) }}>
      {(its) => (
        <textarea
          {...its}
          rows={3}
          className={`control h-auto w-full py-1 ${className}`}
          {...rest}
        />
      )}
    </Frame>
  );
}
