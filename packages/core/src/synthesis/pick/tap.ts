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
  isUnfound,
  unfoundId,
  type Certainty,
  type ConnectorPin,
  type Vehicle,
} from "../../vehicle/index.ts";
import type { Decision } from "../decide/decision.ts";
import { controlOfPin, controlPins } from "./kitSwitch.ts";

const CERTAINTY_RANK: Readonly<Record<Certainty, number>> = { proved: 0, likely: 1, guess: 2 };

/** A pin in the words of the person who looks for it. */
export function pinText(vehicle: Vehicle, pin: ConnectorPin): string {
  if (isUnfound(pin)) return pin.carries;
  if (!vehicle.pins.some((p) => p.id === pin.id)) {
    return `${pin.carries}, ${inputWord(pin.cavity as Input)}`;
  }
  const connector = vehicle.connectors.find((c) => c.id === pin.connectorId);
  const colour = pin.colour === "" ? "" : `${pin.colour}, `;
  return `${pin.carries} (${colour}${connector?.name ?? "connector"} cavity ${pin.cavity})`;
}

/** Whether this vehicle has the wire: one of a variant is there only where that is what it is. */
const inVariant = (vehicle: Vehicle, pin: ConnectorPin): boolean =>
  pin.variant === "" || pin.variant === vehicle.variant;

/** Known wires that are live on a signal, best first: the kit's own, off the ignition, surest, strongest. */
export function tapsFor(job: Job, input: Input): ConnectorPin[] {
  const factory = job.vehicle.pins
    .filter((pin) => pin.liveWhen === input && inVariant(job.vehicle, pin))
    .sort(
      (a, b) =>
        Number(a.family === "ignition") - Number(b.family === "ignition") ||
        CERTAINTY_RANK[a.certainty] - CERTAINTY_RANK[b.certainty] ||
        b.mayGiveA.low - a.mayGiveA.low,
    );
  return [...controlPins(job, input), ...factory];
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
function kitFirst(job: Job, run: LightingCircuit, pins: readonly ConnectorPin[]): ConnectorPin[] {
  const own = new Set(supplyChain(job, run.feed));
  const shared = (pin: ConnectorPin): number => {
    const at = controlOfPin(job, pin);
    return at ? supplyChain(job, at.control.feed).filter((id) => own.has(id)).length : 0;
  };
  const kit = pins.filter((pin) => controlOfPin(job, pin) !== null);
  const others = pins.filter((pin) => controlOfPin(job, pin) === null);
  return [...kit.sort((a, b) => shared(b) - shared(a)), ...others];
}

/**
 * Stands for a wire that nobody has found yet, so that the plan shows where it goes: live with
 * its signal at the volts that this vehicle's signals have, and good for a coil at most.
 */
export function unfoundPin({ vehicle }: Job, input: Signal): ConnectorPin {
  return {
    id: unfoundId(input),
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
}

/** Chooses the wire that triggers a run from the connector map; null when none is known. */
export function chooseTap(
  job: Job,
  run: LightingCircuit,
  input: Input,
): Decision<ConnectorPin> | null {
  const { vehicle } = job;
  const pinned = vehicle.pins.find((pin) => pin.id === run.tapPinId);
  if (pinned) {
    return {
      value: pinned,
      picked: pinText(vehicle, pinned),
      reason: `Pinned. ${pinned.certainty}; gives ${decimal(pinned.mayGiveA.low)} A at most.`,
      pinned: true,
    };
  }
  const [best, ...others] = kitFirst(job, run, tapsFor(job, input));
  if (!best) return null;
  if (controlOfPin(job, best)) {
    return {
      value: best,
      picked: pinText(vehicle, best),
      reason: `From ${best.carries}, which comes with the kit; rated ${decimal(best.mayGiveA.value)} A.`,
      pinned: false,
    };
  }
  const rest = others.length > 0 ? ` ${others.length} more known.` : "";
  return {
    value: best,
    picked: pinText(vehicle, best),
    reason: `Live when ${inputWord(input)}; ${best.certainty}${best.foundBy === "" ? "" : ` (${best.foundBy})`}; may give ${decimal(best.mayGiveA.low)} A at least.${rest}`,
    pinned: false,
  };
}

/** The wire that has still to be found, as what triggers a run. */
export function chooseUnfound(job: Job, input: Signal): Decision<ConnectorPin> {
  const value = unfoundPin(job, input);
  return {
    value,
    picked: value.carries,
    reason: "Nobody has found it yet: with a meter, and into the connector map.",
    pinned: false,
  };
}

/** What a wire that is still to be found stands as among the gaps of a plan. */
export const unfoundDetail = (input: Signal): string =>
  `no wire live with ${inputWord(input)} is in the connector map`;
