import { useCallback, useState } from "react";
import { toast } from "sonner";
import { readReadingsCsv, type Job } from "@dragonet/core";
import { useCanEdit } from "../base/session.ts";
import { useJob } from "../job/store/jobStore.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { Button } from "../ui/Button.tsx";
import { FileButton } from "../ui/forms/FileButton.tsx";
import { saveText } from "../ui/saveText.ts";
import { Section } from "../ui/page/Section.tsx";
import { Empty, Loading } from "../ui/page/states.tsx";
import { planner } from "../worker/port/planner.ts";
import type { Proving, ProvingGroup, ShownStep } from "../worker/proving.ts";
import { DiagnosisPanel } from "./DiagnosisPanel.tsx";
import { MeterPanel } from "./MeterPanel.tsx";
import { Mends } from "./Mends.tsx";
import { OneStep } from "./OneStep.tsx";
import { ProvedBack } from "./ProvedBack.tsx";
import { StepLine } from "./StepLine.tsx";
import { useReadings, type Readings } from "./useReadings.ts";

/** Steps in one position of the controls, in order. */
function byControls(steps: readonly ShownStep[]): [string, ShownStep[]][] {
  const groups: [string, ShownStep[]][] = [];
  for (const step of steps) {
    const last = groups.at(-1);
    if (last?.[0] === step.controls) last[1].push(step);
    else groups.push([step.controls, [step]]);
  }
  return groups;
}

function Cautions() {
  return (
    <p className="mb-3 border-l-4 border-ink pl-3 text-small">
      Fuses out and the battery's negative off before anything is changed. Tips in with one hand
      where a pack is above 60 V, and only by who is trained for it. In gear, chocked, and with
      nobody in front of a wheel when a control is tried. An engine runs outdoors only. The maker's
      manual and local rules come first.
    </p>
  );
}

function StepsByControls({ steps, readings }: { steps: readonly ShownStep[]; readings: Readings }) {
  return byControls(steps).map(([controls, own]) => (
    <div key={controls} className="mb-3">
      <h3 className="mt-2 font-bold">With {controls}</h3>
      <ul>
        {own.map((step) => (
          <StepLine key={step.id} step={step} readings={readings} />
        ))}
      </ul>
    </div>
  ));
}

function GroupTest({ group, readings }: { group: ProvingGroup; readings: Readings }) {
  return (
    <>
      <StepsByControls steps={group.steps} readings={readings} />
      {group.more.length > 0 && (
        <div className="mb-3">
          <h3 className="mt-2 font-bold">Read beside the script</h3>
          <ul>
            {group.more.map((step) => (
              <StepLine
                key={step.id}
                step={{ ...step, words: `${step.words}, with ${step.controls}` }}
                readings={readings}
              />
            ))}
          </ul>
        </div>
      )}
      {group.diagnosis && <DiagnosisPanel diagnosis={group.diagnosis} readings={readings} />}
      {group.hidden.length > 0 && (
        <details className="text-small text-muted">
          <summary>
            These steps tell {group.told} faults from sound; {group.hidden.length} change nothing
            that can be reached
          </summary>
          <ul>
            {group.hidden.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

/** How far the test is, in words. */
function progressOf(steps: readonly ShownStep[], readings: Readings): string {
  const done = steps.filter((step) => readings.latest.has(step.id)).length;
  const off = steps.filter((step) => step.off === true).length;
  const said = `${done} of ${steps.length} steps read or left out`;
  if (off > 0) return `${said}, ${off} off`;
  return done === steps.length ? `${said}: proven` : said;
}

/** Stage 6: what is measured on the vehicle before it gets its panels back. */
export function ProvePage() {
  const job = useJob();
  const canEdit = useCanEdit();
  const readings = useReadings();
  const [byMeter, setByMeter] = useState(false);
  const proving = useOfJob<Proving>(useCallback((of: Job) => planner().proving(of), []));
  if (!proving) return <Loading what="the test script" />;
  const steps = [...proving.first, ...proving.groups.flatMap((group) => group.steps)];
  const proposed = proving.groups.flatMap(({ diagnosis }) => diagnosis?.next ?? []);
  if (steps.length === 0) {
    return (
      <div className="p-4">
        <Empty title="Nothing to test yet">The circuit has no lamps: add some on the bench.</Empty>
      </div>
    );
  }
  const take = async (file: File): Promise<void> => {
    const read = readReadingsCsv(await file.text());
    if (!read.ok) {
      toast.error(read.faults.map((f) => `line ${f.line}: ${f.message}`).join("; "));
      return;
    }
    const amiss = await readings.takeAll(read.value);
    for (const message of amiss) toast.error(`Not taken: ${message}`, { duration: 10_000 });
    toast.success(`${read.value.length - amiss.length} readings taken in`);
  };
  return (
    <div className="mx-auto w-full max-w-5xl p-4">
      <Section
        title="Test on the vehicle"
        about={progressOf(steps, readings)}
        action={
          <span className="no-print flex flex-wrap items-center gap-3">
            <Button look="quiet" onClick={() => window.print()}>
              Print form
            </Button>
            <Button
              look="quiet"
              onClick={() => saveText(`${job.card.title} test.csv`, "text/csv", proving.csv)}
            >
              CSV out
            </Button>
            {canEdit && (
              <Button look="quiet" aria-pressed={byMeter} onClick={() => setByMeter(!byMeter)}>
                By meter
              </Button>
            )}
            {canEdit && (
              <FileButton
                label="CSV in"
                accept=".csv,text/csv"
                onFile={(file) => void take(file)}
              />
            )}
          </span>
        }
      >
        <Cautions />
        {byMeter && <MeterPanel steps={steps} proposed={proposed} readings={readings} />}
        <div className="md:hidden">
          <OneStep steps={steps} readings={readings} />
        </div>
        {proving.first.length > 0 && (
          <div className="mb-3">
            <StepsByControls steps={proving.first} readings={readings} />
            {proving.first.some((step) => step.off === true && step.unit === "V") && (
              <p className="text-small font-bold">
                Charge it before the test: what is read from it tells of the battery.
              </p>
            )}
          </div>
        )}
        <Mends />
        {proving.groups.map((group) => (
          <div key={group.id} className="border-b-2 border-ink pb-3">
            <GroupTest group={group} readings={readings} />
          </div>
        ))}
      </Section>
      <ProvedBack />
    </div>
  );
}
