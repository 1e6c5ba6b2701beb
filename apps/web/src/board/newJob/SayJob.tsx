import { Suspense, lazy, useDeferredValue, useState } from "react";
import { afterPaint } from "../../ui/press/afterPaint.ts";
import { useAskedSentence } from "./useAskedSentence.ts";

/** What reads a sentence comes when one is typed: the board is the first page. */
const SaidPreview = lazy(async () => ({
  default: (await import("./SaidPreview.tsx")).SaidPreview,
}));

const EXAMPLE = "40 W bar on its own switch and two pods with high beam on the … for …, by Friday";

/** One sentence that makes a planned job, looked over before it is made. */
export function SayJob() {
  const [text, setText] = useState("");
  /** What a sentence is read in is asked for when somebody is about to write one. */
  const [entered, setEntered] = useState(false);
  /** What was read follows what is written: the next letter does not wait for it. */
  const said = useDeferredValue(text);
  const { asked, onTaken, submit } = useAskedSentence(text);
  return (
    <form className="mb-4" onSubmit={submit}>
      <label htmlFor="say-job" className="text-small text-muted">
        Say the job in one sentence: what is added, what turns it on, on which vehicle, for whom, by
        when
      </label>
      <textarea
        id="say-job"
        rows={1}
        className="control grows block w-full"
        value={text}
        maxLength={1000}
        placeholder={EXAMPLE}
        autoComplete="off"
        enterKeyHint="go"
        onFocus={() => afterPaint(() => setEntered(true))}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          // One sentence, however many lines it takes on the screen.
          if (e.key !== "Enter") return;
          e.preventDefault();
          e.currentTarget.form?.requestSubmit();
        }}
      />
      {(entered || said.trim() !== "") && (
        <Suspense fallback={null}>
          <SaidPreview text={said} {...{ asked, onTaken }} />
        </Suspense>
      )}
    </form>
  );
}
