import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { progressOf, type Drill } from "@dragonet/core";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Trouble } from "../ui/page/states.tsx";
import { planner } from "../worker/port/planner.ts";
import type { TrainingGround } from "../worker/training.ts";
import { anySeed, useKeepResult, useResults } from "./training.ts";

function Question({ drill, onNext }: { drill: Drill; onNext: () => void }) {
  const keep = useKeepResult();
  const [said, setSaid] = useState<number | null>(null);
  const answer = (i: number): void => {
    setSaid(i);
    keep.mutate({
      ...{ topic: drill.kind, right: i === drill.right, score: null, about: drill.question },
    });
  };
  return (
    <div className="max-w-3xl">
      <p className="my-2 text-lead">{drill.question}</p>
      <div role="group" aria-label="Answers" className="flex flex-col items-start gap-2">
        {drill.options.map((option, i) => (
          <Button
            key={option}
            disabled={said !== null}
            aria-pressed={said === i}
            className="max-w-full text-left whitespace-normal"
            onClick={() => answer(i)}
          >
            {option}
            {said !== null && i === drill.right && <b className="ml-2">right</b>}
            {said === i && i !== drill.right && <b className="ml-2">not this one</b>}
          </Button>
        ))}
      </div>
      {said !== null && (
        <div role="status" className="mt-3 border-l-4 border-ink pl-3">
          <p>
            <b>{said === drill.right ? "Right." : `It is ${drill.options[drill.right] ?? ""}.`}</b>{" "}
            {drill.why}
          </p>
          <div className="mt-2">
            <Button look="main" autoFocus onClick={onNext}>
              Next question
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}

/** Short questions, each made from a circuit and worked out by it. */
export function Questions({ ground }: { ground: () => Promise<TrainingGround> }) {
  const { data: results } = useResults();
  const [drill, setDrill] = useState<{ readonly n: number; readonly is: Drill | null } | null>(
    null,
  );
  const next = useMutation({
    mutationFn: async () =>
      planner().nextDrill(await ground(), progressOf(results ?? []), anySeed()),
    onSuccess: (is) => setDrill((before) => ({ n: (before?.n ?? 0) + 1, is })),
  });
  return (
    <Section
      title="Questions"
      about="Made from a circuit and worked out by it, so no two are the same."
      action={
        drill === null && (
          <Button look="main" disabled={next.isPending} onClick={() => next.mutate()}>
            Ask me
          </Button>
        )
      }
    >
      {drill?.is && <Question key={drill.n} drill={drill.is} onNext={() => next.mutate()} />}
      {next.error && <Trouble error={next.error} onRetry={() => next.mutate()} />}
      {drill && !drill.is && <p>This job has nothing to ask: choose another.</p>}
    </Section>
  );
}
