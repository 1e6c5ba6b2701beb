import { useLayoutEffect, useRef, useState } from "react";

interface Left {
  /** To be called with what is typed. */
  readonly typed: () => void;
  /** To be called when the field is left. */
  readonly left: () => void;
}

/**
 * A field is also left by being taken off the page under the cursor, by the way back or a shortcut:
 * no browser tells React of that, and what was typed would be gone.
 */
export function useLeft(take: () => void): Left {
  const latest = useRef(take);
  const waits = useRef(false);
  const [field] = useState<Left>(() => ({
    typed: () => {
      waits.current = true;
    },
    left: () => {
      waits.current = false;
      latest.current();
    },
  }));
  useLayoutEffect(() => {
    latest.current = take;
  });
  useLayoutEffect(
    () => () => {
      if (waits.current) field.left();
    },
    [field],
  );
  return field;
}
