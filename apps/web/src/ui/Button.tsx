import type { ButtonHTMLAttributes, Ref } from "react";
import { afterPaint } from "./press/afterPaint.ts";

type Look = "main" | "plain" | "quiet";

const LOOKS: Readonly<Record<Look, string>> = {
  main: "bg-accent text-on-accent border-accent font-bold",
  plain: "bg-paper text-accent border-accent",
  quiet: "bg-transparent text-accent border-transparent underline-offset-4 hover:underline",
};

export interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: Look;
  readonly ref?: Ref<HTMLButtonElement>;
  /** What it does is long to draw: done when the press itself is on the screen. */
  readonly onPressed?: () => void;
}

export function Button({
  look = "plain",
  className = "",
  type = "button",
  onPressed,
  ...rest
}: ButtonProps) {
  return (
    <button
      type={type}
      className={`touch inline-flex min-h-8 items-center justify-center gap-1.5 rounded-control border px-3 disabled:border-hair disabled:bg-sunk disabled:text-muted ${LOOKS[look]} ${className}`}
      {...(onPressed && { onClick: () => afterPaint(onPressed) })}
      {...rest}
    />
  );
}
