import { fixed, type Finding, type DiagramPart, type FeederDiagram } from "@dragonet/core";
import { SeverityMark } from "../../ui/Severity.tsx";
import { LANE, Segment, isTall, lanePxOf } from "./Segment.tsx";
import type { Selecting } from "../selection.ts";

interface FeederRowProps extends Selecting {
  readonly feeder: FeederDiagram;
  readonly findings: readonly Finding[];
}

const isStub = (part: DiagramPart): boolean => part.beforeFuse;

/** What several runs share, drawn before them: its own fuse and wire, and what it gives. */
export function FeederRow({ feeder, findings, selection, select }: FeederRowProps) {
  const own = findings.filter((f) => f.place.runId === feeder.ownerId);
  const open =
    (selection.kind === "run" || selection.kind === "part") && selection.runId === feeder.ownerId;
  const shown = feeder.parts.filter((part) => !isStub(part));
  const segments = (parts: readonly DiagramPart[]) =>
    parts.map((part) => (
      <Segment
        key={part.elementId}
        runId={feeder.ownerId}
        part={part}
        findings={own.filter((f) => f.place.elementId === part.elementId)}
        tall={isTall(parts, lanePxOf(false).whole)}
        selection={selection}
        select={select}
      />
    ));
  const told = own.filter((f) => f.place.elementId === null || !open);
  const behind = feeder.runs.length === 0 ? "nothing on it yet" : `to ${feeder.runs.join(", ")}`;
  return (
    <article
      aria-label={feeder.name}
      className="grid grid-cols-1 gap-x-3 border-b border-hair py-0.5 md:grid-cols-[10rem_minmax(0,1fr)]"
    >
      <button
        type="button"
        aria-pressed={open}
        className="touch text-left leading-tight font-bold text-accent"
        onClick={() => select(open ? { kind: "findings" } : { kind: "run", runId: feeder.ownerId })}
      >
        {feeder.name}
      </button>
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline gap-x-3 text-small leading-5">
          <span className="num w-32 shrink-0">
            {feeder.kind === "groundBlock" ? "" : `${fixed(feeder.givesV, 2)} V · `}
            {fixed(feeder.currentA, 2)} A
          </span>
          {!open && (
            <span className="w-64 shrink-0">{shown.map((part) => part.name).join(" · ")}</span>
          )}
          <span className="min-w-0 flex-1 text-muted">{behind}</span>
        </p>
        {told.slice(0, 1).map((f) => (
          <p key={f.rule + f.title} className="text-small leading-4">
            <SeverityMark severity={f.severity} word={false} /> {f.title}
            {told.length > 1 && <span className="text-muted"> and {told.length - 1} more</span>}
          </p>
        ))}
        {open && <div className={LANE}>{segments(shown)}</div>}
        {open && feeder.gate.length > 0 && (
          <div className="flex items-start gap-1 max-md:flex-col">
            <span className="w-14 shrink-0 pt-4 text-small leading-4 text-muted max-md:pt-1">
              coil
            </span>
            <div className={LANE}>{segments(feeder.gate)}</div>
          </div>
        )}
      </div>
    </article>
  );
}
