import { ChevronDown, ChevronRight, Minus, Plus } from "lucide-react";
import {
  DRIVES,
  LOCKERS,
  asId,
  driveText,
  fastenerText,
  fastenersOf,
  lockerText,
  notBackYet,
  notOffYet,
  plugsOf,
  removeStep,
  setIn,
  tightText,
  type Edit,
  type Fastener,
  type FastenerId,
  type Job,
  type StripStep,
} from "@dragonet/core";
import { mint } from "../app/mint.ts";
import { useEdit, useJob } from "../job/jobStore.ts";
import { PhotoStrip } from "../photos/PhotoStrip.tsx";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { NumberInput, TextInput } from "../ui/TextInput.tsx";
import { Tick } from "../ui/Tick.tsx";
import { PatternSketch, letterOf } from "./PatternSketch.tsx";

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

/** Counts pieces back in with a thumb. */
function BackCount({ fastener }: { fastener: Fastener }) {
  const edit = useEdit();
  const set = (back: number): void => edit([setIn("fastener", fastener.id, "back", back)]);
  const name = fastenerText(fastener);
  return (
    <span className="inline-flex items-center gap-1">
      <Button
        aria-label={`One fewer back: ${name}`}
        disabled={fastener.back === 0}
        onClick={() => set(fastener.back - 1)}
      >
        <Minus size={14} aria-hidden />
      </Button>
      <span className="num w-12 text-center font-bold">
        {fastener.back} / {fastener.count}
      </span>
      <Button
        aria-label={`One more back: ${name}`}
        disabled={fastener.back === fastener.count}
        onClick={() => set(fastener.back + 1)}
      >
        <Plus size={14} aria-hidden />
      </Button>
      <Button
        look="quiet"
        disabled={fastener.back === fastener.count}
        onClick={() => set(fastener.count)}
      >
        All
      </Button>
    </span>
  );
}

function FastenerRow({ fastener, letter }: { fastener: Fastener; letter: string }) {
  const edit = useEdit();
  const set = <F extends keyof Fastener>(field: F, value: Fastener[F]): Edit =>
    setIn("fastener", fastener.id, field, value);
  const recount = (count: number): void => {
    const spots = Array.from(
      { length: count },
      (_, i) => fastener.spots[i] ?? { x: (i + 1) / (count + 1), y: 0.5 },
    );
    const back = Math.min(fastener.back, count);
    // Fewer spots before fewer pieces, more pieces before more spots: each step is whole.
    edit(
      count < fastener.count
        ? [set("back", back), set("spots", spots), set("count", count)]
        : [set("count", count), set("spots", spots)],
    );
  };
  return (
    <li className="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-hair py-1">
      <span className="w-4 text-center font-bold" aria-hidden>
        {letter}
      </span>
      <NumberInput
        label="How many"
        value={fastener.count}
        min={1}
        max={99}
        className="w-12"
        onCommit={recount}
      />
      <Choice
        label="Drive"
        value={fastener.drive}
        className="w-32"
        options={DRIVES.map((value) => ({ value, label: driveText(value) }))}
        onChange={(value) => edit([set("drive", value)])}
      />
      <TextInput
        label="Size"
        value={fastener.size}
        placeholder="M6"
        className="w-20"
        maxLength={40}
        onCommit={(value) => edit([set("size", value)])}
      />
      <NumberInput
        label="Length"
        unit="mm"
        value={fastener.lengthMm}
        max={1000}
        className="w-14"
        onCommit={(value) => edit([set("lengthMm", value)])}
      />
      <TextInput
        label="Where it sits"
        value={fastener.where}
        placeholder="where"
        className="w-28"
        maxLength={120}
        onCommit={(value) => edit([set("where", value)])}
      />
      <NumberInput
        label="Torque, 0 for snug and a quarter turn"
        unit="N·m"
        value={fastener.torqueNm}
        max={500}
        className="w-14"
        onCommit={(value) => edit([set("torqueNm", value)])}
      />
      <Choice
        label="Thread"
        value={fastener.locker}
        className="w-32"
        options={LOCKERS.map((value) => ({
          value,
          label: value === "none" ? "dry" : value === "grease" ? "greased" : `${value} locker`,
        }))}
        onChange={(value) => edit([set("locker", value)])}
      />
      <RemoveButton
        what={fastenerText(fastener)}
        onClick={() => edit([{ kind: "remove", entity: "fastener", id: fastener.id }])}
      />
    </li>
  );
}

function Plugs({ step, back }: { step: StripStep; back: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const plugs = plugsOf(job, step.id);
  return (
    <ul>
      {plugs.map((plug) => (
        <li key={plug.id} className="flex flex-wrap items-center gap-2 border-t border-hair py-1">
          {back ? (
            <Tick
              checked={plug.joined}
              disabled={!plug.parted}
              onChange={(joined) => edit([setIn("plug", plug.id, "joined", joined)])}
            >
              joined: <b>{plug.name}</b> {plug.where}
            </Tick>
          ) : (
            <Tick
              checked={plug.parted}
              onChange={(parted) =>
                edit([
                  setIn("plug", plug.id, "parted", parted),
                  ...(parted ? [] : [setIn("plug", plug.id, "joined", false)]),
                ])
              }
            >
              parted: <b>{plug.name}</b> {plug.where}
            </Tick>
          )}
          <RemoveButton
            what={plug.name}
            onClick={() => edit([{ kind: "remove", entity: "plug", id: plug.id }])}
          />
        </li>
      ))}
    </ul>
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
            <Plugs step={step} back />
          </>
        ) : (
          <>
            <ul>
              {fasteners.map((f, k) => (
                <FastenerRow key={f.id} fastener={f} letter={letterOf(k)} />
              ))}
            </ul>
            <Plugs step={step} back={false} />
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
          className="touch inline-flex min-w-0 flex-1 items-center gap-2 text-left"
          onClick={onOpen}
        >
          <Mark size={16} aria-hidden className="shrink-0 text-accent" />
          <span className="num w-5 text-muted">{number}</span>
          <span className={step.state === "on" ? "font-bold" : ""}>{step.name}</span>
          <span className="text-small text-muted">
            {count > 0 && `${count} fasteners`}
            {step.hold && ", heavy"}
            {step.paint && ", painted"}
            {step.estimateMin > 0 && `, ${step.estimateMin} min`}
          </span>
        </button>
        {!done && way.length > 0 && (
          <span className="max-w-80 text-small text-muted">{way[0]}</span>
        )}
        <span className="w-24 text-small">{STATE_WORDS[step.state]}</span>
        <Button
          className="no-print w-24"
          look={done ? "plain" : way.length > 0 ? "plain" : "main"}
          disabled={back && step.state === "on"}
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
