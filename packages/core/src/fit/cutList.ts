import type { Circuit, WireElement } from "../circuit/index.ts";
import { ownerName, type Job, type RunId } from "../job/index.ts";
import { bundleDiameterM, nextSizeMm, wireDiameterM } from "./bundle.ts";
import { cutFromSpools, type SpoolPlan } from "./spools.ts";

/** What goes on one end of a wire. */
export interface WireEnd {
  readonly at: string;
  readonly terminal: string;
  /** Insulation to take off, in mm. */
  readonly stripMm: number;
  /** Heat-shrink over the joint by its inner diameter, in mm; 0 where none goes on. */
  readonly shrinkMm: number;
}

/** One wire to be cut. */
export interface CutLine {
  readonly label: string;
  readonly ownerId: RunId;
  readonly owner: string;
  readonly gaugeId: string;
  readonly colour: string;
  /** As routed, and as it is cut: slack and ends added. */
  readonly routedM: number;
  readonly cutM: number;
  readonly from: WireEnd;
  readonly to: WireEnd;
}

/** Pieces of one size and colour, and how they come off spools. */
export interface SpoolLine {
  readonly gaugeId: string;
  readonly colour: string;
  readonly totalM: number;
  readonly plan: SpoolPlan;
  /** Labels on each spool, in the order they are cut. */
  readonly cuts: readonly (readonly string[])[];
}

/** A run's wires side by side. */
export interface BundleLine {
  readonly owner: string;
  readonly wires: number;
  readonly diameterM: number;
  readonly sleeveMm: number | null;
}

export interface CutList {
  readonly lines: readonly CutLine[];
  readonly spools: readonly SpoolLine[];
  readonly bundles: readonly BundleLine[];
}

/** Length added to what was routed: a share for bends, and a service loop at both ends, in m. */
export const SLACK_SHARE = 0.03;
export const ENDS_M = 0.08;
/** A spool as shops buy it, in m. */
export const SPOOL_M = 10;

/** Terminals by what an end goes to: the hand's usual choice, common practice. */
const ENDS: readonly (readonly [RegExp, string, number])[] = [
  [/^battery|^pack/, "ring terminal M6", 7],
  [/^ground block$/, "ring terminal M5", 7],
  [/^ground$/, "ring terminal M6", 7],
  [/splice|^step/, "crimp splice", 10],
  [/^relay|^switch$|input$/, "spade terminal 6.3 mm", 6],
  [/^fuse$/, "crimp to holder", 8],
  [/^tap$|^feed$/, "tap splice", 10],
];

/** Shrinks to a half: it goes over the crimp's barrel, about twice as thick as its wire. */
const BARREL = 2;

function endOf(at: string, gaugeId: string): WireEnd {
  const found = ENDS.find(([pattern]) => pattern.test(at));
  return {
    at,
    terminal: found?.[1] ?? "as the part has it",
    stripMm: found?.[2] ?? 6,
    shrinkMm: found ? (nextSizeMm(BARREL * wireDiameterM(gaugeId)) ?? 0) : 0,
  };
}

const byLabel = new Intl.Collator("en", { numeric: true }).compare;

/** Left coiled where there is room, at the battery, by the school that starts at the lamp. */
export const SPARE_M = 0.15;

/** Whole centimetres up: nobody cuts to the millimetre. */
function cutLength(job: Job, wire: WireElement): number {
  const atBattery = wire.ends.some((end) => /^battery|^pack/.test(end));
  const spare = atBattery && job.practices.slack === "spare" ? SPARE_M : 0;
  const lengthM = wire.lengthM.value * (1 + SLACK_SHARE) + ENDS_M + spare;
  return Math.ceil(lengthM * 100 - 1e-9) / 100;
}

function lineOf(job: Job, wire: WireElement): CutLine {
  return {
    label: wire.label,
    ownerId: wire.runId,
    owner: ownerName(job, wire.runId),
    gaugeId: wire.gaugeId,
    colour: wire.colour,
    routedM: wire.lengthM.value,
    cutM: cutLength(job, wire),
    from: endOf(wire.ends[0], wire.gaugeId),
    to: endOf(wire.ends[1], wire.gaugeId),
  };
}

function spoolsOf(lines: readonly CutLine[], spoolM: number): SpoolLine[] {
  const groups = new Map<string, CutLine[]>();
  for (const line of lines) {
    const key = `${line.gaugeId}|${line.colour}`;
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  return [...groups.values()].map((group): SpoolLine => {
    const lengths = group.map((line) => line.cutM);
    const plan = cutFromSpools(lengths, Math.max(spoolM, ...lengths));
    return {
      gaugeId: group[0]!.gaugeId,
      colour: group[0]!.colour,
      totalM: lengths.reduce((sum, m) => sum + m, 0),
      plan,
      cuts: plan.spools.map((spool) => spool.map((i) => group[i]!.label)),
    };
  });
}

function bundlesOf(lines: readonly CutLine[]): BundleLine[] {
  const owners = new Map<string, CutLine[]>();
  for (const line of lines) owners.set(line.owner, [...(owners.get(line.owner) ?? []), line]);
  return [...owners].map(([owner, list]): BundleLine => {
    const diameterM = bundleDiameterM(list.map((l) => l.gaugeId));
    return { owner, wires: list.length, diameterM, sleeveMm: nextSizeMm(diameterM) };
  });
}

/** Every wire to cut with its ends, how they come off spools, and how thick they lie together. */
export function cutListOf(job: Job, circuit: Circuit, spoolM = SPOOL_M): CutList {
  const lines = [...circuit.elements.values()]
    .flatMap((e) => (e.kind === "wire" && !e.pigtail ? [lineOf(job, e)] : []))
    .sort((a, b) => byLabel(a.label, b.label));
  return { lines, spools: spoolsOf(lines, spoolM), bundles: bundlesOf(lines) };
}
