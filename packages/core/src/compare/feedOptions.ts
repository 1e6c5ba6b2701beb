import { bestConverter, fromSupply } from "./converter.ts";
import { elementOf, elementsOf, type Circuit } from "../circuit/index.ts";
import {
  applyEdits,
  asId,
  setCircuit,
  type Edit,
  type FeedWay,
  type Job,
  type LightingCircuit,
  type CircuitId,
} from "../job/index.ts";
import type { Part } from "../part/index.ts";
import { workLevel } from "../part/index.ts";
import { everythingOn, solveUnderLoad } from "../network/index.ts";
import { packEvening, type PackEvening } from "../budget/pack/packEvening.ts";
import { faultsOfElement } from "../proof/index.ts";
import { packRangeV, restVolts } from "../source/index.ts";
import { checkedCircuit } from "../plan/planJob.ts";
import { worstShareV, type Finding } from "../rule/index.ts";
import { materialsOf } from "../lineDiagram/index.ts";
import { drawOf, loadsOf, synthesise } from "../synthesis/index.ts";

/** Volts at the lamps of a run at one voltage of the pack. */
export interface WayPoint {
  readonly packV: number;
  readonly lowV: number;
  readonly highV: number;
  /** Least of the lamps' levels, 0 to about 1. */
  readonly level: number;
}

/** One way to feed the same lamps from a pack vehicle, with everything that tells it from the others. */
export interface FeedOption {
  readonly kind: FeedWay;
  readonly label: string;
  /** The edits that choose it. */
  readonly edits: readonly Edit[];
  readonly current: boolean;
  /** Why it cannot be chosen; "" when it can. */
  readonly refused: string;
  readonly points: readonly WayPoint[];
  readonly evening: PackEvening | null;
  /** Lamps dark when one lamp has gone open, of how many, and what one shorted does. */
  readonly darkWithOne: number;
  readonly lamps: number;
  readonly shorted: string;
  /** Highest volts that tolerance may put on one lamp of a string, pack full; null elsewhere. */
  readonly worstV: number | null;
  /** What the run and what feeds it cost in parts, wire apart. */
  readonly money: number;
  readonly parts: readonly string[];
  readonly stops: readonly Finding[];
  /** In a word or two: what it does to the blocks, and what else to charge. */
  readonly effect: string;
}

const STEPS = 7;

function pointsOf(job: Job, circuit: Circuit, runId: CircuitId): WayPoint[] {
  const { system } = job.vehicle;
  if (system.kind === "engine") return [];
  const { lowV, highV } = packRangeV(system.pack);
  const run = circuit.runs.find((r) => r.runId === runId);
  if (!run) return [];
  return Array.from({ length: STEPS }, (_, i): WayPoint => {
    const packV = lowV + ((highV - lowV) * i) / (STEPS - 1);
    const position = everythingOn(job, { ...restVolts(job.vehicle), packV });
    const solved = solveUnderLoad(job, circuit, position);
    const lamps = run.branches.map((branch) => {
      const at = solved.kind === "solved" ? solved.point.at.get(branch.load) : undefined;
      const load = elementOf(circuit, branch.load);
      const volts = at ? at.fromV - at.toV : 0;
      const level = at && load.kind === "load" ? workLevel(load.part.load, volts, at.currentA) : 0;
      return { volts, level };
    });
    return {
      packV,
      lowV: Math.min(...lamps.map((l) => l.volts)),
      highV: Math.max(...lamps.map((l) => l.volts)),
      level: Math.min(...lamps.map((l) => l.level)),
    };
  });
}

/** What one dead lamp of a run does to the others. */
function oneDead(job: Job, circuit: Circuit, runId: CircuitId) {
  const run = circuit.runs.find((r) => r.runId === runId);
  if (!run) return { dark: 0, shorted: "" };
  const first = run.branches[0]?.load;
  const results = first ? faultsOfElement(job, circuit, run, first) : [];
  const open = results.find((f) => f.kind === "open");
  const short = results.find((f) => f.kind === "shorted");
  const shorted = !short
    ? ""
    : short.opens && short.opens.time.mostS < Infinity
      ? `${short.opens.words} opens`
      : run.steps > 1
        ? "the others take its volts"
        : "nothing opens";
  return { dark: open?.dark.length ?? 0, shorted };
}

/** Prices of what a run takes that others do not: its lamps, and what feeds it. */
function costOf(job: Job, runId: CircuitId): { money: number; parts: string[] } {
  const run = job.runs.find((r) => r.id === runId);
  const supply = run?.feed.kind === "supply" ? run.feed.supplyId : null;
  const feeding = job.supplies.find((s) => s.id === supply);
  const ids = [
    ...job.lamps.filter((l) => l.runId === runId).map((l) => l.partId),
    ...(feeding ? [feeding.partId] : []),
  ];
  const found = ids.flatMap((id) => job.parts.find((p) => p.id === id) ?? []);
  const alone: Job = {
    ...job,
    runs: job.runs.filter((r) => r.id === runId),
    lamps: job.lamps.filter((l) => l.runId === runId),
    supplies: feeding ? [feeding] : [],
    deviations: [],
  };
  const parts = materialsOf(alone, synthesise(alone))
    .filter((line) => line.unit === "")
    .map((line) => `${line.count} × ${line.name}`);
  return { money: found.reduce((sum, p) => sum + p.price, 0), parts };
}

interface Draft {
  readonly kind: FeedWay;
  readonly label: string;
  readonly edits: readonly Edit[];
  readonly current: boolean;
  readonly refused: string;
  readonly effect: string;
}

const partOf = (job: Job, id: string | undefined): Part | undefined =>
  job.parts.find((p) => p.id === id);

const feedingPart = (job: Job, run: LightingCircuit): Part | undefined => {
  const { feed } = run;
  return feed.kind === "supply"
    ? partOf(job, job.supplies.find((s) => s.id === feed.supplyId)?.partId)
    : undefined;
};

function drafts(job: Job, run: LightingCircuit, shelf: readonly Part[]): Draft[] {
  const { system } = job.vehicle;
  if (system.kind === "engine") return [];
  const { pack } = system;
  const lamps = job.lamps.filter((l) => l.runId === run.id);
  const now = feedingPart(job, run);
  const loads = lamps.flatMap((l) => partOf(job, l.partId) ?? []).filter((p) => p.kind === "load");
  const drawA = drawOf({ ...run, arrangement: "parallel" }, loadsOf(job, run), 12).mid;
  const converter =
    now?.kind === "converter" ? now : bestConverter(job, drawA, [...job.parts, ...shelf]);
  const battery = [...job.parts, ...shelf].find((p) => p.kind === "battery");
  const steps = Math.max(2, Math.round(pack.nominalV / 12));
  const perStep = Math.max(1, Math.floor(lamps.length / steps));
  const evenly = lamps.length === steps * perStep;
  const driven = loads.find((p) => p.load.kind === "drivenLed");
  const blockV = pack.nominalV / pack.blocks;
  const blocks = Math.max(1, Math.ceil(11 / blockV));
  const taps = pack.blocks > 1 && blocks < pack.blocks;
  return [
    {
      kind: "converter",
      label: "Converter across the whole pack",
      edits: converter ? fromSupply(job, run, converter, "switch") : [],
      current: now?.kind === "converter",
      refused: converter ? "" : "No converter on the shelf bears this pack and gives enough.",
      effect: "every block is drawn down alike",
    },
    {
      kind: "series",
      label: `Series string of ${steps}${perStep > 1 ? `, ${perStep} in parallel in each step` : ""}`,
      edits: [
        setCircuit(run.id, "feed", { kind: "pack" }),
        setCircuit(run.id, "arrangement", "series"),
        setCircuit(run.id, "perStep", perStep),
      ],
      current: run.arrangement === "series",
      refused: driven
        ? `${driven.name} has a switching driver inside: it takes more current as its volts fall, so lamps in a string do not share.`
        : evenly
          ? ""
          : `${lamps.length} lamps do not part into ${steps} even steps; ${steps * Math.max(1, perStep)} would.`,
      effect: "every block is drawn down alike; nothing between to fail or pay for",
    },
    {
      kind: "block",
      label: taps ? `Tap at ${blocks} of ${pack.blocks} blocks` : "Tapped block",
      edits: [
        setCircuit(run.id, "feed", { kind: "block", blocks }),
        setCircuit(run.id, "arrangement", "parallel"),
      ],
      current: run.feed.kind === "block",
      refused: taps ? "" : "This pack has no block near 12 V that can be tapped.",
      effect: "the tapped blocks are drawn down more than the others",
    },
    {
      kind: "battery",
      label: "12 V battery of its own",
      edits: battery ? fromSupply(job, run, battery, "always") : [],
      current: now?.kind === "battery",
      refused: battery ? "" : "No 12 V battery on the shelf.",
      effect: "the pack is not touched; one more thing to charge",
    },
  ];
}

/** The edits that choose one of the ways for a run, or why it cannot be chosen. */
export function wayEdits(
  job: Job,
  run: LightingCircuit,
  kind: FeedWay,
  shelf: readonly Part[],
): Pick<Draft, "edits" | "refused" | "label"> {
  const none = { edits: [], label: "", refused: "only a vehicle with a pack has this choice" };
  return drafts(job, run, shelf).find((draft) => draft.kind === kind) ?? none;
}

/**
 * The four ways to feed a run's lamps on a pack vehicle, each built and tried on the whole
 * job: volts over the pack's range, loss, what it draws parked, what it does to the blocks,
 * what one dead lamp does, parts and money. `shelf` offers what the job has not used yet.
 */
export function compareWays(job: Job, runId: CircuitId, shelf: readonly Part[]): FeedOption[] {
  const run = job.runs.find((r) => r.id === runId);
  if (!run) return [];
  const lamps = job.lamps.filter((l) => l.runId === runId).length;
  return drafts(job, run, shelf).map((draft): FeedOption => {
    // What cannot be built has no figures to compare.
    const buildable = draft.refused === "" && draft.edits.length > 0;
    const made = buildable ? applyEdits(job, draft.edits) : null;
    const bare: FeedOption = {
      ...draft,
      points: [],
      evening: null,
      darkWithOne: 0,
      lamps,
      shorted: "",
      worstV: null,
      money: 0,
      parts: [],
      stops: [],
    };
    if (!made?.ok) return bare;
    const then = made.job;
    const { circuit, findings } = checkedCircuit(then);
    const one = oneDead(then, circuit, runId);
    return {
      ...bare,
      ...costOf(then, runId),
      points: pointsOf(then, circuit, runId),
      evening: packEvening(withEvening(then, runId), circuit),
      darkWithOne: one.dark,
      shorted: one.shorted,
      worstV: worstOf(then, circuit, runId),
      stops: findings.filter((f) => f.severity === "stop" && concerns(then, f, runId)),
    };
  });
}

function worstOf(job: Job, circuit: Circuit, runId: CircuitId): number | null {
  const { system } = job.vehicle;
  const run = circuit.runs.find((r) => r.runId === runId);
  if (!run || run.steps < 2 || system.kind === "engine") return null;
  const loads = elementsOf(
    circuit,
    run.branches.map((b) => b.load),
    "load",
  );
  return worstShareV(loads, run.steps, packRangeV(system.pack).highV);
}

const concerns = (job: Job, finding: Finding, runId: CircuitId): boolean => {
  const run = job.runs.find((r) => r.id === runId);
  const supply = run?.feed.kind === "supply" ? run.feed.supplyId : "";
  return finding.place.runId === runId || finding.place.runId === asId<CircuitId>(supply);
};

/** The evening is compared with this run burning, whatever it is planned to do. */
const withEvening = (job: Job, runId: CircuitId): Job => ({
  ...job,
  runs: job.runs.map((run) => ({ ...run, onEngineOff: run.id === runId ? 1 : 0 })),
});
