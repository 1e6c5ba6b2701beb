import {
  type TeardownStep,
  fastenerText,
  fastenersOf,
  lockerText,
  tightText,
} from "@dragonet/core";
import { useJob } from "../../job/store/jobStore.ts";
import { PhotoStrip } from "../../photos/PhotoStrip.tsx";
import { PatternSketch } from "./PatternSketch.tsx";
import { BackCount, FastenerRow } from "./FastenerRow.tsx";
import { letterOf } from "./letters.ts";
import { StepPlugs } from "./StepPlugs.tsx";
import { AddToStep, ComesOffAfter, Covers, StepFields } from "./StepFields.tsx";

interface StepDetailsProps {
  readonly step: TeardownStep;
  readonly back: boolean;
  readonly backLines: readonly string[];
}

/** A step on its way back: what goes on again, in which order, with which pieces. */
function StepBack({ step, backLines }: Omit<StepDetailsProps, "back">) {
  const fasteners = fastenersOf(useJob(), step.id);
  return (
    <>
      <ul className="list-disc pl-5">
        {backLines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <ul className="mt-1">
        {fasteners.map((f, k) => (
          <li key={f.id} className="flex flex-wrap items-center gap-x-3 border-t border-hair py-1">
            <span className="w-4 font-bold" aria-hidden>
              {letterOf(k)}
            </span>
            <span className="min-w-40 flex-1">
              {fastenerText(f)}
              <span className="block text-small text-muted">
                {[tightText(f), lockerText(f)].filter((w) => w !== "").join(", ")}
              </span>
            </span>
            <BackCount fastener={f} />
          </li>
        ))}
      </ul>
      <StepPlugs step={step} back />
    </>
  );
}

/** A step on its way off: its fasteners and plugs, and what is to be known of it. */
function StepOff({ step }: { step: TeardownStep }) {
  const fasteners = fastenersOf(useJob(), step.id);
  return (
    <>
      <ul>
        {fasteners.map((f, k) => (
          <FastenerRow key={f.id} fastener={f} letter={letterOf(k)} />
        ))}
      </ul>
      <StepPlugs step={step} back={false} />
      <AddToStep step={step} />
      <StepFields step={step} />
      <Covers step={step} />
      <ComesOffAfter step={step} />
    </>
  );
}

/** An open step: its pattern and pictures, and what is done. */
export function StepDetails({ step, back, backLines }: StepDetailsProps) {
  const fasteners = fastenersOf(useJob(), step.id);
  return (
    <div className="grid grid-cols-1 gap-x-8 pb-3 pl-2 md:grid-cols-[minmax(0,22rem)_minmax(0,1fr)]">
      <div>
        <PatternSketch fasteners={fasteners} />
        <PhotoStrip stepId={step.id} />
      </div>
      <div>{back ? <StepBack step={step} backLines={backLines} /> : <StepOff step={step} />}</div>
    </div>
  );
}
