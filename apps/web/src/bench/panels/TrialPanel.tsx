import { proxy } from "comlink";
import { useCallback, useEffect, useState } from "react";
import {
  decimal,
  faultSeverity,
  homeWords,
  secondsText,
  type Cause,
  type Difference,
  type FaultResult,
} from "@dragonet/core";
import type { ShownPlan } from "../../job/usePlan.ts";
import type { TrialReport } from "../../worker/plan.worker.ts";
import { planner } from "../../worker/port/planner.ts";
import { useWorked } from "../../worker/useWorked.ts";
import { Button } from "../../ui/Button.tsx";
import { SeverityMark } from "../../ui/Severity.tsx";
import { useCanEdit } from "../../base/session.ts";
import { useEdit } from "../../job/store/jobStore.ts";
import type { Selection } from "../selection.ts";

interface TrialPanelProps {
  readonly plan: ShownPlan;
  readonly onPlace: (selection: Selection) => void;
  /** Hears the report, so that the strips can show it where it happens. */
  readonly onReport: (report: TrialReport) => void;
}

const opensIn = (s: number): string => (s === Infinity ? "perhaps never" : secondsText(s));

function Outcome({ fault }: { fault: FaultResult }) {
  const { opens, dark, staysOn } = fault;
  if (fault.outcome !== "solved") return <p className="text-small font-bold">{homeWords(fault)}</p>;
  return (
    <>
      {opens ? (
        <p className="text-small">
          {opens.words} opens at <span className="num">{decimal(opens.currentA, 0)}</span> A within{" "}
          <span className="num">{opensIn(opens.time.mostS)}</span>
        </p>
      ) : (
        fault.kind === "chafed" && <p className="text-small font-bold">No fuse opens.</p>
      )}
      {fault.overheats !== null && (
        <p className="text-small font-bold">
          {fault.overheats} may burn{opens ? " before that" : ""}.
        </p>
      )}
      {dark.length > 0 && <p className="text-small">Dark: {dark.join(", ")}.</p>}
      {staysOn.length > 0 && (
        <p className="text-small">Cannot be turned off: {staysOn.join(", ")}.</p>
      )}
      <p className="text-small text-muted">{homeWords(fault)}</p>
    </>
  );
}

function FaultList({
  faults,
  onPlace,
}: { faults: readonly FaultResult[] } & Pick<TrialPanelProps, "onPlace">) {
  return (
    <ul>
      {faults.map((fault, i) => (
        <li key={`${fault.elementId} ${fault.kind} ${i}`} className="border-t border-hair py-1">
          <button
            type="button"
            className="flex items-start gap-1.5 text-left text-accent"
            onClick={() => onPlace({ kind: "run", runId: fault.runId })}
          >
            <SeverityMark severity={faultSeverity(fault)} word={false} />
            {fault.words}
          </button>
          <Outcome fault={fault} />
          {fault.chafes.length > 0 && (
            <p className="text-small text-muted">May chafe at {fault.chafes.join("; ")}.</p>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The wiring that a difference comes from, and the one press that puts it right. */
function CauseLine({ cause }: { cause: Cause }) {
  const edit = useEdit();
  const canEdit = useCanEdit();
  return (
    <p className="text-small">
      Because of {cause.words}.{" "}
      {canEdit && (
        <Button look="quiet" className="px-1" onClick={() => edit(cause.edits)}>
          {cause.remedy}
        </Button>
      )}
    </p>
  );
}

function Proven({ report, onPlace }: { report: TrialReport } & Pick<TrialPanelProps, "onPlace">) {
  const { differences } = report;
  return (
    <section aria-label="Proof" className="mb-4">
      <h3>Every position</h3>
      <p className="text-small">
        <span className="num">{report.positions}</span>
        {report.possible > 4 * report.positions && (
          <>
            {" "}
            of <span className="num">{report.possible}</span>
          </>
        )}{" "}
        positions solved. {differences.length === 0 && "Each does what was meant and nothing else."}
      </p>
      <ul>
        {differences.map((d: Difference) => (
          <li key={`${d.lampId} ${d.kind}`} className="border-t border-hair py-1">
            <button
              type="button"
              className="flex items-start gap-1.5 text-left text-accent"
              onClick={() => onPlace({ kind: "run", runId: d.runId })}
            >
              <SeverityMark severity={d.kind === "dim" ? "fix" : "stop"} />
              {d.words}
            </button>
            {d.cause && <CauseLine cause={d.cause} />}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The proof of every position and the trial of every single fault, run in the worker. */
export function TrialPanel({ plan, onPlace, onReport }: TrialPanelProps) {
  const [share, setShare] = useState(0);
  const [stopped, setStopped] = useState(false);
  const [all, setAll] = useState(false);
  const ask = useCallback(
    // A newer plan ends the trial of the one before, which then answers nothing.
    async () => ({ plan, is: await planner().tryEverything(plan.job, proxy(setShare)) }),
    [plan],
  );
  const made = useWorked(stopped ? null : ask)?.is;
  const [report, setReport] = useState<TrialReport | null>(null);
  if (made && made !== report) setReport(made);
  useEffect(() => {
    if (report) onReport(report);
  }, [report, onReport]);
  useEffect(() => () => void planner().stop(), [plan, stopped]);
  const unsolved = report?.faults.filter(({ outcome }) => outcome === "unsolved").length ?? 0;
  if (!report) {
    return (
      <section aria-label="Trial">
        {stopped ? (
          <Button onClick={() => setStopped(false)}>Try everything</Button>
        ) : (
          <>
            <label className="block">
              Trying every position and every fault …
              <progress className="my-1 block w-full accent-accent" value={share} max={1} />
            </label>
            <Button onClick={() => setStopped(true)}>Stop</Button>
          </>
        )}
      </section>
    );
  }
  return (
    <div>
      <Proven report={report} onPlace={onPlace} />
      <section aria-label="Faults">
        <h3>Every single fault</h3>
        <p className="text-small">
          <span className="num">{report.faults.length}</span> tried.{" "}
          {unsolved > 0 && `${unsolved} of them without a solution: nothing is said of those. `}
          {report.weakest.length > 0 ? "Weakest points:" : "None does harm."}
        </p>
        <FaultList faults={all ? report.faults : report.weakest} onPlace={onPlace} />
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? "Weakest points only" : `All ${report.faults.length} faults`}
        </Button>
      </section>
    </div>
  );
}
