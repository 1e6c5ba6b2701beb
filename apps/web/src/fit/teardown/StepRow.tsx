import { ChevronDown, ChevronRight } from "lucide-react";
import {
  type Job,
  type TeardownStep,
  counted,
  fastenerText,
  fastenersOf,
  notBackYet,
  notOffYet,
  plugsOf,
  setIn,
} from "@dragonet/core";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { StepDetails } from "./StepDetails.tsx";

const STATE_WORDS = { on: "on the vehicle", off: "taken off", back: "back on" } as const;

interface StepRowProps {
  readonly step: TeardownStep;
  readonly number: number;
  readonly back: boolean;
  readonly backLines: readonly string[];
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onRefused: (words: string) => void;
}

/** What to do for a step on the way off, for paper: nobody opens a line there. */
const offLines = (job: Job, step: TeardownStep): string[] => [
  ...(step.paint ? ["cover the paint"] : []),
  ...plugsOf(job, step.id).map((p) => `part the plug: ${p.name}, ${p.where}`.replace(/, $/, "")),
  ...fastenersOf(job, step.id).map((f) => `${f.count} of ${fastenerText(f)}`),
  ...(step.hold ? ["heavy: hold it by the last bolt"] : []),
  ...(step.catches === "" ? [] : [`catches: ${step.catches}`]),
];

/** One step of the ledger as a line that opens; its button says what is in the way. */
export function StepRow(props: StepRowProps) {
  const { step, number, back, open, onOpen, onRefused } = props;
  const job = useJob();
  const edit = useEdit();
  const way = back ? notBackYet(job, step) : notOffYet(job, step);
  const count = fastenersOf(job, step.id).reduce((sum, f) => sum + f.count, 0);
  const target = back ? "back" : "off";
  const done = back ? step.state === "back" : step.state !== "on";
  /** Nothing goes back on that never came off. */
  const never = back && step.state === "on";
  const turn = (): void => {
    if (done) {
      edit([setIn("stripStep", step.id, "state", back ? "off" : "on")]);
      return;
    }
    if (way.length > 0) {
      onRefused(`${step.name}: ${way[0]}`);
      return;
    }
    edit([setIn("stripStep", step.id, "state", target)]);
  };
  const Mark = open ? ChevronDown : ChevronRight;
  return (
    <li className="border-t border-hair">
      <div className="flex flex-wrap items-center gap-x-3 py-1">
        <button
          type="button"
          aria-expanded={open}
          className="touch inline-flex min-h-8 min-w-0 flex-1 items-center gap-2 text-left max-md:basis-full"
          onClick={onOpen}
        >
          <Mark size={16} aria-hidden className="no-print shrink-0 text-accent" />
          <span className="num w-5 text-muted">{number}</span>
          <span className={step.state === "on" ? "font-bold" : ""}>{step.name}</span>
          <span className="text-small text-muted">
            {count > 0 && counted(count, "fastener")}
            {step.hold && ", heavy"}
            {step.paint && ", painted"}
            {step.estimateMin > 0 && `, ${step.estimateMin} min`}
          </span>
        </button>
        {!done && !never && way.length > 0 && (
          <span className="no-print max-w-80 text-small text-muted max-md:w-full max-md:max-w-none">
            {way[0]}
          </span>
        )}
        <span className="w-24 text-small">{STATE_WORDS[step.state]}</span>
        <Button
          className="no-print w-24"
          look={done ? "plain" : way.length > 0 ? "plain" : "main"}
          disabled={never}
          onClick={turn}
        >
          {done ? "Undo" : back ? "Put back" : "Take off"}
        </Button>
      </div>
      <ul className="hidden pb-2 pl-12 print:block">
        {(back ? props.backLines : offLines(job, step)).map((line) => (
          <li key={line}>
            <span className="mr-2 inline-block size-3 border border-edge" aria-hidden />
            {line}
          </li>
        ))}
      </ul>
      {open && (
        <div className="no-print">
          <StepDetails step={step} back={back} backLines={props.backLines} />
        </div>
      )}
    </li>
  );
}
