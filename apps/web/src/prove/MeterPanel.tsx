import { useState } from "react";
import { useQuery } from "@tanstack/react-query";
import { SEEN_LEVELS, seenRank } from "@dragonet/core";
import type { MeterAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import type { ShownStep } from "../worker/proving.ts";
import { expectedWords, valueText } from "./StepLine.tsx";
import { useMeter, type MeterState } from "./useMeter.ts";
import type { Readings } from "./useReadings.ts";

function Shown({ step, state }: { step: ShownStep; state: MeterState }) {
  switch (state.kind) {
    case "waiting":
      return <span className="text-muted">…</span>;
    case "reads":
      return state.value === null ? (
        <span>nothing that can be read</span>
      ) : (
        <span>{valueText(step, state.value)}</span>
      );
    case "trouble":
      return (
        <span role="alert" className="text-body font-bold">
          {state.message}
        </span>
      );
  }
}

/** The step that is next by the meter: what it shows, and the press that takes it. */
function OnStep({
  step,
  readings,
  onSkip,
}: {
  step: ShownStep;
  readings: Readings;
  onSkip: () => void;
}) {
  const state = useMeter(step.id);
  const refused = readings.refused.get(step.id);
  const take = (): void => {
    if (state.kind !== "reads" || state.value === null) return;
    const seen = step.choices.length > 0 ? SEEN_LEVELS[seenRank(state.value)] : state.value;
    readings.take(step.id, seen);
  };
  return (
    <div>
      <p className="text-small text-muted">With {step.controls}</p>
      <p className="font-bold">{step.words}</p>
      <p className="text-small">should be {expectedWords(step)}</p>
      <p className="num my-1 text-loud">
        <Shown step={step} state={state} />
      </p>
      {refused !== undefined && (
        <p role="alert" className="font-bold">
          {refused}
        </p>
      )}
      <div className="flex gap-2">
        <Button
          look="main"
          disabled={state.kind !== "reads" || state.value === null}
          onClick={take}
        >
          Take it
        </Button>
        <Button look="quiet" onClick={onSkip}>
          Another step
        </Button>
      </div>
    </div>
  );
}

/** The test by a meter that streams: the next step that is not read, its figure as it comes. */
export function MeterPanel({
  steps,
  proposed,
  readings,
}: {
  steps: readonly ShownStep[];
  /** What a diagnosis would look at next: before the script goes on. */
  proposed: readonly ShownStep[];
  readings: Readings;
}) {
  const [skipped, setSkipped] = useState<readonly string[]>([]);
  const { data, error } = useQuery({
    queryKey: ["meter"],
    queryFn: () => ask<MeterAnswer>("meter"),
    retry: false,
    gcTime: 0,
  });
  const open = [...proposed, ...steps].filter((step) => !readings.latest.has(step.id));
  const next = open.find((step) => !skipped.includes(step.id)) ?? open[0];
  return (
    <section
      aria-label="By the meter"
      className="no-print mb-3 border-l-4 border-accent bg-sunk p-3"
    >
      {error ? (
        <p role="alert">{error.message}</p>
      ) : !data ? (
        <p>Looking for the meter …</p>
      ) : (
        <>
          <p className="text-small text-muted">
            {data.name.split(",").slice(0, 2).join(", ")}, at {data.address}
          </p>
          {next ? (
            <OnStep
              key={next.id}
              step={next}
              readings={readings}
              onSkip={() => setSkipped([...skipped.filter((id) => id !== next.id), next.id])}
            />
          ) : (
            <p>Every step is read.</p>
          )}
        </>
      )}
    </section>
  );
}
