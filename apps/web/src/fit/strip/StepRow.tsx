import { ChevronDown, ChevronRight, Plus } from "lucide-react";
import {
  asId,
  fastenerText,
  fastenersOf,
  lockerText,
  notBackYet,
  notOffYet,
  plugsOf,
  removeStep,
  setIn,
  tightText,
  type FastenerId,
  type Job,
  type StripStep,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { PhotoStrip } from "../../photos/PhotoStrip.tsx";
import { Button } from "../../ui/Button.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput, TextInput } from "../../ui/forms/TextInput.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import { BackCount, FastenerRow } from "./FastenerRow.tsx";
import { letterOf } from "./letters.ts";
import { PatternSketch } from "../holes/PatternSketch.tsx";
import { StepPlugs } from "./StepPlugs.tsx";

const STATE_WORDS = { on: "on the vehicle", off: "off", back: "back on" } as const;

interface StepRowProps {
  readonly step: StripStep;
  readonly number: number;
  readonly back: boolean;
  readonly backLines: readonly string[];
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onRefused: (words: string) => void;
}

/** What nobody reaches while it is on: testing then knows what has to come off. */
function Covers({ step }: { step: StripStep }) {
  const { places } = useJob().vehicle;
  const edit = useEdit();
  if (places.length === 0) return null;
  return (
    <fieldset className="border-t border-hair py-1">
      <legend className="sr-only">What it covers</legend>
      <span className="text-small text-muted">Covers: </span>
      <span className="inline-flex flex-wrap gap-x-4">
        {places.map(({ id, name }) => (
          <Tick
            key={id}
            checked={step.covers.includes(id)}
            onChange={(on) =>
              edit([
                setIn(
                  "stripStep",
                  step.id,
                  "covers",
                  on ? [...step.covers, id] : step.covers.filter((other) => other !== id),
                ),
              ])
            }
          >
            {name}
          </Tick>
        ))}
      </span>
    </fieldset>
  );
}

function Details({ step, back, backLines }: Pick<StepRowProps, "step" | "back" | "backLines">) {
  const job = useJob();
  const edit = useEdit();
  const fasteners = fastenersOf(job, step.id);
  const others = job.strip.filter((s) => s.id !== step.id);
  const set = <F extends keyof StripStep>(field: F, value: StripStep[F]): void =>
    edit([setIn("stripStep", step.id, field, value)]);
  return (
    <div className="grid grid-cols-1 gap-x-8 pb-3 pl-2 md:grid-cols-[minmax(0,22rem)_minmax(0,1fr)]">
      <div>
        <PatternSketch fasteners={fasteners} />
        <PhotoStrip stepId={step.id} />
      </div>
      <div>
        {back ? (
          <>
            <ul className="list-disc pl-5">
              {backLines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
            <ul className="mt-1">
              {fasteners.map((f, k) => (
                <li
                  key={f.id}
                  className="flex flex-wrap items-center gap-x-3 border-t border-hair py-1"
                >
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
        ) : (
          <>
            <ul>
              {fasteners.map((f, k) => (
                <FastenerRow key={f.id} fastener={f} letter={letterOf(k)} />
              ))}
            </ul>
            <StepPlugs step={step} back={false} />
            <div className="flex flex-wrap gap-2 py-1">
              <Button
                look="quiet"
                onClick={() =>
                  edit([
                    {
                      kind: "add",
                      entity: "fastener",
                      at: job.fasteners.length,
                      value: {
                        id: asId<FastenerId>(mint("fastener")),
                        stepId: step.id,
                        drive: "hex",
                        size: "M6",
                        lengthMm: 20,
                        count: 1,
                        where: "",
                        spots: [{ x: 0.5, y: 0.5 }],
                        torqueNm: 0,
                        locker: "none",
                        back: 0,
                      },
                    },
                  ])
                }
              >
                <Plus size={14} aria-hidden /> Fastener
              </Button>
              <Button
                look="quiet"
                onClick={() =>
                  edit([
                    {
                      kind: "add",
                      entity: "plug",
                      at: job.plugs.length,
                      value: {
                        id: mint("plug"),
                        stepId: step.id,
                        name: "plug",
                        where: "",
                        parted: false,
                        joined: false,
                      },
                    },
                  ])
                }
              >
                <Plus size={14} aria-hidden /> Plug
              </Button>
            </div>
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair py-1">
              <Tick checked={step.hold} onChange={(v) => set("hold", v)}>
                heavy: hold by the last bolt
              </Tick>
              <Tick checked={step.paint} onChange={(v) => set("paint", v)}>
                painted: cover it
              </Tick>
            </div>
            <div className="flex flex-wrap items-center gap-2 py-1">
              <span className="text-small text-muted">
                catches, the way it moves
                <span className="block text-body text-ink">
                  <TextInput
                    label="Catches, and the way it moves"
                    value={step.catches}
                    className="w-72 max-w-full"
                    onCommit={(v) => set("catches", v)}
                  />
                </span>
              </span>
              <span className="text-small text-muted">
                forgotten on the way back
                <span className="block text-body text-ink">
                  <TextInput
                    label="What is forgotten on the way back"
                    value={step.forget}
                    className="w-72 max-w-full"
                    onCommit={(v) => set("forget", v)}
                  />
                </span>
              </span>
            </div>
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
              <span className="inline-flex items-center gap-1">
                estimate
                <NumberInput
                  label="Estimated time"
                  unit="min"
                  value={step.estimateMin}
                  max={10000}
                  className="w-14"
                  onCommit={(v) => set("estimateMin", v)}
                />
              </span>
              <span className="inline-flex items-center gap-1">
                took
                <NumberInput
                  label="Time it took"
                  unit="min"
                  value={step.tookMin}
                  max={10000}
                  className="w-14"
                  onCommit={(v) => set("tookMin", v)}
                />
              </span>
              <RemoveButton what={step.name} onClick={() => edit(removeStep(job, step.id))} />
            </div>
            <Covers step={step} />
            {others.length > 0 && (
              <fieldset className="border-t border-hair py-1">
                <legend className="sr-only">What has to be off before it</legend>
                <span className="text-small text-muted">Comes off after: </span>
                <span className="inline-flex flex-wrap gap-x-4">
                  {others.map((other) => (
                    <Tick
                      key={other.id}
                      checked={step.after.includes(other.id)}
                      onChange={(on) =>
                        set(
                          "after",
                          on
                            ? [...step.after, other.id]
                            : step.after.filter((id) => id !== other.id),
                        )
                      }
                    >
                      {other.name}
                    </Tick>
                  ))}
                </span>
              </fieldset>
            )}
          </>
        )}
      </div>
    </div>
  );
}

/** What to do for a step on the way off, for paper: nobody opens a line there. */
const offLines = (job: Job, step: StripStep): string[] => [
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
            {count > 0 && `${count} fasteners`}
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
          {done ? "Undo" : back ? "Back on" : "Off"}
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
          <Details step={step} back={back} backLines={props.backLines} />
        </div>
      )}
    </li>
  );
}
