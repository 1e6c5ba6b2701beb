import type { Job, PinId } from "../../job/index.ts";
import { GENERIC_RELAY, relayForV, type RelayPart } from "../../part/index.ts";
import { decimal, interval, type Interval } from "../../quantity/index.ts";
import { fuseForDraw } from "../../protection/index.ts";
import type { Choice } from "../../circuit/index.ts";
import type { KitSwitchPlan, SupplyPlan } from "../decide/decideFeeders.ts";
import type { CircuitPlan } from "../decide/plan.ts";
import { rootOfPin } from "./pinOrigin.ts";
import { COIL_FUSE_A } from "../defaults.ts";
import { rangeOfRoot } from "../draw/rangeOf.ts";
import type { SignalWire } from "./signalWire.ts";

/** One fuse for all coils that are fed from one wire, and where they part. */
export interface ControlFeedPlan {
  readonly wire: SignalWire;
  readonly coils: number;
  readonly drawA: Interval;
  readonly fuseA: number;
}

interface CoilOn {
  readonly wire: SignalWire;
  readonly part: RelayPart;
}

/** Relay of a signal that comes from a wire of this vehicle, for the volts of that wire. */
export const relayOnWire = (wire: SignalWire, packV: number): RelayPart =>
  wire.supply === "pack" && packV > 0 ? relayForV(packV) : GENERIC_RELAY;

/** A board that is worked by the coils' ground feeds them from its own bar. */
export const boardByGround = (plan: CircuitPlan): boolean =>
  plan.box?.form === "relayBoard" &&
  (plan.coilTap?.switches === "ground" || (plan.ownSwitch && plan.switching === "negative"));

function coilsOfRun(plan: CircuitPlan): CoilOn[] {
  if (!plan.useRelay) return [];
  if (plan.logic) {
    return plan.logic.flatMap((way): CoilOn[] => [
      ...(way.feed ? [{ wire: way.feed, part: plan.relayPart }] : []),
      ...way.helpers.map(({ wire }) => ({ wire, part: relayOnWire(wire, plan.packV) })),
    ]);
  }
  const { coilTap } = plan;
  return coilTap && !boardByGround(plan) ? [{ wire: coilTap, part: plan.relayPart }] : [];
}

function coilOfSupply({ supply, key }: SupplyPlan, packV: number): CoilOn[] {
  return key && supply.gate === "key" ? [{ wire: key, part: relayOnWire(key, packV) }] : [];
}

/**
 * Whether coils on it start from one place: a factory wire, or a contact of the kit that runs share.
 * Poles of their own are places of their own.
 */
const isOnePlace = (controls: readonly KitSwitchPlan[], wire: SignalWire): boolean =>
  wire.from.kind !== "kit" ||
  controls.some(({ positions }) => positions.some((p) => p.wire.id === wire.id && p.tied));

/**
 * Wires that feed more coils than one: one fuse at the tap does for all of them, as long as it
 * carries them together. Common practice.
 */
export function decideControlFeeds(
  job: Job,
  plans: readonly CircuitPlan[],
  supplies: readonly SupplyPlan[],
  controls: readonly KitSwitchPlan[],
): ReadonlyMap<PinId, ControlFeedPlan> {
  const { system } = job.vehicle;
  const packV = system.kind === "engine" ? 0 : system.pack.nominalV;
  const byWire = new Map<PinId, CoilOn[]>();
  const coils = [
    ...supplies.flatMap((plan) => coilOfSupply(plan, packV)),
    ...plans.flatMap(coilsOfRun),
  ];
  // What ties to ground feeds nothing: its coils are fed from behind their runs' own fuses.
  for (const coil of coils.filter(({ wire }) => wire.switches === "positive")) {
    byWire.set(coil.wire.id, [...(byWire.get(coil.wire.id) ?? []), coil]);
  }
  const feeds = new Map<PinId, ControlFeedPlan>();
  for (const [id, on] of byWire) {
    const [first, second] = on;
    if (!first || !second || !isOnePlace(controls, first.wire)) continue;
    const { lowV, highV } = rangeOfRoot(job, rootOfPin(first.wire));
    const sum = (volts: number, side: "low" | "value" | "high"): number =>
      on.reduce((amps, { part }) => amps + volts / part.coilOhm[side], 0);
    const middle = (lowV + highV) / 2;
    const drawA = interval(sum(lowV, "high"), sum(middle, "value"), sum(highV, "low"));
    const fuseA = fuseForDraw(drawA.high, job.practices.fuseSchool, COIL_FUSE_A);
    // Beyond the ladder each keeps its own.
    if (fuseA !== null) feeds.set(id, { wire: first.wire, coils: on.length, drawA, fuseA });
  }
  return feeds;
}

/** The choice of its fuse, in words. */
export const controlFeedChoice = (plan: ControlFeedPlan): Omit<Choice, "runId"> => ({
  kind: "fuse",
  picked: `${decimal(plan.fuseA)} A`,
  reason: `One fuse at the tap for the ${plan.coils} coils that this wire works: ${decimal(plan.drawA.high, 2)} A together at most.`,
  pinned: false,
});
