import { withBrakes, type Job, type PinId } from "../../job/index.ts";
import { decideControlFeeds, type ControlFeedPlan } from "../pick/coilsOn.ts";
import { tapsFor } from "../pick/tap.ts";
import {
  decideKitSwitches,
  decideSupplies,
  type KitSwitchPlan,
  type SupplyPlan,
} from "./decideFeeders.ts";
import type { CircuitPlan, Notes } from "./plan.ts";
import { planCircuit } from "./circuit/planCircuit.ts";

/**
 * The job with "brake" told as its lever and pedal where it has a wire or a switch for those
 * and none for braking as such.
 */
export function withBrakesApart(job: Job): Job {
  if (tapsFor(job, "brake").length > 0) return job;
  const brakes = (["lever", "pedal"] as const).filter((input) => tapsFor(job, input).length > 0);
  if (brakes.length === 0) return job;
  const runs = job.runs.map((run) => ({ ...run, condition: withBrakes(run.condition, brakes) }));
  return { ...job, runs };
}

/** First pass: what is fed from where, through what, behind which fuse. */
export interface Decided extends Notes {
  readonly plans: readonly CircuitPlan[];
  readonly supplies: readonly SupplyPlan[];
  readonly controls: readonly KitSwitchPlan[];
  /** Wires that feed several coils behind one fuse. */
  readonly controlFeeds: ReadonlyMap<PinId, ControlFeedPlan>;
}

export function decide(job: Job): Decided {
  const notes: Notes = { choices: [], gaps: [] };
  const plans = job.runs.flatMap((run) => planCircuit(job, run, notes) ?? []);
  const supplies = decideSupplies(job, plans, notes);
  const controls = decideKitSwitches(job, plans, notes);
  const controlFeeds = decideControlFeeds(job, plans, supplies, controls);
  return { plans, supplies, controls, controlFeeds, ...notes };
}
