import { asId, type ConnectorId, type PinId, type PlaceId } from "../../job/index.ts";
import { assumed, stated, type BoundedValue } from "../../quantity/index.ts";
import type {
  BaseLoad,
  BaseLoadKind,
  BatteryFacts,
  Certainty,
  CircuitFamily,
  Connector,
  ConnectorPin,
  FactoryLamps,
  LiveWhen,
  PackFacts,
} from "../../vehicle/index.ts";

/** Short hands for spelling out the demo shop's vehicles. */

export function baseLoad(
  id: string,
  name: string,
  currentA: BoundedValue,
  [parked, engineOff, idle, town, cruise]: readonly [number, number, number, number, number],
  kind: BaseLoadKind = "other",
  at = "",
): BaseLoad {
  const on = { parked, engineOff, idle, town, cruise };
  return { id, name, kind, at: asId<PlaceId>(at), currentA, ...on };
}

export const factoryLamps = (
  headlight: number,
  rearPosition: number,
  stop: number,
  turnFront: number,
  turnRear: number,
): FactoryLamps => ({ headlight, rearPosition, stop, turnFront, turnRear });

export const connector = (
  id: string,
  name: string,
  where: string,
  at: string,
  cavities = 0,
  rows = 0,
): Connector => ({
  id: asId<ConnectorId>(id),
  ...{ name, where, at: asId<PlaceId>(at), cavities, rows },
});

export function pin(
  id: string,
  connectorId: string,
  cavity: string,
  colour: string,
  carries: string,
  family: CircuitFamily,
  liveWhen: LiveWhen,
  mayGiveA: BoundedValue,
  fuseA: number,
  foundBy: string,
  certainty: Certainty,
  supply: ConnectorPin["supply"] = "battery",
  fields: Partial<Pick<ConnectorPin, "switches" | "variant">> = {},
): ConnectorPin {
  return {
    id: asId<PinId>(id),
    connectorId: asId<ConnectorId>(connectorId),
    supply,
    cavity,
    colour,
    carries,
    family,
    liveWhen,
    mayGiveA,
    fuseA,
    switches: "positive",
    variant: "",
    ...fields,
    foundBy,
    certainty,
  };
}

export const lead = (capacityAh: BoundedValue, hourRate: number): BatteryFacts => ({
  chemistry: "agm",
  cells: 0,
  capacityAh,
  hourRate,
  peukert: assumed(1.15, 1.1, 1.25),
  noStartSoc: assumed(0.5, 0.4, 0.6),
  chargerA: stated(0, 0, 0),
});

export const packOf = (
  chemistry: PackFacts["chemistry"],
  nominalV: number,
  blocks: number,
  cells: number,
  capacityAh: BoundedValue,
  topOfChargeV: BoundedValue,
  resistanceOhm: BoundedValue,
  chargerA: BoundedValue,
  rangeKm: BoundedValue,
): PackFacts => ({
  chemistry,
  nominalV,
  blocks,
  cells,
  capacityAh,
  topOfChargeV,
  resistanceOhm,
  chargerA,
  inletV: 230,
  rangeKm,
});

export const NONE = stated(0, 0, 0);
