import { decimal } from "../quantity/index.ts";
import { inputWord, type Input, type Job, type Run } from "../job/index.ts";
import type { Certainty, ConnectorPin, Vehicle } from "../vehicle/index.ts";
import type { Decision } from "./decision.ts";
import { controlOfPin, controlPins } from "./kitControl.ts";

const CERTAINTY_RANK: Readonly<Record<Certainty, number>> = { proved: 0, likely: 1, guess: 2 };

/** A pin in the words of the person who looks for it. */
export function pinText(vehicle: Vehicle, pin: ConnectorPin): string {
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

/** Chooses the wire that triggers a run from the connector map; null when none is known. */
export function chooseTap(job: Job, run: Run, input: Input): Decision<ConnectorPin> | null {
  const { vehicle } = job;
  const pinned = vehicle.pins.find((pin) => pin.id === run.tapPinId);
  if (pinned) {
    return {
      value: pinned,
      picked: pinText(vehicle, pinned),
      reason: `Pinned. ${pinned.certainty}; may give ${decimal(pinned.mayGiveA.low)} A.`,
      pinned: true,
    };
  }
  const [best, ...others] = tapsFor(job, input);
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
    reason: `Live with ${inputWord(input)}; ${best.certainty}${best.foundBy === "" ? "" : ` (${best.foundBy})`}; may give ${decimal(best.mayGiveA.low)} A at least.${rest}`,
    pinned: false,
  };
}
