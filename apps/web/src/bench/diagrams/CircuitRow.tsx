import {
  decimal,
  fixed,
  type Finding,
  type LineDiagram,
  type DiagramLamp,
  type DiagramPart,
} from "@dragonet/core";
import { SeverityMark } from "../../ui/Severity.tsx";
import { LIGHT_HEX } from "../light.ts";
import { LANE, Segment, isTall, lanePxOf } from "./Segment.tsx";
import { SuspicionMark } from "./SuspicionMark.tsx";
import type { Selecting } from "../selection.ts";

interface CircuitRowProps extends Selecting {
  readonly strip: LineDiagram;
  readonly findings: readonly Finding[];
  readonly dropTarget: number;
  /** Drawn larger, where there is room. */
  readonly roomy?: boolean;
}

/** The stub before the fuse is told by the fuse ("after 150 mm") and not drawn again. */
const isStub = (part: DiagramPart): boolean => part.beforeFuse;

const MOST_LAMPS = 3;

/** Below this level a lamp counts as off. */
const WORKING = 0.05;

function LampMark({ lamp }: { lamp: DiagramLamp }) {
  return (
    <svg
      width="24"
      height="24"
      viewBox="-2 -2 24 24"
      aria-hidden
      className="shrink-0 in-[.roomy]:size-9"
    >
      {/* Rays say lit where white light is drawn on white paper. */}
      {lamp.level >= WORKING && lamp.family === "lamp" && (
        <path
          d="M10 -1.5v2M10 19.5v2M-1.5 10h2M19.5 10h2M2 2l1.2 1.2M16.8 16.8l1.2 1.2M18 2l-1.2 1.2M3.2 16.8L2 18"
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
      )}
      <circle
        cx="10"
        cy="10"
        r="7.4"
        fill={LIGHT_HEX[lamp.light]}
        fillOpacity={Math.min(1, lamp.level)}
        stroke="var(--ink)"
        strokeWidth="1.4"
      />
      {lamp.family === "lamp" && (
        <path
          d="M4.5 4.5l11 11M15.5 4.5l-11 11"
          stroke={lamp.level > 0.4 ? "#16211f" : "var(--ink)"}
          strokeWidth="1.1"
        />
      )}
    </svg>
  );
}

/** A single lamp stands at the height of the lane that leads to it. */
const atLane = (tall: boolean): string => (tall ? "md:pt-6" : "md:pt-2 in-[.roomy]:md:pt-3.5");

function Lamps({
  strip,
  findings,
  tall,
}: {
  strip: LineDiagram;
  findings: readonly Finding[];
  tall: boolean;
}) {
  const shown = strip.lamps.slice(0, MOST_LAMPS);
  return (
    <ul className={`w-44 shrink-0 max-md:w-full ${strip.lamps.length === 1 ? atLane(tall) : ""}`}>
      {shown.map((lamp) => {
        const trouble = findings.find((f) => f.place.elementId === lamp.elementId);
        return (
          <li key={lamp.lampId} className="flex items-center gap-1.5 py-px">
            <span className="h-px w-2 bg-ink max-md:hidden" aria-hidden />
            <LampMark lamp={lamp} />
            <span className="min-w-0 leading-4">
              <span className="flex items-start gap-1 text-small leading-4 font-bold">
                {trouble && <SeverityMark severity={trouble.severity} word={false} />}
                <SuspicionMark elementId={lamp.elementId} />
                <span className="min-w-0 break-words md:line-clamp-2">{lamp.label}</span>
              </span>
              <span className="num block text-small">
                {fixed(lamp.volts, 2)} V {fixed(lamp.currentA, 2)} A
              </span>
            </span>
          </li>
        );
      })}
      {strip.lamps.length > MOST_LAMPS && (
        <li className="text-small text-muted">
          and {strip.lamps.length - MOST_LAMPS} more, lowest{" "}
          <span className="num">{fixed(strip.lowestV, 2)} V</span>
        </li>
      )}
    </ul>
  );
}

function ControlLanes({
  strip,
  findings,
  roomy = false,
  ...selecting
}: Omit<CircuitRowProps, "dropTarget">) {
  return strip.control.map((lane, i) => (
    <div key={i} className="flex items-start gap-1 max-md:flex-col">
      <span className="w-14 shrink-0 pt-4 text-small leading-4 text-muted max-md:pt-1">
        {lane.label}
      </span>
      <div className={LANE}>
        {lane.parts.map((part) => (
          <Segment
            key={part.elementId}
            runId={strip.runId}
            part={part}
            findings={findings.filter((f) => f.place.elementId === part.elementId)}
            tall={isTall(lane.parts, lanePxOf(roomy).whole)}
            {...selecting}
          />
        ))}
      </div>
    </div>
  ));
}

/** One run as the electricity takes it: feed, fuse, relay, wire, lamps, return. */
export function CircuitRow({
  strip,
  findings,
  dropTarget,
  roomy = false,
  selection,
  select,
}: CircuitRowProps) {
  const own = findings.filter((f) => f.place.runId === strip.runId);
  const whole = own.filter((f) => f.place.elementId === null);
  const open = selection.kind === "run" && selection.runId === strip.runId;
  const stub = strip.out.find(isStub);
  const lit = strip.lamps.some((lamp) => lamp.level >= WORKING);
  const out = strip.out.filter((part) => !isStub(part));
  const lanePx = lanePxOf(roomy);
  const tall = isTall(out, lanePx.lamps) || isTall(strip.back, lanePx.lamps);
  const at = (part: DiagramPart): Finding[] =>
    own.filter(
      (f) =>
        f.place.elementId === part.elementId ||
        (part.kind === "fuse" && stub !== undefined && f.place.elementId === stub.elementId),
    );
  return (
    <article
      aria-label={strip.name}
      className="grid grid-cols-1 gap-x-3 border-b border-hair py-1.5 in-[.roomy]:py-4 md:grid-cols-[10rem_minmax(0,1fr)]"
    >
      <div>
        <button
          type="button"
          aria-pressed={open}
          className="text-left leading-tight font-bold text-accent"
          onClick={() => select({ kind: "run", runId: strip.runId })}
        >
          {strip.name}
        </button>
        <p className="text-small leading-4 text-muted">{strip.when}</p>
        <p className="num text-small leading-4">
          {lit ? (
            <>
              {fixed(strip.totalA, 2)} A · drop {decimal(strip.dropShare * 100)} %
              <span className="sr-only"> of {decimal(dropTarget * 100)} % allowed</span>
            </>
          ) : (
            "off"
          )}
        </p>
        {whole.map((f) => (
          <p key={f.rule + f.title} className="text-small leading-4">
            <SeverityMark severity={f.severity} word={false} /> {f.title}
          </p>
        ))}
      </div>
      <div className="min-w-0">
        <div className="flex items-start max-md:flex-col">
          <div className={LANE}>
            {out.map((part) => (
              <Segment
                key={part.elementId}
                runId={strip.runId}
                part={part}
                findings={at(part)}
                tall={tall}
                selection={selection}
                select={select}
              />
            ))}
          </div>
          <Lamps strip={strip} findings={own} tall={tall} />
          {strip.back.map((part) => (
            <div key={part.elementId} className="w-20 shrink-0 max-md:w-full">
              <Segment
                runId={strip.runId}
                part={part}
                findings={at(part)}
                tall={tall}
                selection={selection}
                select={select}
              />
            </div>
          ))}
        </div>
        <ControlLanes {...{ strip, roomy, selection, select }} findings={own} />
      </div>
    </article>
  );
}
