import type {
  BaseLoad,
  BatteryFacts,
  ChargingFacts,
  ChargingPoint,
  Connector,
  ConnectorPin,
  ElectricalSystem,
  FactoryBeam,
  FactoryLamps,
  MapPlace,
  MapSegment,
  PackFacts,
  Reaches,
  TurnFacts,
  Vehicle,
  VehicleSize,
  VehicleVariant,
} from "../vehicle/index.ts";
import type { Job, JobCard, Practices, SignalPlay, Use } from "./job.ts";
import type { Aiming } from "./record/aim.ts";
import { OWN_LISTS, OWN_LIST_NAMES, type OwnListName, type OwnLists } from "./lists.ts";

/** The parts of a job that exist once. Their fields are what a `set` edit names. */
export interface Singletons {
  card: JobCard;
  practices: Practices;
  use: Use;
  signals: SignalPlay;
  turn: TurnFacts;
  vehicle: Pick<Vehicle, "model" | "kind" | "machine" | "note" | "profileId" | "variant" | "year">;
  factoryLamps: FactoryLamps;
  reaches: Reaches;
  size: VehicleSize;
  battery: BatteryFacts;
  charging: Omit<ChargingFacts, "points">;
  pack: PackFacts;
  aiming: Aiming;
}

/** The lists of a job and of its vehicle, by the name of one entry. */
export interface Collections extends OwnLists {
  baseLoad: BaseLoad;
  connector: Connector;
  pin: ConnectorPin;
  variant: VehicleVariant;
  chargingPoint: ChargingPoint;
  beam: FactoryBeam;
  place: MapPlace;
  segment: MapSegment;
}

/** What a job has one of. */
export type SingletonName = keyof Singletons;
/** What a job has a list of. */
export type CollectionName = keyof Collections;

interface Lens<T> {
  /** null where this job has no such thing: a pack has no charging system. */
  get(job: Job): T | null;
  put(job: Job, value: T): Job;
}

const withVehicle = (job: Job, change: Partial<Vehicle>): Job => ({
  ...job,
  vehicle: { ...job.vehicle, ...change },
});

const withSystem = (job: Job, system: ElectricalSystem): Job => withVehicle(job, { system });

function withCharging(job: Job, change: Partial<ChargingFacts>): Job {
  const { system } = job.vehicle;
  return system.kind === "engine"
    ? withSystem(job, { ...system, charging: { ...system.charging, ...change } })
    : job;
}

/** Where what a job has one of stands in its document. */
export const SINGLETONS: { readonly [K in SingletonName]: Lens<Singletons[K]> } = {
  card: { get: (job) => job.card, put: (job, card) => ({ ...job, card }) },
  practices: { get: (job) => job.practices, put: (job, practices) => ({ ...job, practices }) },
  use: { get: (job) => job.use, put: (job, use) => ({ ...job, use }) },
  signals: { get: (job) => job.signals, put: (job, signals) => ({ ...job, signals }) },
  aiming: { get: (job) => job.aiming, put: (job, aiming) => ({ ...job, aiming }) },
  turn: { get: (job) => job.vehicle.turn, put: (job, turn) => withVehicle(job, { turn }) },
  vehicle: { get: (job) => job.vehicle, put: (job, vehicle) => withVehicle(job, vehicle) },
  factoryLamps: {
    get: (job) => job.vehicle.factoryLamps,
    put: (job, factoryLamps) => withVehicle(job, { factoryLamps }),
  },
  reaches: {
    get: (job) => job.vehicle.reaches,
    put: (job, reaches) => withVehicle(job, { reaches }),
  },
  size: { get: (job) => job.vehicle.size, put: (job, size) => withVehicle(job, { size }) },
  battery: {
    get: ({ vehicle: { system } }) => (system.kind === "pack" ? null : system.battery),
    put: (job, battery) => {
      const { system } = job.vehicle;
      return system.kind === "pack" ? job : withSystem(job, { ...system, battery });
    },
  },
  charging: {
    get: ({ vehicle: { system } }) => (system.kind === "engine" ? system.charging : null),
    put: withCharging,
  },
  pack: {
    get: ({ vehicle: { system } }) => (system.kind === "engine" ? null : system.pack),
    put: (job, pack) => {
      const { system } = job.vehicle;
      return system.kind === "engine" ? job : withSystem(job, { ...system, pack });
    },
  },
};

const own = <K extends OwnListName>(name: K): Lens<readonly OwnLists[K][]> => {
  const { field } = OWN_LISTS[name];
  return {
    // Field and entry stand in one line of the registry, which the compiler has checked.
    get: (job) => job[field] as unknown as readonly OwnLists[K][],
    put: (job, value) => ({ ...job, [field]: value }),
  };
};

/** Where each list of a job stands in its document. */
export const COLLECTIONS: { readonly [K in CollectionName]: Lens<readonly Collections[K][]> } = {
  ...(Object.fromEntries(OWN_LIST_NAMES.map((name) => [name, own(name)])) as unknown as {
    readonly [K in OwnListName]: Lens<readonly OwnLists[K][]>;
  }),
  baseLoad: {
    get: (job) => job.vehicle.baseLoads,
    put: (job, baseLoads) => withVehicle(job, { baseLoads }),
  },
  connector: {
    get: (job) => job.vehicle.connectors,
    put: (job, connectors) => withVehicle(job, { connectors }),
  },
  pin: { get: (job) => job.vehicle.pins, put: (job, pins) => withVehicle(job, { pins }) },
  variant: {
    get: (job) => job.vehicle.variants,
    put: (job, variants) => withVehicle(job, { variants }),
  },
  chargingPoint: {
    get: ({ vehicle: { system } }) => (system.kind === "engine" ? system.charging.points : null),
    put: (job, points) => withCharging(job, { points }),
  },
  beam: {
    get: (job) => job.vehicle.beams,
    put: (job, beams) => withVehicle(job, { beams }),
  },
  place: {
    get: (job) => job.vehicle.places,
    put: (job, places) => withVehicle(job, { places }),
  },
  segment: {
    get: (job) => job.vehicle.segments,
    put: (job, segments) => withVehicle(job, { segments }),
  },
};

/** Whether a name is that of a single entry of a job. */
export const isSingleton = (name: string): name is SingletonName => Object.hasOwn(SINGLETONS, name);
/** Whether a name is that of a list of a job. */
export const isCollection = (name: string): name is CollectionName =>
  Object.hasOwn(COLLECTIONS, name);
