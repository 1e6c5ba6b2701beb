import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { toast } from "sonner";
import {
  counted,
  notClosed,
  reassembly,
  stripOrder,
  timeTaken,
  type TeardownStep,
  addAt,
} from "@dragonet/core";
import type { LedgerBeforeAnswer } from "@dragonet/contract";
import { askOrLast } from "../../base/lastAnswers.ts";
import { useCanEdit } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { useSendingPhotos } from "../../photos/PhotoStrip.tsx";
import { Button } from "../../ui/Button.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Empty } from "../../ui/page/states.tsx";
import { SayStep } from "./SayStep.tsx";
import { StepRow } from "./StepRow.tsx";

/** An empty ledger begins with the last one of the model, where there is one. */
function FromBefore() {
  const { jobId = "" } = useParams();
  const edit = useEdit();
  const { data } = useQuery({
    queryKey: ["ledger-before", jobId],
    queryFn: () => askOrLast<LedgerBeforeAnswer>(`jobs/${jobId}/ledger-before`),
  });
  const { carried } = data ?? {};
  if (!carried) {
    return <p>The first job on this model: what you write down now is there for the next.</p>;
  }
  const add = (): void => {
    edit([
      ...carried.strip.map((step, at) => addAt("stripStep", step, at)),
      ...carried.fasteners.map((fastener, at) => addAt("fastener", fastener, at)),
      ...carried.plugs.map((plug, at) => addAt("plug", plug, at)),
    ]);
  };
  return (
    <p className="flex flex-wrap items-center gap-3">
      “{data?.title}” was on the same model: {carried.strip.length} steps.
      <Button onClick={add}>Begin with its ledger</Button>
    </p>
  );
}

function Totals() {
  const job = useJob();
  const { tookMin, estimateMin } = timeTaken(job);
  const planned = job.strip.reduce((sum, s) => sum + s.estimateMin, 0);
  const off = job.strip.filter((s) => s.state === "off").length;
  return (
    <p className="text-small text-muted">
      <span className="num">{counted(job.strip.length, "step")}</span>, about{" "}
      <span className="num">{planned}</span> min.{" "}
      {tookMin > 0 && (
        <>
          Taken so far <span className="num">{tookMin}</span> min where{" "}
          <span className="num">{estimateMin}</span> were estimated.{" "}
        </>
      )}
      {off > 0 && (
        <>
          <span className="num">{off}</span> off now.
        </>
      )}
    </p>
  );
}

/** What is unaccounted for, or the word that it closes. */
function Closing() {
  const job = useJob();
  const open = notClosed(job);
  const anything = job.strip.some((s) => s.state !== "on");
  if (!anything) return null;
  return (
    <Section title="Close up">
      {open.length === 0 ? (
        <p className="font-bold">Everything is accounted for: the ledger closes.</p>
      ) : (
        <>
          <p className="font-bold">The ledger will not close yet:</p>
          <ul className="list-disc pl-5">
            {open.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </>
      )}
    </Section>
  );
}

/** What comes off in what order, and goes back the other way round with nothing left over. */
export function TeardownPage() {
  const job = useJob();
  const canEdit = useCanEdit();
  const [back, setBack] = useState(() => job.strip.some((s) => s.state === "back"));
  const [open, setOpen] = useState<string | null>(null);
  useSendingPhotos();
  const forward = stripOrder(job.strip);
  const steps: readonly TeardownStep[] = back ? reassembly(job).map((b) => b.step) : forward;
  const lines = new Map(reassembly(job).map((b) => [b.step.id, b.lines]));
  return (
    <>
      {canEdit && !back && <SayStep />}
      {job.strip.length === 0 ? (
        <Empty title="Nothing in the ledger yet">
          <FromBefore />
        </Empty>
      ) : (
        <>
          <Section
            title={back ? "Putting back" : "Taking off"}
            action={
              <span className="no-print inline-flex gap-2">
                <Button look="quiet" onClick={() => setBack(!back)}>
                  {back ? "Show taking off" : "Show putting back"}
                </Button>
                <Button look="quiet" onClick={() => window.print()}>
                  Print
                </Button>
              </span>
            }
          >
            <Totals />
            <ol>
              {steps.map((step, i) => (
                <StepRow
                  key={step.id}
                  step={step}
                  number={i + 1}
                  back={back}
                  backLines={lines.get(step.id) ?? []}
                  open={open === step.id}
                  onOpen={() => setOpen(open === step.id ? null : step.id)}
                  onRefused={(words) => toast.error(words)}
                />
              ))}
            </ol>
          </Section>
          <Closing />
        </>
      )}
    </>
  );
}
