import { Pause, Play, SkipForward } from "lucide-react";
import { useMemo, useState } from "react";
import {
  TURN_PRINCIPLES,
  decimal,
  inputWord,
  type Edit,
  type Input,
  type SignalTrace,
  type TurnFacts,
  setOnce,
} from "@dragonet/core";
import { useCanEdit } from "../base/session.ts";
import { INPUT_KEYS } from "../bench/controls.ts";
import { inHousings } from "../bench/inHousings.ts";
import { VehicleViews } from "../bench/VehicleViews.tsx";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { PlaceFindings } from "../job/PlaceFindings.tsx";
import { usePlan } from "../job/usePlan.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { FactRow } from "../ui/forms/FactRow.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Empty, Loading } from "../ui/page/states.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { useLeft } from "../ui/press/useLeft.ts";
import { BusSection, ModuleSection } from "./BusSection.tsx";
import { SeenByVehicle } from "./SeenByVehicle.tsx";
import { TimeDiagrams } from "./TimeDiagrams.tsx";
import { useClock, type Clock } from "./useClock.ts";
import { scriptOf, usePlay } from "./usePlay.ts";
import { Rates } from "./Rates.tsx";
import { Remedies } from "./Remedies.tsx";

const once = <F extends keyof TurnFacts>(field: F, value: TurnFacts[F]): Edit =>
  setOnce("turn", field, value);

/** Lamps as they shine at a moment, for the views of the vehicle. */
const lampsAt = (trace: SignalTrace, atS: number) =>
  trace.lamps.map((lamp) => {
    let level = 0;
    for (const step of lamp.steps) {
      if (step.atS > atS + 1e-9) break;
      level = step.level;
    }
    return { ...lamp, family: lamp.light === "none" ? "other" : "lamp", level };
  });

function nextEvent(trace: SignalTrace, atS: number): number {
  const times = [
    ...trace.events.map((e) => e.atS),
    ...trace.lamps.flatMap((lamp) => lamp.steps.map((s) => s.atS)),
  ];
  const later = times.filter((t) => t > atS + 1e-6);
  return later.length > 0 ? Math.min(...later) : trace.endS;
}

function Transport({ trace, clock }: { trace: SignalTrace; clock: Clock }) {
  return (
    <div className="flex flex-wrap items-center gap-2 py-1">
      <Button onClick={clock.playing ? clock.pause : clock.play}>
        {clock.playing ? <Pause size={15} aria-hidden /> : <Play size={15} aria-hidden />}
        {clock.playing ? "Pause" : "Play"}
      </Button>
      <Button onClick={() => clock.seek(nextEvent(trace, clock.atS))}>
        <SkipForward size={15} aria-hidden /> Next event
      </Button>
      <label className="inline-flex flex-1 items-center gap-2">
        <span className="sr-only">Time</span>
        <input
          type="range"
          min={0}
          max={trace.endS}
          step={0.01}
          value={clock.atS}
          className="touch min-w-40 flex-1 accent-accent"
          aria-valuetext={`${decimal(clock.atS, 1)} seconds`}
          onChange={(e) => clock.seek(Number(e.target.value))}
        />
      </label>
      <span className="num w-16 text-right">{clock.atS.toFixed(2)} s</span>
    </div>
  );
}

/** Controls that write themselves into the script at the time that stands. */
function Pads({ inputs, clock }: { inputs: readonly Input[]; clock: Clock }) {
  const job = useJob();
  const edit = useEdit();
  const text = scriptOf(job.signals.script);
  const on = new Set<string>();
  for (const raw of text.split("\n")) {
    const [time = "", name = "", value = ""] = raw.trim().split(/\s+/);
    if (time === "" || Number(time) > clock.atS) continue;
    if (value === "on") on.add(name);
    if (value === "off") on.delete(name);
  }
  const press = (input: Input): void => {
    const at = clock.atS.toFixed(2);
    const line = `${at} ${input} ${on.has(input) ? "off" : "on"}`;
    const lines = text.split("\n").filter((l) => l.trim() !== "");
    // What was written later for this control would contradict it: it goes.
    const kept = lines.filter((l) => {
      const [time = "", name = ""] = l.trim().split(/\s+/);
      return !(name === input && Number(time) >= clock.atS);
    });
    const sorted = [...kept, line].sort(
      (a, b) => Number(a.trim().split(/\s+/)[0]) - Number(b.trim().split(/\s+/)[0]),
    );
    edit([
      {
        kind: "setOnce",
        entity: "signals",
        field: "script",
        value: `${sorted.join("\n")}\n`,
      },
    ]);
  };
  return (
    <div role="group" aria-label="Press now" className="flex flex-wrap items-center gap-1 py-1">
      <span className="text-small text-muted">Press at this time:</span>
      {inputs.map((input) => (
        <button
          key={input}
          type="button"
          aria-pressed={on.has(input)}
          className={`touch inline-flex min-h-7 items-center gap-1.5 rounded-control border px-2 text-small ${on.has(input) ? "border-accent bg-accent text-on-accent" : "border-edge bg-paper"}`}
          onClick={() => press(input)}
        >
          {inputWord(input)}
          <kbd aria-hidden className="sr-only">
            {INPUT_KEYS[input as Exclude<Input, "switch">]}
          </kbd>
        </button>
      ))}
    </div>
  );
}

function ScriptText({ canEdit, faults }: { canEdit: boolean; faults: readonly string[] }) {
  const job = useJob();
  const edit = useEdit();
  const [draft, setDraft] = useState<string | null>(null);
  const text = scriptOf(job.signals.script);
  const { typed, left } = useLeft(() => {
    if (draft !== null && draft !== text) {
      edit([{ kind: "setOnce", entity: "signals", field: "script", value: draft }]);
    }
    setDraft(null);
  });
  return (
    <details className="my-2" open={faults.length > 0}>
      <summary className="touch cursor-pointer text-accent">The script as text</summary>
      <p className="text-small text-muted">
        One event a line: seconds, control, on or off. A circuit’s own switch by its id; “speed 45”
        in km/h; “end”.
      </p>
      <textarea
        aria-label="Script of the controls"
        className="control num mt-1 h-44 w-full max-w-md"
        value={draft ?? text}
        disabled={!canEdit}
        spellCheck={false}
        onChange={(e) => {
          setDraft(e.target.value);
          typed();
        }}
        onBlur={left}
      />
      {faults.length > 0 && (
        <ul role="alert" className="font-bold">
          {faults.map((f) => (
            <li key={f}>{f}</li>
          ))}
        </ul>
      )}
    </details>
  );
}

const PRINCIPLE_WORDS: Readonly<Record<TurnFacts["principle"], string>> = {
  thermal: "a thermal two-pin flasher",
  electronic: "an electronic flasher that tells a dead bulb",
  indifferent: "a flasher for any load",
  bus: "the vehicle itself, over its bus",
};

function Turn({ turn, canEdit }: { turn: TurnFacts; canEdit: boolean }) {
  const edit = useEdit();
  return (
    <Section title="What makes it flash">
      <div className="border-b border-hair py-1">
        <Choice
          label="What makes it flash"
          value={turn.principle}
          disabled={!canEdit}
          className="w-full"
          options={TURN_PRINCIPLES.map((value) => ({ value, label: PRINCIPLE_WORDS[value] }))}
          onChange={(value) => edit([once("principle", value)])}
        />
      </div>
      <div className="flex flex-wrap items-baseline gap-3 border-b border-hair py-1">
        <span className="w-44 shrink-0">Wants at least</span>
        <NumberInput
          label="Load it wants a side"
          unit="A"
          value={turn.leastA}
          max={100}
          onCommit={(v) => edit([once("leastA", v)])}
        />
      </div>
      <FactRow
        label="Factory bulbs a side, as it came"
        unit="W"
        fact={turn.bulbW}
        disabled={!canEdit}
        onChange={(v) => edit([once("bulbW", v)])}
      />
      <FactRow
        label="Flashes a minute"
        unit=""
        fact={turn.ratePerMin}
        disabled={!canEdit}
        onChange={(v) => edit([once("ratePerMin", v)])}
      />
    </Section>
  );
}

/** What each lamp will do over time, whether it is a proper flash, and what to do about it. */
export function SignalsPage() {
  const job = useJob();
  const canEdit = useCanEdit();
  const plan = usePlan();
  const report = usePlay();
  const trace = report?.ok ? report.trace : null;
  const clock = useClock(trace?.endS ?? 1);
  const shown = useMemo(() => (trace ? lampsAt(trace, clock.atS) : []), [trace, clock.atS]);
  if (!report || !plan) return <Loading what="the signals" />;
  if (job.runs.length === 0) {
    return (
      <div className="p-4">
        <Empty title="No lamps yet">
          Add circuits at stage 3; what they do over time is shown here.
        </Empty>
      </div>
    );
  }
  const faults = report.ok ? [] : report.faults.map((f) => `${f.path}: ${f.message}`);
  return (
    <div className="mx-auto grid w-full max-w-7xl grid-cols-1 gap-x-10 p-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0">
        {trace && (
          <section aria-label="Signals in time">
            <Transport trace={trace} clock={clock} />
            {canEdit && <Pads inputs={plan.controls.inputs} clock={clock} />}
            <TimeDiagrams job={job} trace={trace} atS={clock.atS} onSeek={clock.seek} />
          </section>
        )}
        <ScriptText canEdit={canEdit} faults={faults} />
        {report.ok && <SeenByVehicle seen={report.seen} />}
        {report.ok && <Remedies remedies={report.remedies} canEdit={canEdit} />}
        {report.ok && trace && <Rates trace={trace} measures={report.measures} job={job} />}
      </div>
      <div>
        {trace && (
          <VehicleViews
            lamps={inHousings(shown, job.lamps)}
            kind={job.vehicle.kind}
            size={job.vehicle.size}
            mounts={job.mounts}
          />
        )}
        {job.vehicle.turn && <Turn turn={job.vehicle.turn} canEdit={canEdit} />}
        <PlaceFindings rule="place-asks" />
        <ModuleSection canEdit={canEdit} />
        <BusSection canEdit={canEdit} />
      </div>
    </div>
  );
}
