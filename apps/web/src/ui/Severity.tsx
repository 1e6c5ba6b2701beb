import type { Severity } from "@dragonet/core";

const WORDS: Readonly<Record<Severity, string>> = { stop: "Stop", fix: "Fix", note: "Note" };

/** Severity as a shape and a word, not a colour: filled, half filled, outline. */
export function SeverityMark({ severity, word = true }: { severity: Severity; word?: boolean }) {
  return (
    <span className="inline-flex items-center gap-1 font-bold">
      <svg width="14" height="14" viewBox="0 0 14 14" role="img" aria-label={WORDS[severity]}>
        {severity === "stop" && (
          <path
            d="M4.2 .8h5.6l3.4 3.4v5.6l-3.4 3.4H4.2L.8 9.8V4.2z"
            fill="currentColor"
            stroke="currentColor"
          />
        )}
        {severity === "fix" && (
          <>
            <rect
              x="1"
              y="1"
              width="12"
              height="12"
              fill="none"
              stroke="currentColor"
              strokeWidth="1.6"
            />
            <rect x="1" y="7" width="12" height="6" fill="currentColor" />
          </>
        )}
        {severity === "note" && (
          <circle cx="7" cy="7" r="5.6" fill="none" stroke="currentColor" strokeWidth="1.6" />
        )}
      </svg>
      {word && <span aria-hidden>{WORDS[severity]}</span>}
    </span>
  );
}

export const severityWord = (severity: Severity): string => WORDS[severity];
