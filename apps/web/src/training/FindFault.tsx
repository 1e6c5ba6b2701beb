import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { LEVELS, decimal, type Level } from "@dragonet/core";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Trouble } from "../ui/page/states.tsx";
import { planner } from "../worker/port/planner.ts";
import type {
  EndedExercise,
  ShownProbe,
  StartedExercise,
  TrainingGround,
} from "../worker/training.ts";
import { ProbeLog } from "./ProbeLog.tsx";
import { TryPanel } from "./TryPanel.tsx";
import { anySeed, useKeepResult } from "./training.ts";
import { LEVEL_WORDS } from "./words.ts";

function Ended({ ended, found }: { ended: EndedExercise; found: boolean }) {
  return (
    <div role="status" className="my-3 border-l-4 border-ink bg-sunk p-3">
      <p className="text-lead">
        <b>{found ? `Found: ${ended.score} of 100.` : "Not found."}</b> It was: {ended.fault}.
      </p>
      {ended.way.length === 0 ? (
        <p>What the owner said was enough to name it.</p>
      ) : (
        <>
          <p className="mt-2">
            The shortest way that is known takes {decimal(ended.bestMinutes, 1)} min:
          </p>
          <ol className="list-decimal pl-6">
            {ended.way.map(({ words, reading }) => (
              <li key={words}>
                {words}: <b>{reading}</b>
              </li>
            ))}
          </ol>
        </>
      )}
    </div>
  );
}

function NameIt({
  started,
  wrong,
  onName,
  onGiveUp,
}: {
  started: StartedExercise;
  wrong: readonly string[];
  onName: (id: string) => void;
  onGiveUp: () => void;
}) {
  const [suspect, setSuspect] = useState("");
  return (
    <div className="my-3 border-t border-ink pt-2">
      <h3 className="font-bold">What is it?</h3>
      <div className="flex flex-wrap items-center gap-3">
        <Choice
          label="Fault"
          className="w-[30rem] max-w-full"
          value={suspect}
          options={[
            { value: "", label: "name the fault" },
            ...started.suspects.map((s) => ({ value: s.id, label: s.words })),
          ]}
          onChange={setSuspect}
        />
        <Button look="main" disabled={suspect === ""} onClick={() => onName(suspect)}>
          That is it
        </Button>
        <Button look="quiet" onClick={onGiveUp}>
          Show me
        </Button>
      </div>
      {wrong.length > 0 && (
        <p role="alert" className="mt-1 font-bold">
          Not {wrong.at(-1)}: changed for nothing.
        </p>
      )}
    </div>
  );
}

function Exercise({ started }: { started: StartedExercise }) {
  const keep = useKeepResult();
  const [probes, setProbes] = useState<readonly ShownProbe[]>([]);
  const [wrong, setWrong] = useState<readonly string[]>([]);
  const [end, setEnd] = useState<{ ended: EndedExercise; found: boolean } | null>(null);
  const attempt = async (id: string): Promise<void> => {
    const probe = await planner().tryProbe(id);
    if (probe) setProbes((before) => [...before, probe]);
  };
  const finish = async (found: boolean): Promise<void> => {
    const ended = await planner().endExercise(found, wrong.length);
    if (!ended) return;
    setEnd({ ended, found });
    keep.mutate({
      ...{ topic: started.topic, right: found && wrong.length === 0, score: ended.score },
      about: `${started.title}: ${ended.fault}`.slice(0, 500),
    });
  };
  const name = async (id: string): Promise<void> => {
    if (await planner().nameFault(id)) await finish(true);
    else setWrong([...wrong, started.suspects.find((s) => s.id === id)?.words ?? ""]);
  };
  return (
    <>
      <p className="text-small text-muted">
        {started.vehicle}: {started.title}
      </p>
      <p className="my-1 text-lead">{started.complaint}</p>
      {end ? (
        <>
          <Ended {...end} />
          <ProbeLog probes={probes} />
        </>
      ) : (
        <div className="grid grid-cols-1 gap-6 lg:grid-cols-2">
          <TryPanel started={started} onTry={(id) => void attempt(id)} />
          <div>
            <ProbeLog probes={probes} />
            <NameIt
              started={started}
              wrong={wrong}
              onName={(id) => void name(id)}
              onGiveUp={() => void finish(false)}
            />
          </div>
        </div>
      )}
    </>
  );
}

/** A vehicle with a fault hidden in it: work the controls, measure, name it. */
export function FindFault({ ground }: { ground: () => Promise<TrainingGround> }) {
  const [level, setLevel] = useState<Level>("dark");
  const [started, setStarted] = useState<{ n: number; is: StartedExercise | null } | null>(null);
  const start = useMutation({
    mutationFn: async () => planner().startExercise(await ground(), level, anySeed()),
    onSuccess: (is) => setStarted((before) => ({ n: (before?.n ?? 0) + 1, is })),
  });
  return (
    <Section
      title="Find the fault"
      about="The vehicle is simulated: its own circuit, solved with a fault hidden in it. Every probe is held against the one that would have told most for its minutes."
      action={
        <span className="flex flex-wrap items-center gap-3">
          <Choice
            label="Level"
            value={level}
            options={LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
            onChange={setLevel}
          />
          <Button
            look={started ? "plain" : "main"}
            disabled={start.isPending}
            onClick={() => start.mutate()}
          >
            {started ? "Another" : "Start"}
          </Button>
        </span>
      }
    >
      {start.error && <Trouble error={start.error} onRetry={() => start.mutate()} />}
      {started?.is && <Exercise key={started.n} started={started.is} />}
      {started && !started.is && (
        <p>This job has no fault of that level that anybody would notice: choose another.</p>
      )}
    </Section>
  );
}
