import { DEFAULT_AIMING } from "./record/aim.ts";
import { assumed, boundedValue, type BoundedValue } from "../quantity/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import { allOf, type Condition, type Input } from "./condition.ts";
import type { KitSwitchId, PartId, CircuitId, SupplyId } from "./ids.ts";
import {
  DEFAULT_PRACTICES,
  DEFAULT_USE,
  JOB_FORMAT,
  type WiringDeviation,
  type Job,
  type Practices,
} from "./job.ts";
import { emptyLists } from "./lists.ts";
import type { KitSwitch, Feed, LightingCircuit, Supply } from "./record/wiring.ts";

/** A new job on its own copy of a vehicle profile. */
export function createJob(
  title: string,
  customer: string,
  vehicle: Vehicle,
  practices: Practices = DEFAULT_PRACTICES,
): Job {
  return {
    format: JOB_FORMAT,
    card: { title, customer, stage: "intake", bench: "", promised: "", note: "" },
    vehicle,
    practices,
    ...emptyLists(),
    use: DEFAULT_USE,
    signals: { script: "" },
    aiming: DEFAULT_AIMING,
  };
}

interface Shares {
  readonly onEngineOff: number;
  readonly onIdle: number;
  readonly onTown: number;
  readonly onCruise: number;
}

/**
 * Shares of time a run is on until somebody says better, by what turns it on.
 * Turn lamps flash at half on; brakes are held at idle and now and then under way: common practice.
 */
export function usualShares(condition: Condition): Shares {
  const inputs = new Set<Input>(condition.anyOf.flat().map((t) => t.input));
  if (inputs.has("left") || inputs.has("right")) {
    return { onEngineOff: 0, onIdle: 0.1, onTown: 0.1, onCruise: 0.02 };
  }
  if (inputs.has("hazard")) return { onEngineOff: 0.5, onIdle: 0, onTown: 0, onCruise: 0 };
  if (inputs.has("brake")) return { onEngineOff: 0, onIdle: 0.7, onTown: 0.25, onCruise: 0.05 };
  if (inputs.has("horn")) return { onEngineOff: 0, onIdle: 0, onTown: 0.01, onCruise: 0 };
  if (inputs.has("reverse")) return { onEngineOff: 0, onIdle: 0.1, onTown: 0.02, onCruise: 0 };
  const engineOff = inputs.has("key") || inputs.has("engine") || inputs.has("high") ? 0 : 1;
  return { onEngineOff: engineOff, onIdle: 1, onTown: 1, onCruise: 1 };
}

const shareOf = (fact: BoundedValue, share: number): BoundedValue =>
  boundedValue(Number((fact.value * share).toPrecision(3)), "assumed");

/** Where a new run is fed from: a 12 V battery where there is one, the pack otherwise. */
export const firstFeed = (vehicle: Vehicle): Feed =>
  vehicle.system.kind === "pack" ? { kind: "pack" } : { kind: "battery" };

/** A new supply with lengths guessed from the vehicle's reaches. */
export function createSupply(id: SupplyId, name: string, partId: PartId, vehicle: Vehicle): Supply {
  return {
    id,
    name,
    partId,
    feed: firstFeed(vehicle),
    gate: "always",
    fuse: { kind: "auto" },
    wire: null,
    fuseAtM: assumed(0.15, 0.1, 0.2),
    feedM: shareOf(vehicle.reaches.controlsM, 0.5),
    switches: "part",
    at: "",
  };
}

/** A new control at the rider's hand. */
export function createKitSwitch(
  id: KitSwitchId,
  name: string,
  inputs: readonly Input[],
  vehicle: Vehicle,
  feed: Feed = firstFeed(vehicle),
): KitSwitch {
  return {
    id,
    name,
    inputs,
    switchPartId: null,
    poles: 2,
    feed,
    feedM: shareOf(vehicle.reaches.controlsM, 1),
    fuse: { kind: "auto" },
    wire: null,
    housing: "",
    momentary: false,
    switches: "positive",
    at: "",
  };
}

/** A new run whose lengths are guessed from the vehicle's reaches until they are measured. */
export function createCircuit(
  id: CircuitId,
  name: string,
  vehicle: Vehicle,
  end: "front" | "rear",
  condition: Condition = allOf("switch", "key"),
): LightingCircuit {
  const reach = end === "front" ? vehicle.reaches.frontM : vehicle.reaches.rearM;
  return {
    id,
    name,
    feed: firstFeed(vehicle),
    channel: 0,
    throughId: "",
    program: null,
    condition,
    relay: "auto",
    coil: "practice",
    coilPlus: "auto",
    // The frame of a pack vehicle is not its negative.
    return: vehicle.system.kind === "pack" ? "wire" : "chassis",
    fuse: { kind: "auto" },
    wire: null,
    switchPartId: null,
    relayPartId: null,
    connectorPartId: null,
    arrangement: "parallel",
    perStep: 1,
    tapPinId: null,
    fuseAtM: assumed(0.15, 0.1, 0.2),
    feedM: shareOf(reach, 0.2),
    loadM: shareOf(reach, 0.8),
    branchM: assumed(0.3, 0.2, 0.5),
    controlM: shareOf(vehicle.reaches.controlsM, 1),
    tapM: assumed(0.3, 0.1, 0.6),
    relayAt: "",
    switchAt: "",
    spliceAt: "",
    ...usualShares(condition),
  };
}

/** A deviation with nothing said but what it is and whose. */
export const createDeviation = (
  id: string,
  kind: WiringDeviation["kind"],
  runId: CircuitId,
  fields: Partial<Omit<WiringDeviation, "id" | "kind" | "runId">> = {},
): WiringDeviation => ({
  ...{ id, kind, runId, otherRunId: "", wire: "", end: "from", otherWire: "", otherEnd: "from" },
  ...{ at: "", otherAt: "", gaugeId: "" },
  ...fields,
});
