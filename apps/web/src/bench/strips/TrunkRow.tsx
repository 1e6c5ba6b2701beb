import { fixed, type Finding, type StripPart, type TrunkStrip } from "@dragonet/core";
import { SeverityMark } from "../../ui/Severity.tsx";
import { Segment, isTall, lanePxOf } from "./Segment.tsx";
import type { Selecting } from "../selection.ts";

interface TrunkRowProps extends Selecting {
  readonly trunk: TrunkStrip;
  readonly findings: readonly Finding[];
}

const isStub = (part: StripPart): boolean => part.beforeFuse;

/** What several runs share, drawn before them: its own fuse and wire, and what it gives. */
export function TrunkRow({ trunk, findings, selection, select }: TrunkRowProps) {
  const own = findings.filter((f) => f.place.runId === trunk.ownerId);
  const open =
    (selection.kind === "run" || selection.kind === "part") && selection.runId === trunk.ownerId;
  const shown = trunk.parts.filter((part) => !isStub(part));
  const segments = (parts: readonly StripPart[]) =>
    parts.map((part) => (
      <Segment
        key={part.elementId}
        runId={trunk.ownerId}
        part={part}
        findings={own.filter((f) => f.place.elementId === part.elementId)}
        tall={isTall(parts, lanePxOf(false).whole)}
        selection={selection}
        select={select}
      />
    ));
  const told = own.filter((f) => f.place.elementId === null || !open);
  const behind = trunk.runs.length === 0 ? "nothing on it yet" : `to ${trunk.runs.join(", ")}`;
  return (
    <article
      aria-label={trunk.name}
      className="grid grid-cols-1 gap-x-3 border-b border-hair py-0.5 md:grid-cols-[10rem_minmax(0,1fr)]"
    >
      <button
        type="button"
        aria-pressed={open}
        className="touch text-left leading-tight font-bold text-accent"
        onClick={() => select(open ? { kind: "findings" } : { kind: "run", runId: trunk.ownerId })}
      >
        {trunk.name}
      </button>
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline gap-x-3 text-small leading-5">
          <span className="num w-32 shrink-0">
            {trunk.kind === "groundBlock" ? "" : `${fixed(trunk.givesV, 2)} V · `}
            {fixed(trunk.currentA, 2)} A
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
        {open && <div className="flex items-start max-md:flex-col">{segments(shown)}</div>}
        {open && trunk.gate.length > 0 && (
          <div className="flex items-start gap-1 max-md:flex-col">
            <span className="w-14 shrink-0 pt-4 text-small leading-4 text-muted max-md:pt-1">
              coil
            </span>
            {segments(trunk.gate)}
          </div>
        )}
      </div>
    </article>
  );
}
