import { Plus } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { SEVERITIES, decimal, span, type ElementId, type JobPlan } from "@dragonet/core";
import { useCanEdit } from "../base/session.ts";
import { useJob } from "../job/store/jobStore.ts";
import { usePlan } from "../job/usePlan.ts";
import type { TrialReport } from "../worker/plan.worker.ts";
import { Button } from "../ui/Button.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import { Empty, Loading } from "../ui/page/states.tsx";
import { ControlBar } from "./ControlBar.tsx";
import { allPressed, type Pressed } from "./controls.ts";
import { FindingsPanel } from "./panels/FindingsPanel.tsx";
import { NewFeed } from "./begin/NewFeed.tsx";
import { NewRun } from "./begin/NewRun.tsx";
import { PartPanel } from "./panels/PartPanel.tsx";
import { PracticesDialog } from "./begin/PracticesDialog.tsx";
import { RunPanel } from "./panels/RunPanel.tsx";
import { overlayOf } from "./strips/overlay.ts";
import type { Selection } from "./selection.ts";
import { useAlongCircuits } from "./strips/alongCircuits.ts";
import { StripRow } from "./strips/StripRow.tsx";
import { TrialPanel } from "./panels/TrialPanel.tsx";
import { TrunkPanel } from "./panels/TrunkPanel.tsx";
import { TrunkRow } from "./strips/TrunkRow.tsx";
import { useBench } from "./useBench.ts";
import { VehicleViews } from "./VehicleViews.tsx";

/** The verdict in one line, so that nobody has to leave the bench for it. */
function VerdictLine({ plan }: { plan: JobPlan }) {
  if (plan.budget.running.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-x-3 text-small">
      <span>To spare</span>
      {plan.budget.running.map((b) => (
        <span key={b.state} className="whitespace-nowrap">
          {b.state} <span className="num font-bold">{span(b.spareA)}</span> A
          {b.verdict !== "carries" && (
            <span className="font-bold"> {b.verdict === "unknown" ? "not known" : b.verdict}</span>
          )}
        </span>
      ))}
    </p>
  );
}

function FindingCounts({ plan, onShow }: { plan: JobPlan; onShow: () => void }) {
  const counts = SEVERITIES.map(
    (severity) => [severity, plan.causes.filter((f) => f.severity === severity).length] as const,
  ).filter(([, n]) => n > 0);
  return (
    <button
      type="button"
      className="touch inline-flex items-center gap-3 text-accent"
      onClick={onShow}
    >
      {counts.length === 0
        ? "No findings"
        : counts.map(([severity, n]) => (
            <span key={severity} className="inline-flex items-center gap-1 text-ink">
              <span className="num">{decimal(n, 0)}</span> <SeverityMark severity={severity} />
            </span>
          ))}
    </button>
  );
}

/** The bench: every run a strip, its trouble where it happens, its reasons a press away. */
export function BenchPage() {
  const job = useJob();
  const plan = usePlan();
  const canEdit = useCanEdit();
  const [chosen, setChosen] = useState<Pressed | null>(null);
  const [selection, setSelection] = useState<Selection>({ kind: "findings" });
  const [adding, setAdding] = useState(false);
  const [feeding, setFeeding] = useState(false);
  const [report, setReport] = useState<TrialReport | null>(null);
  const [practising, setPractising] = useState(false);
  const panel = useRef<HTMLElement>(null);
  const circuits = useAlongCircuits();

  const hasRun = selection.kind === "run" || selection.kind === "part";
  const owners: readonly string[] = [
    ...job.runs.map((run) => run.id),
    ...job.supplies.map((s) => s.id),
    ...job.controls.map((c) => c.id),
    "ground-block",
  ];
  const gone = hasRun && !owners.includes(selection.runId);
  const shown: Selection = gone ? { kind: "findings" } : selection;
  const pressed = useMemo(
    () => chosen ?? (plan ? allPressed(plan.controls) : null),
    [chosen, plan],
  );
  const view = useBench(plan, pressed);

  useEffect(() => {
    // Where the panel lies below the strips, what was pressed is brought into view.
    if (selection.kind !== "findings" && window.matchMedia("(max-width: 1023px)").matches) {
      panel.current?.scrollIntoView({ block: "start" });
    }
  }, [selection]);

  if (!plan || !pressed || !view) return <Loading what="the circuit" />;
  const strips = view.kind === "solved" ? view.strips : plan.strips.engineOff;
  const trunks = view.kind === "solved" ? view.trunks : plan.trunks;
  const marks = shown.kind === "trial" && report ? overlayOf(report) : plan.findings;
  const isRun = shown.kind === "run" && job.runs.some((run) => run.id === shown.runId);
  const reading = (elementId: ElementId) =>
    [
      ...strips.flatMap((s) => [...s.out, ...s.back, ...s.control.flatMap((lane) => lane.parts)]),
      ...trunks.flatMap((t) => [...t.parts, ...t.gate]),
    ].find((part) => part.elementId === elementId) ?? null;
  const unplanned = job.runs.filter((run) => !strips.some((s) => s.runId === run.id));
  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <section aria-label="Strips" className="min-w-0 px-4 pb-6">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
          <VerdictLine plan={plan} />
          <div className="ml-auto flex flex-wrap gap-x-4 gap-y-1">
            <Button onClick={() => setPractising(true)}>Practices</Button>
            {canEdit && <Button onClick={() => setFeeding(true)}>New feed or control</Button>}
            {canEdit && (
              <Button look="main" onClick={() => setAdding(true)}>
                <Plus size={16} aria-hidden /> New run
              </Button>
            )}
          </div>
        </div>
        <ControlBar job={job} controls={plan.controls} pressed={pressed} onChange={setChosen} />
        {view.kind === "trouble" && (
          <p role="alert" className="mb-2 border-2 border-ink p-2 font-bold">
            <SeverityMark severity="stop" word={false} /> {view.words}
          </p>
        )}
        {view.kind === "solved" && view.overloaded.length > 0 && (
          <p role="alert" className="mb-2 border-2 border-ink p-2 font-bold">
            <SeverityMark severity="stop" word={false} /> {view.overloaded.join(", ")} gives way:
            more is on than it can feed.
          </p>
        )}
        <div role="group" aria-label="Circuits" className="border-t border-ink" ref={circuits}>
          {trunks.map((trunk) => (
            <TrunkRow
              key={trunk.ownerId}
              trunk={trunk}
              findings={marks}
              selection={shown}
              select={setSelection}
            />
          ))}
          {trunks.length > 0 && <div className="border-b border-ink" />}
          {strips.map((strip) => (
            <StripRow
              key={strip.runId}
              strip={strip}
              findings={marks}
              dropTarget={job.practices.dropTarget}
              selection={shown}
              select={setSelection}
            />
          ))}
          {unplanned.map((run) => (
            <p key={run.id} className="border-b border-hair py-2">
              <button
                type="button"
                className="font-bold text-accent"
                onClick={() => setSelection({ kind: "run", runId: run.id })}
              >
                {run.name}
              </button>{" "}
              has nothing to feed it yet.
            </p>
          ))}
          {job.runs.length === 0 && (
            <div className="py-6">
              <Empty title="No run yet">
                A run is lamps that are fed and controlled together. Add one and its circuit is
                worked out here.
              </Empty>
            </div>
          )}
        </div>
      </section>
      <aside
        ref={panel}
        aria-label="Details"
        className="border-hair bg-sunk px-4 py-3 max-lg:border-t lg:max-h-[calc(100dvh-5.8rem)] lg:overflow-y-auto lg:border-l"
      >
        {strips.length > 0 && (
          <VehicleViews lamps={strips.flatMap((s) => s.lamps)} kind={job.vehicle.kind} />
        )}
        <div className="mb-2 flex items-center justify-between gap-2">
          <FindingCounts plan={plan} onShow={() => setSelection({ kind: "findings" })} />
          <span className="inline-flex gap-1">
            {shown.kind !== "findings" && (
              <Button
                look="quiet"
                className="px-1"
                onClick={() => setSelection({ kind: "findings" })}
              >
                Findings
              </Button>
            )}
            {shown.kind !== "trial" && strips.length > 0 && (
              <Button onClick={() => setSelection({ kind: "trial" })}>Prove</Button>
            )}
          </span>
        </div>
        {shown.kind === "trial" && (
          <TrialPanel
            key={job.runs.length}
            plan={plan}
            onPlace={setSelection}
            onReport={setReport}
          />
        )}
        {shown.kind === "findings" && (
          <FindingsPanel plan={plan} canEdit={canEdit} onPlace={setSelection} />
        )}
        {shown.kind === "part" && (
          <PartPanel
            key={`${shown.runId} ${shown.choice}`}
            plan={plan}
            reading={reading(shown.elementId)}
            runId={shown.runId}
            choice={shown.choice}
            canEdit={canEdit}
          />
        )}
        {shown.kind === "run" && !isRun && (
          <TrunkPanel key={shown.runId} plan={plan} ownerId={shown.runId} canEdit={canEdit} />
        )}
        {isRun && <RunPanel key={shown.runId} plan={plan} runId={shown.runId} canEdit={canEdit} />}
      </aside>
      <NewRun
        open={adding}
        onClose={() => setAdding(false)}
        onMade={(runId) => {
          setChosen(null);
          setSelection({ kind: "run", runId });
        }}
      />
      <NewFeed
        open={feeding}
        onClose={() => setFeeding(false)}
        onMade={(runId) => {
          setChosen(null);
          setSelection({ kind: "run", runId });
        }}
      />
      <PracticesDialog open={practising} onClose={() => setPractising(false)} canEdit={canEdit} />
    </div>
  );
}
