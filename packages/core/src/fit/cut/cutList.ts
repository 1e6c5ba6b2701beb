import { itemAt } from "../../present/index.ts";
import {
  endForm,
  endWords,
  splitNode,
  terminalAt,
  unitAt,
  wiresOf,
  type Circuit,
  type WireElement,
} from "../../circuit/index.ts";
import { wireOhm } from "../../unit/index.ts";
import { ownerName, type Job, type NodeId, type CircuitId } from "../../job/index.ts";
import { bundleDiameterM, nextSizeMm, wireDiameterM } from "./bundle.ts";
import { cutFromSpools, type SpoolPlan } from "./spools.ts";

/** What goes on one end of a wire. */
export interface WireEnd {
  readonly at: string;
  /** Unit and terminal of the circuit, as `units` tells them. */
  readonly unit: string;
  readonly unitTerminal: string;
  readonly terminal: string;
  /** Whether that is taken from the shelf for it. */
  readonly piece: boolean;
  /** Insulation to take off, in mm. */
  readonly stripMm: number;
  /** Heat-shrink over the joint by its inner diameter, in mm; 0 where none goes on. */
  readonly shrinkMm: number;
}

/** One wire to be cut. */
export interface CutLine {
  readonly label: string;
  readonly ownerId: CircuitId;
  readonly owner: string;
  /** Ready-made harness that it comes with; "" for a wire that is cut here. */
  readonly harness: string;
  readonly gaugeId: string;
  readonly colour: string;
  /** As routed, and as it is cut: slack and ends added; 0 where nothing is cut. */
  readonly routedM: number;
  readonly cutM: number;
  /** As solved, in Ω. */
  readonly ohm: number;
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

/** What is cut and what comes made up, and which spools it comes from. */
export interface CutList {
  /** Wires to cut. */
  readonly lines: readonly CutLine[];
  /** Wires that come ready-made: only routed and joined. */
  readonly readyMade: readonly CutLine[];
  readonly spools: readonly SpoolLine[];
  readonly bundles: readonly BundleLine[];
}

/** Length added to what was routed: a share of it for bends. */
export const SLACK_SHARE = 0.03;
/** Length added for a service loop at both ends, in m. */
export const ENDS_M = 0.08;
/** A spool as shops buy it, in m. */
export const SPOOL_M = 10;

/** Shrinks to a half: it goes over the crimp's barrel, about twice as thick as its wire. */
const BARREL = 2;

function endOf(circuit: Circuit, node: NodeId, { gaugeId, harness }: WireElement): WireEnd {
  const { form, name } = terminalAt(circuit, node);
  const { crimp, piece, stripMm, shrink } = endForm(form, harness !== "");
  return {
    at: endWords(circuit, node),
    unit: splitNode(node).unit,
    unitTerminal: name,
    terminal: crimp,
    piece,
    stripMm,
    shrinkMm: shrink ? (nextSizeMm(BARREL * wireDiameterM(gaugeId)) ?? 0) : 0,
  };
}

const byLabel = new Intl.Collator("en", { numeric: true }).compare;

/** Left coiled where there is room, at the battery, by the school that starts at the lamp. */
export const SPARE_M = 0.15;

/** Whole centimetres up: nobody cuts to the millimetre. */
function cutLength(job: Job, circuit: Circuit, wire: WireElement): number {
  const atBattery = [wire.from, wire.to].some((end) => {
    const kind = unitAt(circuit, end)?.kind;
    return kind === "battery" || kind === "pack";
  });
  const spare = atBattery && job.practices.slack === "spare" ? SPARE_M : 0;
  const lengthM = wire.lengthM.value * (1 + SLACK_SHARE) + ENDS_M + spare;
  return Math.ceil(lengthM * 100 - 1e-9) / 100;
}

function lineOf(job: Job, circuit: Circuit, wire: WireElement): CutLine {
  const cut = wire.harness === "";
  return {
    label: wire.label,
    ownerId: wire.runId,
    owner: wire.role === "factory" ? "vehicle" : ownerName(job, wire.runId),
    harness: wire.harness,
    gaugeId: wire.gaugeId,
    colour: wire.colour,
    routedM: wire.lengthM.value,
    cutM: cut ? cutLength(job, circuit, wire) : 0,
    ohm: wireOhm(wire, "value", job.practices.ambientC),
    from: endOf(circuit, wire.from, wire),
    to: endOf(circuit, wire.to, wire),
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
      gaugeId: itemAt(group, 0).gaugeId,
      colour: itemAt(group, 0).colour,
      totalM: lengths.reduce((sum, m) => sum + m, 0),
      plan,
      cuts: plan.spools.map((spool) => spool.map((i) => itemAt(group, i).label)),
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
  const all = wiresOf(circuit).map((wire) => lineOf(job, circuit, wire));
  const lines = all.filter((line) => line.harness === "").sort((a, b) => byLabel(a.label, b.label));
  const readyMade = all.filter((line) => line.harness !== "");
  return { lines, readyMade, spools: spoolsOf(lines, spoolM), bundles: bundlesOf(lines) };
}
