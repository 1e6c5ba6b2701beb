import { DataTable } from "../ui/DataTable.tsx";
import { memo } from "react";
import { Printer } from "lucide-react";
import {
  CAUTIONS,
  LAST_WORD,
  decimal,
  fixed,
  foundText,
  lastsFor,
  span,
  lineDiagramSvg,
  lowestAt,
  times,
  type JobPlan,
  type LineDiagram,
  type UnitSystem,
} from "@dragonet/core";
import { useCurrentUser, useSession } from "../base/session.ts";
import { useJob, useJobStore } from "../job/store/jobStore.ts";
import { JobFileLink } from "../job/papers/JobFileLink.tsx";
import { useOpenFile } from "../job/papers/useOpenFile.ts";
import { usePlan } from "../job/usePlan.ts";
import { Button } from "../ui/Button.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import { Empty, Loading } from "../ui/page/states.tsx";
import { HarnessSheet } from "./HarnessSheet.tsx";
import { WireCells, wireHeads } from "./WireRow.tsx";
import { ToolsSheet } from "./ToolsSheet.tsx";
import { InspectorSheet } from "./InspectorSheet.tsx";
import { TestSheet } from "./TestSheet.tsx";
import { LoomSheet } from "./LoomSheet.tsx";

interface CircuitSheetProps {
  readonly strip: LineDiagram;
  readonly index: number;
  readonly plan: JobPlan;
  readonly units: UnitSystem;
}

/** Wires of a circuit that are cut here; else what its wires come in. */
function CutHere({ strip: { runId, name }, plan, units }: Omit<CircuitSheetProps, "index">) {
  const wires = plan.wires.filter((w) => w.runId === runId);
  if (wires.length === 0) {
    const made = plan.harnessWires.filter((w) => w.runId === runId).map((w) => w.harness);
    return (
      <p className="self-start text-small">
        Nothing of it is cut here
        {made.length > 0 && `: its wires come made up in ${[...new Set(made)].join(", ")}`}.
      </p>
    );
  }
  return (
    <DataTable
      label={`Wires of ${name} to cut`}
      heads={wireHeads("Done")}
      className="self-start text-small"
    >
      {wires.map((wire) => (
        <tr key={wire.label} className="border-t border-hair">
          <WireCells wire={wire} units={units} />
        </tr>
      ))}
    </DataTable>
  );
}

const CircuitSheet = memo(function CircuitSheet({ strip, index, plan, units }: CircuitSheetProps) {
  const svg = lineDiagramSvg(strip, { fontFamily: "var(--font-sans)", ink: "currentColor" });
  return (
    <section aria-label={strip.name} className="break-inside-avoid border-t-2 border-ink py-3">
      <h2 className="text-lead">
        <span className="num mr-2">{index + 1}</span>
        {strip.name}
      </h2>
      <p>
        On with {strip.when}. Draw <span className="num">{span(strip.drawA, 2)}</span> A;{" "}
        {lowestAt(strip)} <span className="num">{fixed(strip.lowestV, 2)}</span> V, drop in copper{" "}
        <span className="num">{decimal(strip.dropShare * 100)}</span> %, in fuse, contacts and frame{" "}
        <span className="num">{decimal(strip.fixedV, 2)}</span> V.
      </p>
      <div
        className="relative my-2 overflow-x-auto [&>svg]:h-auto [&>svg]:w-full [&>svg]:min-w-2xl"
        role="img"
        tabIndex={0}
        aria-label={`Line diagram of ${strip.name}`}
        dangerouslySetInnerHTML={{ __html: svg }}
      />
      <div className="grid grid-cols-1 gap-x-8 lg:grid-cols-2 print:grid-cols-2">
        <table className="w-full border-collapse text-small">
          <tbody>
            {plan.choices
              .filter((c) => c.runId === strip.runId)
              .map((c) => (
                <tr key={c.kind} className="border-t border-hair align-top">
                  <th scope="row" className="pr-3 align-top!">
                    {c.kind}
                  </th>
                  <td className="py-0.5">
                    <span className="font-bold">
                      {c.picked}
                      {c.pinned && " (pinned)"}
                    </span>
                    <span className="block">{c.reason}</span>
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
        <CutHere strip={strip} plan={plan} units={units} />
      </div>
    </section>
  );
});

/** What runs share before they part: feeds, controls, ground block. */
const FeederSheet = memo(function FeederSheet({ plan }: { plan: JobPlan }) {
  if (plan.feeders.length === 0) return null;
  return (
    <section
      aria-label="Before the circuits"
      className="break-inside-avoid border-t-2 border-ink py-3"
    >
      <h2 className="text-lead">Before the circuits</h2>
      <div className="relative overflow-x-auto">
        <table className="w-full border-collapse text-small">
          <thead>
            <tr>
              <th scope="col">Supply or switch</th>
              <th scope="col">Gives</th>
              <th scope="col">All on</th>
              <th scope="col">Parts, in order</th>
              <th scope="col">To</th>
            </tr>
          </thead>
          <tbody>
            {plan.feeders.map((feeder) => (
              <tr key={feeder.ownerId} className="border-t border-hair align-top">
                <th scope="row">{feeder.name}</th>
                <td className="num">
                  {feeder.kind === "groundBlock" ? "" : `${fixed(feeder.givesV, 2)} V`}
                </td>
                <td className="num">{fixed(feeder.currentA, 2)} A</td>
                <td>
                  {feeder.parts
                    .map((part) =>
                      part.kind === "wire" ? `${part.name} ${part.detail}` : part.name,
                    )
                    .join(" · ")}
                </td>
                <td>{feeder.runs.join(", ")}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
});

const Closing = memo(function Closing({ plan }: { plan: JobPlan }) {
  const { running, engineOff, parked } = plan.budget;
  return (
    <section aria-label="Verdict, findings and parts" className="border-t-2 border-ink py-3">
      <div className="grid grid-cols-1 gap-x-8 md:grid-cols-2 print:grid-cols-2">
        <div>
          <h2 className="text-lead">Charging</h2>
          <ul>
            {running.map((b) => (
              <li key={b.state}>
                {b.state}: <span className="num font-bold">{span(b.spareA)}</span> A to spare,{" "}
                {b.verdict}
              </li>
            ))}
            {engineOff?.minutes && (
              <li>
                engine off:{" "}
                <span className="num font-bold">
                  {lastsFor(times(engineOff.minutes, 1 / 60)).value}
                </span>{" "}
                {lastsFor(times(engineOff.minutes, 1 / 60)).unit}
              </li>
            )}
            {plan.budget.own.map((b) => (
              <li key={b.supplyId}>
                {b.name}:{" "}
                <span className="num font-bold">
                  {b.usedH
                    ? `${lastsFor(b.usedH).value} ${lastsFor(b.usedH).unit}`
                    : "nothing draws"}
                </span>{" "}
                as it is used
              </li>
            ))}
            {parked?.days && (
              <li>
                parked:{" "}
                <span className="num font-bold">
                  {span(parked.days, parked.days.mid < 10 ? 1 : 0)}
                </span>{" "}
                days
              </li>
            )}
          </ul>
          <h2 className="mt-3 text-lead">Findings</h2>
          {plan.causes.length === 0 && <p>None: nothing here to stop for.</p>}
          <ul>
            {plan.causes.map((f, i) => (
              <li key={i} className="break-inside-avoid border-t border-hair py-1">
                <SeverityMark severity={f.severity} /> <span className="font-bold">{f.title}</span>.{" "}
                {f.places.map(({ place, figures }) => foundText(place, figures)).join(" ")}
              </li>
            ))}
          </ul>
        </div>
        <div>
          <h2 className="text-lead">To lay out</h2>
          <table className="w-full border-collapse text-small">
            <tbody>
              {plan.materials.map((part) => (
                <tr key={`${part.name} ${part.detail}`} className="border-t border-hair">
                  <td className="num w-20 py-0.5">
                    {part.unit === "m" ? `${decimal(part.count, 1)} m` : decimal(part.count, 0)}
                  </td>
                  <td>{part.name}</td>
                  <td className="text-muted">{part.detail}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
      <h2 className="mt-3 text-lead">Before and while you work</h2>
      <ul className="list-disc pl-5">
        {CAUTIONS.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
      <p className="mt-2 font-bold">{LAST_WORD}</p>
    </section>
  );
});

/** The wiring sheet as it is printed and taped to the machine. */
export function SheetPage() {
  const job = useJob();
  const plan = usePlan();
  const { units } = useCurrentUser().preferences;
  const { data } = useSession();
  const revision = useJobStore((s) => s.revision);
  const openFile = useOpenFile();
  if (!plan) return <Loading what="the sheet" />;
  const strips = plan.strips.engineOff;
  const stops = plan.findings.filter((f) => f.severity === "stop").length;
  return (
    <article className="mx-auto w-full max-w-6xl p-4 print:max-w-none print:p-0">
      <div className="no-print mb-3 flex flex-wrap gap-3">
        <Button look="main" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print
        </Button>
        <Button onClick={() => openFile("wiring-sheet.pdf")}>PDF</Button>
        <JobFileLink
          path="file"
          className="touch inline-flex items-center text-accent underline"
          download
        >
          Job file out
        </JobFileLink>
      </div>
      <header className="mb-2">
        <p className="text-small text-muted">
          {data?.shop} · wiring sheet, revision <span className="num">{revision}</span>
        </p>
        <h1 className="text-loud tracking-tight">{job.card.title}</h1>
        <p>
          {job.vehicle.model}
          {job.vehicle.machine !== "" && `, ${job.vehicle.machine}`}
          {job.card.customer !== "" && ` · for ${job.card.customer}`}
          {strips[0] &&
            ` · battery not charging, ${decimal(strips[0].sourceV, 1)} V at its posts with all on`}
        </p>
        {stops > 0 && (
          <p className="mt-1 border-2 border-ink p-2 text-lead font-bold">
            <SeverityMark severity="stop" word={false} /> Do not build yet: {stops} to stop for,
            below.
          </p>
        )}
      </header>
      {strips.length === 0 && (
        <Empty title="Nothing to build yet">Circuits are added at stage 3.</Empty>
      )}
      {strips.map((strip, i) => (
        <CircuitSheet key={strip.runId} strip={strip} index={i} plan={plan} units={units} />
      ))}
      <FeederSheet plan={plan} />
      <LoomSheet />
      <HarnessSheet plan={plan} units={units} />
      <ToolsSheet />
      <InspectorSheet plan={plan} />
      <TestSheet />
      <Closing plan={plan} />
    </article>
  );
}
