import { LIMIT_SHARE } from "../../part/index.ts";
import type { Decided } from "../decide/decide.ts";
import { ownerOf, type KitSwitchPlan } from "../decide/decideFeeders.ts";
import type { CircuitPlan } from "../decide/plan.ts";
import type { GroundBlocks } from "../layOut/piece/groundBlocks.ts";
import type { WireGroup } from "./size.ts";

/** What the wires of a circuit have to bear: its own fuse, or whatever larger one lies before it. */
function circuitGroup(plan: CircuitPlan, controls: readonly KitSwitchPlan[]): WireGroup {
  const { source } = plan.feed;
  const control =
    source.kind === "control" ? controls.find((c) => c.control.id === source.controlId) : undefined;
  // The stub between a factory wire and the run's own fuse has only the factory's before it.
  const upstreamA = Math.max(
    plan.feedWire && source.kind === "pin" ? plan.feedWire.fuseA : 0,
    control?.fuseA ?? 0,
  );
  const ownA = plan.fuseA ?? (upstreamA > 0 ? 0 : plan.drawA.high);
  const behind =
    plan.fuseA === null && upstreamA > ownA
      ? control
        ? "fuse of the control"
        : "factory fuse"
      : plan.fuseA === null
        ? "draw"
        : "fuse";
  return {
    key: plan.run.id,
    ownerId: plan.run.id,
    pinned: plan.run.wire,
    // Behind its own fuse no more comes than that lets through: the piece before it lies by itself.
    throughA: plan.fuseA === null ? Math.max(ownA, upstreamA) : ownA,
    stubA: plan.fuseA === null ? 0 : upstreamA,
    behind,
    told: true,
  };
}

/** Wires that are one size: those of each circuit, supply, switch of the kit and shared return. */
export function groupsOf(decided: Decided, blocks: GroundBlocks): WireGroup[] {
  const supplies = decided.supplies.flatMap((plan): WireGroup[] => {
    const ownerId = ownerOf(plan.supply.id);
    const { part, drawA, fuseA } = plan;
    // What a converter gives before it lets go, whatever hangs on it.
    const outA = part?.kind === "converter" ? part.outA * LIMIT_SHARE : drawA.high;
    const out: WireGroup = {
      ...{ key: `${plan.supply.id}.out`, ownerId, pinned: null, throughA: outA, told: false },
      behind: part?.kind === "converter" ? "limit" : "draw",
    };
    const feed: WireGroup = {
      ...{ key: plan.supply.id, ownerId, pinned: plan.supply.wire, told: true },
      throughA: fuseA ?? drawA.high,
      behind: fuseA === null ? "draw" : "fuse",
    };
    return [feed, out];
  });
  const controls = decided.controls.map(({ control, drawA, fuseA }): WireGroup => ({
    ...{ key: control.id, ownerId: ownerOf(control.id), pinned: control.wire, told: true },
    throughA: fuseA ?? drawA.high,
    behind: fuseA === null ? "draw" : "fuse",
  }));
  const returns = [...blocks.values()].map(({ ownerId, drawA }): WireGroup => ({
    ...{ key: ownerId, ownerId, pinned: null, throughA: drawA.high, behind: "draw", told: true },
  }));
  const circuits = decided.plans.map((plan) => circuitGroup(plan, decided.controls));
  return [...supplies, ...controls, ...returns, ...circuits];
}
