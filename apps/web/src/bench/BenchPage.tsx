import { Plus } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { span, type JobPlan } from "@dragonet/core";
import { useNarrow } from "../base/useNarrow.ts";
import { useCanEdit } from "../base/session.ts";
import { useJob } from "../job/store/jobStore.ts";
import { usePlan } from "../job/usePlan.ts";
import type { TrialReport } from "../worker/plan.worker.ts";
import { Button } from "../ui/Button.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import { Loading } from "../ui/page/states.tsx";
import { ControlBar } from "./ControlBar.tsx";
import { allPressed, type Pressed } from "./controls.ts";
import { BenchDialogs } from "./begin/BenchDialogs.tsx";
import { useBenchDialog } from "./useBenchDialog.ts";
import { CircuitRows } from "./diagrams/CircuitRows.tsx";
import { PanelHead } from "./panels/PanelHead.tsx";
import { SelectionPanel } from "./panels/SelectionPanel.tsx";
import type { Selection } from "./selection.ts";
import { inHousings } from "./inHousings.ts";
import { useBench } from "./useBench.ts";
import { useShown } from "./useShown.ts";
import { VehicleViews } from "./VehicleViews.tsx";

/** The verdict in one line, so that nobody has to leave the bench for it. */
function VerdictLine({ plan }: { plan: JobPlan }) {
  if (plan.budget.running.length === 0) return null;
  return (
    <p className="flex min-w-0 flex-wrap gap-x-3 text-small">
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

/** The bench: every run a strip, its trouble where it happens, its reasons a press away. */
export function BenchPage() {
  const job = useJob();
  const plan = usePlan();
  const canEdit = useCanEdit();
  const [chosen, setChosen] = useState<Pressed | null>(null);
  const [selection, setSelection] = useState<Selection>({ kind: "findings" });
  const { dialog, setDialog, begin } = useBenchDialog();
  const [report, setReport] = useState<TrialReport | null>(null);
  const panel = useRef<HTMLElement>(null);

  const hasRun = selection.kind === "run" || selection.kind === "part";
  const owners: readonly string[] = [
    ...job.runs.map((run) => run.id),
    ...job.supplies.map((s) => s.id),
    ...job.controls.map((c) => c.id),
    ...(plan?.feeders.map((feeder) => feeder.ownerId) ?? []),
  ];
  const gone = hasRun && !owners.includes(selection.runId);
  const shown: Selection = gone ? { kind: "findings" } : selection;
  const pressed = useMemo(
    () => chosen ?? (plan ? allPressed(plan.controls) : null),
    [chosen, plan],
  );
  const narrow = useNarrow("lg");
  const view = useBench(plan, pressed);
  const { strips, lamps, marks } = useShown(plan, view, shown.kind === "trial" ? report : null);

  useEffect(() => {
    // Where the panel lies below the strips, what was pressed is brought into view.
    if (selection.kind !== "findings" && narrow) {
      panel.current?.scrollIntoView({ block: "start" });
    }
  }, [selection, narrow]);

  if (!plan || !pressed || !view) return <Loading what="the circuit" />;
  const views = (
    <VehicleViews
      lamps={inHousings(lamps, job.lamps)}
      kind={job.vehicle.kind}
      size={job.vehicle.size}
      mounts={job.mounts}
    />
  );
  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <section aria-label="Line diagrams" className="min-w-0 px-4 pb-6">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2 lg:flex-nowrap">
          <VerdictLine plan={plan} />
          <div className="ml-auto flex flex-wrap gap-x-3 gap-y-1 lg:shrink-0 lg:flex-nowrap">
            <Button look="quiet" className="-mx-2" onClick={() => setDialog({ kind: "practices" })}>
              Practices
            </Button>
            <Button look="quiet" className="-mx-2" onClick={() => setDialog({ kind: "harnesses" })}>
              Harnesses
            </Button>
            {canEdit && (
              <Button onClick={() => setDialog({ kind: "feed" })}>New supply or switch</Button>
            )}
            {canEdit && (
              <Button look="main" onClick={() => begin("lamps")}>
                <Plus size={16} aria-hidden /> New circuit
              </Button>
            )}
          </div>
        </div>
        {/* On a phone what is pressed and what lights stay in sight over long circuits. */}
        <div className="max-lg:[@media(min-height:600px)]:sticky max-lg:top-0 max-lg:z-20 max-lg:-mx-4 max-lg:bg-paper max-lg:px-4 max-lg:pt-1">
          <ControlBar job={job} controls={plan.controls} pressed={pressed} onChange={setChosen} />
          {narrow && strips.strips.length > 0 && <div className="mx-auto max-w-xs">{views}</div>}
        </div>
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
        <CircuitRows
          {...{ view: strips, marks, selection: shown, select: setSelection }}
          begin={canEdit ? begin : null}
        />
      </section>
      <aside
        ref={panel}
        aria-label="Details"
        className="border-hair bg-sunk px-4 py-3 max-lg:border-t lg:max-h-[calc(100dvh-5.8rem)] lg:overflow-y-auto lg:border-l"
      >
        {!narrow && strips.strips.length > 0 && views}
        <PanelHead
          plan={plan}
          shown={shown}
          select={setSelection}
          canProve={strips.strips.length > 0}
        />
        <SelectionPanel
          plan={plan}
          view={strips}
          shown={shown}
          select={setSelection}
          onReport={setReport}
        />
      </aside>
      <BenchDialogs
        open={dialog}
        onClose={() => setDialog(null)}
        onMade={(runId) => {
          setChosen(null);
          setSelection({ kind: "run", runId });
        }}
        canEdit={canEdit}
      />
    </div>
  );
}
