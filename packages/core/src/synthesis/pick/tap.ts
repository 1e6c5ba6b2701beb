import { assumed, decimal } from "../../quantity/index.ts";
import {
  asId,
  inputWord,
  type Feed,
  type Input,
  type Job,
  type LightingCircuit,
  type Signal,
} from "../../job/index.ts";
import {
  unfoundId,
  type Certainty,
  type ConnectorPin,
  type UnfoundPin,
  type Vehicle,
} from "../../vehicle/index.ts";
import type { Decision } from "../decide/decision.ts";
import { kitWires } from "./kitSwitch.ts";
import { kitSwitchOf, vehicleWire, type SignalWire } from "./signalWire.ts";

const CERTAINTY_RANK: Readonly<Record<Certainty, number>> = { proved: 0, likely: 1, guess: 2 };

/** Whether this vehicle has the wire: one of a variant is there only where that is what it is. */
const inVariant = (vehicle: Vehicle, pin: ConnectorPin): boolean =>
  pin.variant === "" || pin.variant === vehicle.variant;

/** Known wires that are live on a signal, best first: the kit's own, off the ignition, surest, strongest. */
export function tapsFor(job: Job, input: Input): SignalWire[] {
  const factory = job.vehicle.pins
    .filter((pin) => pin.liveWhen === input && inVariant(job.vehicle, pin))
    .sort(
      (a, b) =>
        Number(a.family === "ignition") - Number(b.family === "ignition") ||
        CERTAINTY_RANK[a.certainty] - CERTAINTY_RANK[b.certainty] ||
        b.mayGiveA.low - a.mayGiveA.low,
    );
  return [...kitWires(job, input), ...factory.map((pin) => vehicleWire(job.vehicle, pin))];
}

/** Supplies that a feed comes through, its own first. */
function supplyChain(job: Job, feed: Feed): readonly string[] {
  const chain: string[] = [];
  let at: Feed = feed;
  while (at.kind === "supply" && !chain.includes(at.supplyId)) {
    const { supplyId } = at;
    chain.push(supplyId);
    const supply = job.supplies.find((s) => s.id === supplyId);
    if (!supply) break;
    at = supply.feed;
  }
  return chain;
}

/**
 * Of several controls of kits with the same signal the one that shares most of the run's own
 * feed: two kits on one vehicle each work their own lamps.
 */
function kitFirst(job: Job, run: LightingCircuit, wires: readonly SignalWire[]): SignalWire[] {
  const own = new Set(supplyChain(job, run.feed));
  const shared = (wire: SignalWire): number => {
    const kitSwitch = kitSwitchOf(wire);
    return kitSwitch ? supplyChain(job, kitSwitch.feed).filter((id) => own.has(id)).length : 0;
  };
  const kit = wires.filter((wire) => kitSwitchOf(wire) !== null);
  const others = wires.filter((wire) => kitSwitchOf(wire) === null);
  return [...kit.sort((a, b) => shared(b) - shared(a)), ...others];
}

/**
 * Stands for a wire that nobody has found yet, so that the plan shows where it goes: live with
 * its signal at the volts that this vehicle's signals have, and good for a coil at most.
 */
export function unfoundWire({ vehicle }: Job, input: Signal): SignalWire {
  const pin: UnfoundPin = {
    id: unfoundId(input),
    sought: input,
    connectorId: asId("unfound"),
    supply: vehicle.system.kind === "pack" ? "pack" : "battery",
    cavity: input,
    colour: "",
    carries: `${inputWord(input)} wire, not found yet`,
    family: "accessory",
    liveWhen: input,
    mayGiveA: assumed(0, 0, 0.5),
    fuseA: 0,
    switches: "positive",
    variant: "",
    foundBy: "",
    certainty: "guess",
  };
  return vehicleWire(vehicle, pin);
}

/** Chooses the wire that triggers a run from the connector map; null when none is known. */
export function chooseTap(
  job: Job,
  run: LightingCircuit,
  input: Input,
): Decision<SignalWire> | null {
  const { vehicle } = job;
  const pinned = vehicle.pins.find((pin) => pin.id === run.tapPinId);
  if (pinned) {
    const value = vehicleWire(vehicle, pinned);
    return {
      value,
      picked: value.words,
      reason: `Pinned. ${pinned.certainty}; gives ${decimal(pinned.mayGiveA.low)} A at most.`,
      pinned: true,
    };
  }
  const [best, ...others] = kitFirst(job, run, tapsFor(job, input));
  if (!best) return null;
  if (best.from.kind === "kit") {
    return {
      value: best,
      picked: best.words,
      reason: `From ${best.name}, which comes with the kit; rated ${decimal(best.mayGiveA.value)} A.`,
      pinned: false,
    };
  }
  const { certainty, foundBy } = best.from.pin;
  const rest = others.length > 0 ? ` ${others.length} more known.` : "";
  return {
    value: best,
    picked: best.words,
    reason: `Live when ${inputWord(input)}; ${certainty}${foundBy === "" ? "" : ` (${foundBy})`}; may give ${decimal(best.mayGiveA.low)} A at least.${rest}`,
    pinned: false,
  };
}

/** The wire that has still to be found, as what triggers a run. */
export function chooseUnfound(job: Job, input: Signal): Decision<SignalWire> {
  const value = unfoundWire(job, input);
  return {
    value,
    picked: value.words,
    reason: "Nobody has found it yet: with a meter, and into the connector map.",
    pinned: false,
  };
}

/** What a wire that is still to be found stands as among the gaps of a plan. */
export const unfoundDetail = (input: Signal): string =>
  `no wire live with ${inputWord(input)} is in the connector map`;
