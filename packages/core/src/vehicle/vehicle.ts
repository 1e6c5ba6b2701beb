import type { BoundedValue } from "../quantity/index.ts";
import type { ConnectorId, PinId, PlaceId, ProfileId, VariantId } from "../job/ids.ts";
import type { SwitchedSide } from "../job/record/wiring.ts";
import type { FactoryBeam } from "./factoryBeam.ts";
import type { VehicleKind } from "./kinds.ts";
import type { MapPlace, MapSegment, VehicleSize } from "./routeMap.ts";

/** Chemistries of 12 V batteries. */
export const BATTERY_CHEMISTRIES = ["flooded", "agm", "gel", "lithiumIron", "lithiumIon"] as const;
/** The chemistry of a 12 V battery. */
export type BatteryChemistry = (typeof BATTERY_CHEMISTRIES)[number];

/** What is known of a 12 V battery. */
export interface BatteryFacts {
  readonly chemistry: BatteryChemistry;
  /** Cells in series; 0 for as many as make 12 V in its chemistry. */
  readonly cells: number;
  /** Ah at the hour rate. */
  readonly capacityAh: BoundedValue;
  /** Hours of the discharge at which the capacity is stated: 20 for most, 10 for many small ones. */
  readonly hourRate: number;
  readonly peukert: BoundedValue;
  /** State of charge 0–1 below which the engine is not trusted to start. */
  readonly noStartSoc: BoundedValue;
  /** A charger of its own beside the engine, in A; 0 without one. */
  readonly chargerA: BoundedValue;
}

/** One point of the charging system's output curve. */
export interface ChargingPoint {
  readonly id: string;
  readonly rpm: number;
  /** Total output in A, before any load. */
  readonly outputA: BoundedValue;
}

/** What charges. */
export const CHARGING_KINDS = ["stator", "alternator"] as const;

/** What is known of a charging system. */
export interface ChargingFacts {
  readonly kind: (typeof CHARGING_KINDS)[number];
  readonly regulatedV: BoundedValue;
  readonly idleRpm: BoundedValue;
  readonly townRpm: BoundedValue;
  readonly cruiseRpm: BoundedValue;
  readonly points: readonly ChargingPoint[];
}

/** Chemistries of traction packs. */
export const PACK_CHEMISTRIES = ["leadBlocks", "lithium", "lithiumIron"] as const;

/** The chemistry of a traction pack. */
export type PackChemistry = (typeof PACK_CHEMISTRIES)[number];

/** A traction pack: blocks in series, or one lithium pack by the number of its cells. */
export interface PackFacts {
  readonly chemistry: PackChemistry;
  readonly nominalV: number;
  /** Blocks in series that can be tapped between, or 1 for a single pack. */
  readonly blocks: number;
  /** Cells in series in the whole pack: 24 in six 8 V blocks of lead, 13 in a 48 V lithium pack. */
  readonly cells: number;
  readonly capacityAh: BoundedValue;
  /** What the meter shows straight off the charger. */
  readonly topOfChargeV: BoundedValue;
  /** Of the whole pack with its links, in Ω. */
  readonly resistanceOhm: BoundedValue;
  /** What its charger gives, in A; 0 when unknown. */
  readonly chargerA: BoundedValue;
  /** Voltage of the outlet that its charger hangs on. */
  readonly inletV: number;
  /** How far it goes on a charge, in km. */
  readonly rangeKm: BoundedValue;
}

/** What a vehicle lives on: an engine that charges a battery, a traction pack, or both. */
export type ElectricalSystem =
  | { readonly kind: "engine"; readonly battery: BatteryFacts; readonly charging: ChargingFacts }
  | { readonly kind: "pack"; readonly pack: PackFacts }
  | { readonly kind: "packAndBattery"; readonly pack: PackFacts; readonly battery: BatteryFacts };

/** Which of these a vehicle lives on. */
export type SystemKind = ElectricalSystem["kind"];

/** States of the vehicle that a budget is made for. */
export const VEHICLE_STATES = ["parked", "engineOff", "idle", "town", "cruise"] as const;
/** One state of a vehicle that a budget is made for. */
export type VehicleState = (typeof VEHICLE_STATES)[number];

/** What a load of the vehicle's own is: a `radio` hears what switches near it. */
export const BASE_LOAD_KINDS = ["lamp", "motor", "heat", "electronics", "radio", "other"] as const;
/** What a load of the vehicle's own is. */
export type BaseLoadKind = (typeof BASE_LOAD_KINDS)[number];

/** A load the vehicle has already, and the share of time it is on in each state (0–1). */
export interface BaseLoad {
  readonly id: string;
  readonly name: string;
  readonly kind: BaseLoadKind;
  /** Place on the route map; "" when nobody said. */
  readonly at: PlaceId | "";
  readonly currentA: BoundedValue;
  readonly parked: number;
  readonly engineOff: number;
  readonly idle: number;
  readonly town: number;
  readonly cruise: number;
}

/** What makes a factory wire live, and so what a run may be triggered by. */
export const LIVE_WHEN = [
  "always",
  "key",
  "engine",
  "park",
  "low",
  "high",
  "brake",
  "left",
  "right",
  "hazard",
  "horn",
  "reverse",
  "lever",
  "pedal",
  "ground",
  "unknown",
] as const;
/** When a factory wire is live. */
export type LiveWhen = (typeof LIVE_WHEN)[number];

/** Which family of factory circuits a pin belongs to: the ignition circuit is never loaded. */
export const CIRCUIT_FAMILIES = ["ignition", "lighting", "accessory", "signal", "ground"] as const;
/** The family of factory circuits that a wire belongs to. */
export type CircuitFamily = (typeof CIRCUIT_FAMILIES)[number];

/** How sure a wire's use is. */
export const CERTAINTIES = ["proved", "likely", "guess"] as const;
/** `proved` with a meter on this machine; `likely` from paper or a sister machine. */
export type Certainty = (typeof CERTAINTIES)[number];

/** A connector of the vehicle. */
export interface Connector {
  readonly id: ConnectorId;
  readonly name: string;
  /** Where to find it, as one installer tells another. */
  readonly where: string;
  /** Place on the route map; "" when nobody said. */
  readonly at: PlaceId | "";
  /** Cavities that it has, empty ones too, and the rows they are in; 0 when nobody counted. */
  readonly cavities: number;
  readonly rows: number;
}

/**
 * `ac`: a lighting coil of the engine, alternating, with one end on the frame; `halfWave`: the
 * same behind a diode, so that one half of each wave comes and none the other way.
 */
export const PIN_SUPPLIES = ["battery", "pack", "ac", "halfWave"] as const;
/** Whose volts a factory wire carries. */
export type PinSupply = (typeof PIN_SUPPLIES)[number];

/** Whether a wire's volts come from a lighting coil, and so in waves. */
export const isFromCoil = (supply: PinSupply): boolean => supply === "ac" || supply === "halfWave";

/** A wire in a connector of the vehicle. */
export interface ConnectorPin {
  readonly id: PinId;
  readonly connectorId: ConnectorId;
  /** Whose volts it carries when it is live. */
  readonly supply: PinSupply;
  /** Cavity number or letter. */
  readonly cavity: string;
  /** Insulation, "brown/white"; "" when nobody wrote it down. */
  readonly colour: string;
  readonly carries: string;
  readonly family: CircuitFamily;
  readonly liveWhen: LiveWhen;
  /** How much may be taken from it for additions, in A. */
  readonly mayGiveA: BoundedValue;
  /** The factory fuse that feeds it, in A; 0 when unknown. */
  readonly fuseA: number;
  /** Whether it is at the source's volts when it is live, or tied to the negative. */
  readonly switches: SwitchedSide;
  /** Variant of the model that has it; "" where all have. */
  readonly variant: VariantId | "";
  readonly foundBy: string;
  readonly certainty: Certainty;
}

/** A variant of a model whose wiring differs: with and without audio, top box on or off. */
export interface VehicleVariant {
  readonly id: VariantId;
  readonly name: string;
}

/** Cable distance from the battery to where lamps and controls sit, along the factory loom. */
export interface Reaches {
  readonly frontM: BoundedValue;
  readonly rearM: BoundedValue;
  readonly controlsM: BoundedValue;
}

/** What makes factory turn lamps flash. */
export const TURN_PRINCIPLES = ["thermal", "electronic", "indifferent", "bus"] as const;

/** What makes the factory turn lamps flash, and what still hangs on it. */
export interface TurnFacts {
  readonly principle: (typeof TURN_PRINCIPLES)[number];
  /** Load a side below which it does not start, or takes it for a dead bulb, in A. */
  readonly leastA: number;
  /** Load a side it was made for, in A. */
  readonly ratedA: number;
  readonly ratePerMin: BoundedValue;
  /** Share of a flash that is light, 0–1. */
  readonly onShare: number;
  /** Factory bulbs as it came to the shop, a side, in W: those that a job replaces are counted out by it. */
  readonly bulbW: BoundedValue;
}

/** Lamps of the factory's by what they are for. */
export const FACTORY_LAMPS = [
  "headlight",
  "rearPosition",
  "stop",
  "turnFront",
  "turnRear",
] as const;
/** What a factory lamp is for. */
export type FactoryLamp = (typeof FACTORY_LAMPS)[number];

/** How many of each it left the factory with; null where nobody has counted. */
export type FactoryLamps = Readonly<Record<FactoryLamp, number | null>>;

/** A vehicle: its profile, its electrical system, its wires and its measures. */
export interface Vehicle {
  readonly profileId: ProfileId;
  readonly model: string;
  readonly kind: VehicleKind;
  /** Frame number, plate or the owner's name for it. */
  readonly machine: string;
  readonly note: string;
  /** Year of its model; 0 when nobody said. */
  readonly year: number;
  readonly variants: readonly VehicleVariant[];
  /** The variant that this one is; "" when nobody said. */
  readonly variant: VariantId | "";
  readonly system: ElectricalSystem;
  /** null where it has no turn lamps of its own. */
  readonly turn: TurnFacts | null;
  readonly factoryLamps: FactoryLamps;
  readonly beams: readonly FactoryBeam[];
  readonly reaches: Reaches;
  readonly size: VehicleSize;
  readonly places: readonly MapPlace[];
  readonly segments: readonly MapSegment[];
  readonly baseLoads: readonly BaseLoad[];
  readonly connectors: readonly Connector[];
  readonly pins: readonly ConnectorPin[];
}

/** A vehicle as people tell it from others: "Ostrel Petrel 650, marshal 2". */
export const vehicleName = ({ model, machine }: Pick<Vehicle, "model" | "machine">): string =>
  machine === "" ? model : `${model}, ${machine}`;
