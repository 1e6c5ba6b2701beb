import { useState } from "react";
import { ChevronLeft, ChevronRight, Volume2 } from "lucide-react";
import { useCanEdit } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import type { ShownStep } from "../worker/proving.ts";
import { ReadingField } from "./ReadingField.tsx";
import { expectedWords, stepVerdict } from "./StepLine.tsx";
import type { Readings } from "./useReadings.ts";

const aloud = (step: ShownStep): string =>
  `With ${step.controls}: ${step.words}. It should be ${expectedWords(step)}.`;

/** One step a screen, large, for a phone at the lift; read out loud if wished. */
export function OneStep({ steps, readings }: { steps: readonly ShownStep[]; readings: Readings }) {
  const canEdit = useCanEdit();
  const firstOpen = steps.findIndex((step) => !readings.latest.has(step.id));
  const [at, setAt] = useState(Math.max(0, firstOpen));
  const step = steps[Math.min(at, steps.length - 1)];
  if (!step) return null;
  const refused = readings.refused.get(step.id);
  const verdict = stepVerdict(step, readings.latest.get(step.id));
  const speaks = "speechSynthesis" in globalThis;
  return (
    <section aria-label="Step by step" className="no-print border-b-2 border-ink pb-4">
      <p className="text-small text-muted">
        Step {at + 1} of {steps.length}
        {step.beforePanels ? ", before panels go on" : ""}
      </p>
      <p className="text-small">With {step.controls}</p>
      <p className="my-1 text-lead font-bold">{step.words}</p>
      {step.panels.length > 0 && <p className="text-small">First off: {step.panels.join(", ")}</p>}
      <p className="num">should be {expectedWords(step)}</p>
      <div className="my-3">
        <ReadingField
          key={step.id}
          step={step}
          reading={readings.latest.get(step.id)}
          disabled={!canEdit}
          onTake={(value) => readings.take(step.id, value)}
        />
      </div>
      {refused !== undefined && (
        <p role="alert" className="font-bold">
          {refused}
        </p>
      )}
      {verdict !== "" && <p className={step.off ? "font-bold" : ""}>{verdict}</p>}
      <div className="mt-3 flex gap-2">
        <Button disabled={at === 0} onClick={() => setAt(at - 1)}>
          <ChevronLeft size={18} aria-hidden /> Back
        </Button>
        <Button look="main" disabled={at >= steps.length - 1} onClick={() => setAt(at + 1)}>
          Next <ChevronRight size={18} aria-hidden />
        </Button>
        {speaks && (
          <Button
            look="quiet"
            onClick={() => {
              speechSynthesis.cancel();
              speechSynthesis.speak(new SpeechSynthesisUtterance(aloud(step)));
            }}
          >
            <Volume2 size={18} aria-hidden /> Say it
          </Button>
        )}
      </div>
    </section>
  );
}
