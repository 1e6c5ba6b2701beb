import { useCallback } from "react";
import {
  counted,
  measured,
  takeKnown,
  vehicleFacts,
  type BoundedValue,
  type Job,
  type Known,
} from "@dragonet/core";
import type { VehicleEditing } from "../vehicles/editing.ts";
import { Machines } from "../vehicles/known/KnownFacts.tsx";
import { inShort, useKnown } from "../vehicles/known/known.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { Button } from "../ui/Button.tsx";
import { FactFields } from "../ui/forms/FactRow.tsx";
import { Section } from "../ui/page/Section.tsx";
import { planner } from "../worker/port/planner.ts";

/** Things asked for at once: who has measured these is asked for the next ones. */
const MOST_ASKED = 4;

const sisters = ({ measurements, next, unit }: Known): string =>
  `${counted(measurements.length, "machine")} of the model${next ? `: ${inShort(next.low)} to ${inShort(next.high)} ${unit}` : ""}`;

/** A number that is typed here was measured, whatever it was known by before. */
const asRead = (before: BoundedValue, now: BoundedValue): BoundedValue =>
  now.value !== before.value && now.provenance === before.provenance ? measured(now.value) : now;

/**
 * What is worth measuring on this vehicle, the most first: what narrows a verdict. Everything else can wait, or
 * stays as it is known from other machines of the model.
 */
export function WhatMatters({ job, edit, canEdit }: VehicleEditing) {
  const worth = useOfJob(useCallback((of: Job) => planner().worthMeasuring(of), []));
  const known = useKnown(job.vehicle);
  const facts = new Map(vehicleFacts(job.vehicle).map((fact) => [fact.key, fact]));
  const byKey = new Map((known ?? []).map((one) => [one.key, one]));
  const takes = takeKnown(job.vehicle, known ?? []);
  const rows = (worth ?? []).slice(0, MOST_ASKED).flatMap((one) => {
    const fact = facts.get(one.key);
    return fact ? [{ ...one, ...fact }] : [];
  });
  return (
    <Section
      title="What to measure first"
      about={
        rows.length === 0 && worth !== null
          ? "No verdict hangs on anything that is not measured."
          : "What narrows a verdict most, worked out for this job. The rest can wait."
      }
      action={
        canEdit &&
        takes.length > 0 && (
          <Button onClick={() => edit(takes)}>
            Take {counted(takes.length, "value")} from other machines
          </Button>
        )
      }
    >
      <ol aria-label="What to measure first" aria-busy={worth === null}>
        {rows.map(({ key, words, unit, fact, set, verdict, share }) => {
          const others = byKey.get(key);
          return (
            <li key={key} className="border-b border-hair py-1">
              <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
                <span className="w-56 shrink-0 font-bold first-letter:uppercase">{words}</span>
                <FactFields
                  label={`To measure: ${words}`}
                  unit={unit}
                  fact={fact}
                  disabled={!canEdit}
                  onChange={(value) => edit([set(asRead(fact, value))])}
                />
              </div>
              <p className="text-small text-muted">
                {Math.round(100 * share)} % of the doubt about {verdict}
              </p>
              {others && others.measurements.length > 0 && (
                <details className="text-small text-muted">
                  <summary className="touch cursor-pointer">{sisters(others)}</summary>
                  <Machines known={others} />
                </details>
              )}
            </li>
          );
        })}
      </ol>
      {/* Room for what is still worked out: nothing below jumps away under a finger. */}
      {worth === null && <div data-testid="room" style={{ height: `${MOST_ASKED * 4}rem` }} />}
    </Section>
  );
}
