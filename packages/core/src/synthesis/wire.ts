import { decimal } from "../quantity/index.ts";
import type { Practices } from "../job/index.ts";
import { dropShare, solveRunInSeries } from "../solve/index.ts";
import { ampacityA, gaugeOf, gaugesOf, wireResistanceOhm, type Gauge } from "../wire/index.ts";
import { layOutRun, type LayOutPlace } from "./layOut.ts";
import type { Decision } from "./decision.ts";
import { stepsOf } from "./draw.ts";
import type { RunPlan } from "./plan.ts";

/** Drop in the worst lamp's loop for a wire size, as a share of the source; worked out once a size. */
function dropBySize(plan: RunPlan, practices: Practices, place: LayOutPlace): (g: Gauge) => number {
  const known = new Map<string, number>();
  const { run } = plan;
  // Trunks before and behind it take their own share of the drop.
  const alone = { ...place, shared: [], groundBlock: [] };
  return (gauge) => {
    const kept = known.get(gauge.id);
    if (kept !== undefined) return kept;
    let drop: number;
    if (stepsOf(run, plan.loads) > 1) {
      // One current through everything: the loop's length does.
      const loopM = run.feedM.value + run.loadM.value + run.branchM.value * plan.loads.length;
      const ohm = wireResistanceOhm(gauge, loopM, practices.ambientC);
      drop = (plan.drawA.mid * ohm) / plan.feed.volts;
    } else {
      const { circuit, elements } = layOutRun(plan, gauge.id, practices, alone);
      const parts = { elements: new Map(elements.map((e) => [e.id, e])) };
      const at = new Map();
      const powerOnly = { ...circuit, coil: null, shared: [] };
      const volts = plan.feed.volts;
      solveRunInSeries(parts, powerOnly, volts, "value", practices.ambientC, at);
      drop = dropShare(circuit, { sourceV: volts, packV: volts, at });
    }
    known.set(gauge.id, drop);
    return drop;
  };
}

/** First of sizes, thinnest to thickest, that passes; drop only falls as wire grows. */
function firstPassing(sizes: readonly Gauge[], passes: (g: Gauge) => boolean): Gauge | null {
  let [low, high] = [0, sizes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (passes(sizes[middle]!)) high = middle;
    else low = middle + 1;
  }
  return sizes[low] ?? null;
}

interface WireQuestion {
  readonly pinned: string | null;
  /** What may flow before something opens, in A, and what that something is. */
  readonly throughA: number;
  readonly behind: string;
  readonly target: number;
  readonly dropWith: (gauge: Gauge) => number;
}

/**
 * Thinnest size that carries what its fuse lets through and keeps the drop, out and back,
 * under the target. Where none does, the thinnest that loses hardly more than the thickest
 * would: more copper helps nobody then, and the rules say what is amiss.
 */
export function chooseWire(q: WireQuestion, practices: Practices): Decision<string> {
  const facts = (gauge: Gauge): string => {
    const carries = ampacityA(gauge, practices);
    return `carries ${decimal(carries)} A (${q.behind} ${decimal(q.throughA)} A), drops ${decimal(100 * q.dropWith(gauge))} % out and back (target ${decimal(100 * q.target)} %)`;
  };
  if (q.pinned !== null) {
    const gauge = gaugeOf(q.pinned);
    return { value: gauge.id, picked: gauge.id, reason: `Pinned; ${facts(gauge)}.`, pinned: true };
  }
  const all = gaugesOf(practices.wireSystem);
  const carrying = all.filter((gauge) => ampacityA(gauge, practices) >= q.throughA);
  const good = firstPassing(carrying, (gauge) => q.dropWith(gauge) <= q.target);
  const sizes = carrying.length > 0 ? carrying : all;
  const thickest = sizes[sizes.length - 1]!;
  const gauge =
    good ?? firstPassing(sizes, (g) => q.dropWith(g) <= q.dropWith(thickest) * 1.1) ?? thickest;
  const driver = carrying[0] === gauge ? "the fuse decides" : "the drop decides";
  return {
    value: gauge.id,
    picked: gauge.id,
    reason: good
      ? `Thinnest that will do (${driver}): ${facts(gauge)}.`
      : `No size here is enough: ${facts(gauge)}.`,
    pinned: false,
  };
}

/** The wire of a run's power path. */
export function decideWire(
  plan: RunPlan,
  practices: Practices,
  place: LayOutPlace,
  /** Fuse of the control that the run hangs behind, in A; 0 without one. */
  trunkFuseA: number,
  /** Share of the drop target that is the run's own; trunks before it take the rest. */
  share: number,
): Decision<string> {
  // The stub between a factory wire and the run's own fuse has only the factory's before it.
  const upstreamA = Math.max(
    plan.feedPin && plan.feed.source.kind === "pin" ? plan.feedPin.fuseA : 0,
    plan.feed.source.kind === "control" ? trunkFuseA : 0,
  );
  const ownA = plan.fuseA ?? (upstreamA > 0 ? 0 : plan.drawA.high);
  const throughA = Math.max(ownA, upstreamA);
  const behind =
    upstreamA > ownA
      ? plan.feed.source.kind === "control"
        ? "fuse of the control"
        : "factory fuse"
      : plan.fuseA === null
        ? "draw"
        : "fuse";
  return chooseWire(
    {
      pinned: plan.run.wire,
      throughA,
      behind,
      target: practices.dropTarget * share,
      dropWith: dropBySize(plan, practices, place),
    },
    practices,
  );
}
