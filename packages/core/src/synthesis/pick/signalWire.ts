import {
  inputWord,
  type Input,
  type KitSwitch,
  type PinId,
  type SwitchedSide,
} from "../../job/index.ts";
import type { Site } from "../../circuit/index.ts";
import type { BoundedValue } from "../../quantity/index.ts";
import { isUnfound, type ConnectorPin, type PinSupply, type Vehicle } from "../../vehicle/index.ts";

/** What a signal comes from: a wire of the vehicle, one that is still to be found, or a contact of the kit. */
export type SignalSource =
  | { readonly kind: "vehicle"; readonly pin: ConnectorPin }
  | { readonly kind: "unfound"; readonly pin: ConnectorPin }
  | { readonly kind: "kit"; readonly kitSwitch: KitSwitch; readonly input: Input };

/** Something that is live, or tied to the negative, with a signal: it works coils, and carries what it may. */
export interface SignalWire {
  /** What it is kept under while a circuit is laid out. */
  readonly id: PinId;
  readonly from: SignalSource;
  readonly supply: PinSupply;
  readonly switches: SwitchedSide;
  readonly mayGiveA: BoundedValue;
  /** Rating of the factory's fuse before it, in A; 0 for none, or one that nobody told. */
  readonly fuseA: number;
  /** What it is for, and in the words of the person who looks for it. */
  readonly name: string;
  readonly words: string;
}

/** A pin in the words of the person who looks for it. */
export function pinText(vehicle: Vehicle, pin: ConnectorPin): string {
  if (isUnfound(pin)) return pin.carries;
  const connector = vehicle.connectors.find((c) => c.id === pin.connectorId);
  const colour = pin.colour === "" ? "" : `${pin.colour}, `;
  return `${pin.carries} (${colour}${connector?.name ?? "connector"} cavity ${pin.cavity})`;
}

/** A wire of the vehicle, or what stands for one that nobody has found. */
export const vehicleWire = (vehicle: Vehicle, pin: ConnectorPin): SignalWire => ({
  ...{ id: pin.id, supply: pin.supply, switches: pin.switches },
  ...{ mayGiveA: pin.mayGiveA, fuseA: pin.fuseA, name: pin.carries },
  from: { kind: isUnfound(pin) ? "unfound" : "vehicle", pin },
  words: pinText(vehicle, pin),
});

/** A contact of a switch of the kit, for one of its inputs. */
export const kitWire = (
  id: PinId,
  kitSwitch: KitSwitch,
  input: Input,
  mayGiveA: BoundedValue,
): SignalWire => ({
  ...{ id, mayGiveA, fuseA: 0, name: kitSwitch.name, switches: kitSwitch.switches },
  from: { kind: "kit", kitSwitch, input },
  supply: kitSwitch.feed.kind === "pack" || kitSwitch.feed.kind === "block" ? "pack" : "battery",
  words: `${kitSwitch.name}, ${inputWord(input)}`,
});

/** Where what is taken from a wire of the vehicle is found. */
export const pinSite = (pin: ConnectorPin): Site =>
  isUnfound(pin) ? { kind: "unfound" } : { kind: "pin", pinId: pin.id };

/** Where what is taken from a signal's wire sits: at the pin, or at hand where the kit's switch brings its own lead. */
export const siteOf = ({ from }: SignalWire): Site =>
  from.kind === "kit" ? { kind: "atHand" } : pinSite(from.pin);

/** The switch of the kit that a signal comes from; null for a wire of the vehicle. */
export const kitSwitchOf = ({ from }: SignalWire): KitSwitch | null =>
  from.kind === "kit" ? from.kitSwitch : null;
