import {
  addLamps,
  adoptPart,
  append,
  applyEdits,
  type Edit,
  type Job,
  type LampId,
  type LightingCircuit,
} from "../job/index.ts";
import type { Part } from "../part/index.ts";
import { synthesise } from "../synthesis/index.ts";
import { judgeFlash, measureFlash } from "./measure.ts";
import type { ControlScript } from "./script.ts";
import { simulateSignals, type SideTrace } from "./simulate.ts";

/** Ways to a proper flash. */
export const REMEDY_KINDS = ["asItIs", "flasher", "equaliser", "resistor", "coding"] as const;

/** One way to a proper flash, tried on the whole job. */
export interface FlashRemedy {
  readonly kind: (typeof REMEDY_KINDS)[number];
  readonly label: string;
  readonly edits: readonly Edit[];
  /** Slowest and fastest of its turn lamps, a minute; 0 where none flashes. */
  readonly perMin: number;
  readonly verdict: string;
  readonly sides: readonly SideTrace[];
  /** Heat of what is added at the flash's duty, and while it is lit, in W each. */
  readonly heatW: number;
  readonly litW: number;
  readonly money: number;
  readonly why: string;
}

/** Whether a run turns: only then is its flash held to the limits of a turn signal. */
export const usesSide = (run: LightingCircuit): boolean =>
  run.condition.anyOf.flat().some((t) => t.input === "left" || t.input === "right");

const RUNNING_V = 13.5;

/** Heat of one load part at the voltage a flasher works at, in W. */
function heatOf(part: Part): number {
  if (part.kind !== "load") return 0;
  const { load } = part;
  if (load.kind === "resistive") return (load.powerW.value * RUNNING_V ** 2) / load.ratedV ** 2;
  return load.kind === "constantCurrent" ? load.currentA.value * RUNNING_V * EQUALISER_SHARE : 0;
}

/** An equaliser draws its current for the moment the flasher looks, a tenth of the time: common practice. */
const EQUALISER_SHARE = 0.1;

/** Adds one of a part to each run that turns, on its own side. */
function onEachSide(job: Job, part: Part): { edits: Edit[]; count: number } {
  const runs = job.runs.filter(usesSide);
  let n = 0;
  let then = job;
  const edits: Edit[] = [];
  for (const run of runs) {
    const place = job.lamps.find((l) => l.runId === run.id)?.place ?? "rear";
    const made = addLamps(then, run, part, 1, place, () => {
      n += 1;
      return `remedy-${run.id}-${n}` as LampId;
    });
    const applied = applyEdits(then, made);
    if (!applied.ok) continue;
    edits.push(...made);
    then = applied.job;
  }
  return { edits, count: runs.length };
}

function tried(
  job: Job,
  script: ControlScript,
  draft: Omit<FlashRemedy, "perMin" | "verdict" | "sides">,
): FlashRemedy {
  const made = applyEdits(job, draft.edits);
  const then = made.ok ? made.job : job;
  const trace = simulateSignals(then, synthesise(then), script);
  const turning = trace.lamps.filter((lamp) => {
    const run = then.runs.find((r) => r.id === lamp.runId);
    return run !== undefined && usesSide(run) && lamp.light !== "none";
  });
  const measures = turning.flatMap((lamp) => measureFlash(lamp) ?? []);
  const worst = measures.map(judgeFlash).find((words) => words !== "");
  const steady = turning.length > 0 && measures.length === 0;
  return {
    ...draft,
    perMin: measures[0]?.perMin ?? 0,
    verdict: steady ? "does not flash" : (worst ?? (measures.length > 0 ? "a proper flash" : "")),
    sides: trace.sides,
  };
}

/**
 * Remedies for the flash, side by side: a flasher for any load, an equaliser a side, a
 * resistor a side, or telling the vehicle's monitor. Each is built into the job and played.
 */
export function flashRemedies(
  job: Job,
  script: ControlScript,
  shelf: readonly Part[],
): FlashRemedy[] {
  const { turn } = job.vehicle;
  const all = [...job.parts, ...shelf];
  const asItIs = tried(job, script, {
    kind: "asItIs",
    label: "Current choice",
    edits: [],
    heatW: 0,
    litW: 0,
    money: 0,
    why: "",
  });
  const made: FlashRemedy[] = [asItIs];
  const kit = job.supplies.find((s) => all.find((p) => p.id === s.partId)?.kind === "flasher");
  const flasher = all.find((p) => p.kind === "flasher" && p.principle === "indifferent");
  if (flasher?.kind === "flasher" && (turn || kit) && turn?.principle !== "bus") {
    const edits: Edit[] = kit
      ? [
          ...adoptPart(job, flasher),
          { kind: "set", entity: "supply", id: kit.id, field: "partId", value: flasher.id },
        ]
      : [
          ...adoptPart(job, flasher),
          { kind: "setOnce", entity: "turn", field: "principle", value: "indifferent" },
          {
            kind: "setOnce",
            entity: "turn",
            field: "ratePerMin",
            value: flasher.ratePerMin,
          },
          append(job, "kitItem", {
            id: "remedy-flasher",
            name: flasher.name,
            needed: 1,
            inBox: 0,
          }),
        ];
    made.push(
      tried(job, script, {
        kind: "flasher",
        label: flasher.name,
        edits,
        heatW: 0,
        litW: 0,
        money: flasher.price,
        why: "One part, no heat; nobody is told of a dead lamp any more.",
      }),
    );
  }
  for (const kind of ["equaliser", "resistor"] as const) {
    const part = all.find((p) => p.kind === "load" && p.family === kind);
    if (!part) continue;
    const { edits, count } = onEachSide(job, part);
    if (count === 0) continue;
    const litW = heatOf(part);
    const share = turn?.onShare ?? 0.5;
    made.push(
      tried(job, script, {
        kind,
        label: `${part.name}, one a side`,
        edits,
        litW,
        heatW: litW * share,
        money: part.price * count,
        why:
          kind === "resistor"
            ? "Real heat: on metal, off plastic, off the loom, where nobody touches it."
            : "In line, each on its own side: left in is left out.",
      }),
    );
  }
  if (turn?.principle === "bus") {
    made.push(
      tried(job, script, {
        kind: "coding",
        label: "Tell the vehicle: LED turn lamps",
        edits: [{ kind: "setOnce", entity: "turn", field: "leastA", value: 0 }],
        heatW: 0,
        litW: 0,
        money: 0,
        why: "Through the maker's diagnosis or a module that can write it; no part, no heat.",
      }),
    );
  }
  return made;
}
