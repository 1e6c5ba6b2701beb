import { useRef } from "react";
import { Button } from "../Button.tsx";

interface FileButtonProps {
  readonly label: string;
  readonly accept: string;
  readonly onText?: (text: string) => void;
  /** The file itself, for those too long to be held as one text. */
  readonly onFile?: (file: File) => void;
  readonly disabled?: boolean;
}

/** Chooses a file and hands on its text, or the file. */
export function FileButton({ label, accept, onText, onFile, disabled = false }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        tabIndex={-1}
        className="sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (!file) return;
          onFile?.(file);
          if (onText) void file.text().then(onText);
        }}
      />
    </>
  );
}
