import {
  decimal,
  fixed,
  lookOf,
  type Finding,
  type LaneLook,
  type CircuitId,
  type DiagramPart,
} from "@dragonet/core";
import { SeverityMark, severityWord } from "../../ui/Severity.tsx";
import { Lane } from "./Lane.tsx";
import type { Selecting } from "../selection.ts";
import { SuspicionMark } from "./SuspicionMark.tsx";
import { useSuspicion } from "./suspects.ts";

interface SegmentProps extends Selecting {
  readonly runId: CircuitId;
  readonly part: DiagramPart;
  readonly findings: readonly Finding[];
  /** Names beside it take two lines: its own stands at the foot of them, so that the lane is straight. */
  readonly tall: boolean;
}

const GROW: Readonly<Record<LaneLook["grow"], string>> = {
  1: "flex-[1]",
  2: "flex-[2]",
  3: "flex-[3]",
};

/** Parts of a lane, in more lines than one where there is no room for all of them beside each other. */
export const LANE =
  "flex min-w-0 flex-1 flex-wrap items-start gap-y-1 max-md:w-full max-md:flex-col max-md:flex-nowrap";

/** Letters that fit one line of a segment, however much room there is beside it. */
const ONE_LINE = 13;
/** What a letter of a name takes, and a lane to the lamps and one that goes on under them at 1280, in px. */
const LETTER_PX = 6.4;
const LANE_PX = { lamps: 466, whole: 660 } as const;
const ROOMY_PX = { lamps: 370, whole: 560 } as const;

/** What names have of a lane, in px at their usual size: larger letters have less. */
export const lanePxOf = (roomy: boolean) => (roomy ? ROOMY_PX : LANE_PX);

/** Whether any name of a lane takes two lines, each with its share of the lane. */
export function isTall(parts: readonly DiagramPart[], lanePx: number): boolean {
  const shares = parts.reduce((sum, part) => sum + lookOf(part.kind).grow, 0);
  return parts.some(({ name, kind }) => {
    const fits = (lanePx * lookOf(kind).grow) / shares / LETTER_PX;
    return name.length > Math.min(ONE_LINE, fits);
  });
}

/** A number stays with its unit where a line is broken; two colours part behind their stroke. */
const UNIT = /(\d) (?=(?:mm|cm|m|in|ft|A|V|W|Ω)(?:$|\P{L}))/gu;

/** Everything a segment shows, in words. */
function spoken(part: DiagramPart, findings: readonly Finding[], suspicion: number | null): string {
  const suspected =
    suspicion === null ? "" : ` Suspected with ${decimal(100 * suspicion, 0)} per cent.`;
  const trouble = findings.map((f) => `${severityWord(f.severity)}: ${f.title}.`).join(" ");
  return `${part.name}, ${part.detail}, ${fixed(part.fromV, 2)} to ${fixed(part.toV, 2)} volts, ${fixed(part.currentA, 2)} amps. ${trouble}${suspected}`;
}

/** One part on a strip; pressed, it opens its reason and what else could be picked. */
export function Segment({ runId, part, findings, tall, selection, select }: SegmentProps) {
  const { choice } = part;
  const chosen = selection.kind === "part" && selection.elementId === part.elementId;
  const worst = findings[0];
  const suspicion = useSuspicion(part.elementId);
  const body = (
    <>
      <span
        className={`flex items-end gap-1 text-small leading-4 font-bold max-md:col-start-2 max-md:row-start-1 ${tall ? "md:h-8" : ""}`}
      >
        <SuspicionMark elementId={part.elementId} />
        {worst && <SeverityMark severity={worst.severity} word={false} />}
        <span className="min-w-0 break-words md:line-clamp-2">{part.name}</span>
      </span>
      <span className="block max-md:col-start-1 max-md:row-span-2 max-md:row-start-1">
        <Lane part={part} />
      </span>
      <span className="block text-small leading-4 break-words text-muted max-md:col-start-2">
        {part.detail.replaceAll(UNIT, "$1\u00a0").replaceAll("/", "/\u200b")}
      </span>
      <span className="num block text-small leading-4 max-md:col-start-3 max-md:row-start-1">
        {fixed(part.fromV, 2)} V
      </span>
    </>
  );
  // No narrower than its volts: a lane with many parts goes on in a second line instead.
  const shape = `block min-w-0 px-0.5 md:min-w-[3.3rem] text-left max-md:grid max-md:w-full max-md:grid-cols-[5rem_minmax(0,1fr)_auto] max-md:items-center max-md:gap-x-2 max-md:py-1 ${GROW[lookOf(part.kind).grow]}`;
  if (choice === null) {
    return (
      <div className={shape} role="img" aria-label={spoken(part, findings, suspicion)}>
        {body}
      </div>
    );
  }
  return (
    <button
      type="button"
      // Reached from its circuit's name by the arrow keys.
      tabIndex={-1}
      aria-label={spoken(part, findings, suspicion)}
      aria-pressed={chosen}
      className={`${shape} rounded-control border-b-2 hover:bg-accent-wash ${chosen ? "border-accent bg-accent-wash" : "border-transparent"}`}
      onClick={() => select({ kind: "part", runId, choice, elementId: part.elementId })}
    >
      {body}
    </button>
  );
}
