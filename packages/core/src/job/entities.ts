import type { Part } from "../part/index.ts";
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
import type {
  Bond,
  Check,
  Fastener,
  Hole,
  Landmark,
  Mount,
  Photo,
  StripPlug,
  StripStep,
  Template,
} from "./fit.ts";
import type {
  Blocker,
  Deviation,
  Job,
  JobCard,
  KitItem,
  Practices,
  RideLeg,
  SignalPlay,
  Use,
  Wish,
} from "./job.ts";
import type { Aim, Aiming } from "./aim.ts";
import type { Mend } from "./mend.ts";
import type { QuoteOption } from "./quoteOption.ts";
import type { Reading } from "./reading.ts";
import type { Signature } from "./signature.ts";
import type { Worked } from "./tariff.ts";
import type { Control, Harness, Lamp, Run, Supply, WireChoice } from "./wiring.ts";

/** The parts of a job that exist once. Their fields are what a `set` edit names. */
export interface Singletons {
  card: JobCard;
  practices: Practices;
  use: Use;
  signals: SignalPlay;
  turn: TurnFacts;
  vehicle: Pick<Vehicle, "model" | "kind" | "machine" | "note" | "profileId" | "variant">;
  factoryLamps: FactoryLamps;
  reaches: Reaches;
  size: VehicleSize;
  battery: BatteryFacts;
  charging: Omit<ChargingFacts, "points">;
  pack: PackFacts;
  aiming: Aiming;
}

/** The lists of a job, by the name of one entry. */
export interface Collections {
  wish: Wish;
  blocker: Blocker;
  kitItem: KitItem;
  part: Part;
  lamp: Lamp;
  run: Run;
  supply: Supply;
  control: Control;
  harness: Harness;
  wireChoice: WireChoice;
  deviation: Deviation;
  rideLeg: RideLeg;
  baseLoad: BaseLoad;
  connector: Connector;
  pin: ConnectorPin;
  variant: VehicleVariant;
  chargingPoint: ChargingPoint;
  beam: FactoryBeam;
  place: MapPlace;
  segment: MapSegment;
  stripStep: StripStep;
  fastener: Fastener;
  plug: StripPlug;
  photo: Photo;
  template: Template;
  landmark: Landmark;
  hole: Hole;
  mount: Mount;
  bond: Bond;
  check: Check;
  reading: Reading;
  mend: Mend;
  aim: Aim;
  option: QuoteOption;
  worked: Worked;
  signature: Signature;
}

export type SingletonName = keyof Singletons;
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

export const COLLECTIONS: { readonly [K in CollectionName]: Lens<readonly Collections[K][]> } = {
  wish: { get: (job) => job.wishes, put: (job, wishes) => ({ ...job, wishes }) },
  blocker: { get: (job) => job.blockers, put: (job, blockers) => ({ ...job, blockers }) },
  kitItem: { get: (job) => job.kit, put: (job, kit) => ({ ...job, kit }) },
  part: { get: (job) => job.parts, put: (job, parts) => ({ ...job, parts }) },
  lamp: { get: (job) => job.lamps, put: (job, lamps) => ({ ...job, lamps }) },
  run: { get: (job) => job.runs, put: (job, runs) => ({ ...job, runs }) },
  supply: { get: (job) => job.supplies, put: (job, supplies) => ({ ...job, supplies }) },
  control: { get: (job) => job.controls, put: (job, controls) => ({ ...job, controls }) },
  harness: { get: (job) => job.harnesses, put: (job, harnesses) => ({ ...job, harnesses }) },
  wireChoice: {
    get: (job) => job.wireChoices,
    put: (job, wireChoices) => ({ ...job, wireChoices }),
  },
  variant: {
    get: (job) => job.vehicle.variants,
    put: (job, variants) => withVehicle(job, { variants }),
  },
  deviation: {
    get: (job) => job.deviations,
    put: (job, deviations) => ({ ...job, deviations }),
  },
  rideLeg: { get: (job) => job.ride, put: (job, ride) => ({ ...job, ride }) },
  baseLoad: {
    get: (job) => job.vehicle.baseLoads,
    put: (job, baseLoads) => withVehicle(job, { baseLoads }),
  },
  connector: {
    get: (job) => job.vehicle.connectors,
    put: (job, connectors) => withVehicle(job, { connectors }),
  },
  pin: { get: (job) => job.vehicle.pins, put: (job, pins) => withVehicle(job, { pins }) },
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
  stripStep: { get: (job) => job.strip, put: (job, strip) => ({ ...job, strip }) },
  fastener: { get: (job) => job.fasteners, put: (job, fasteners) => ({ ...job, fasteners }) },
  plug: { get: (job) => job.plugs, put: (job, plugs) => ({ ...job, plugs }) },
  photo: { get: (job) => job.photos, put: (job, photos) => ({ ...job, photos }) },
  template: { get: (job) => job.templates, put: (job, templates) => ({ ...job, templates }) },
  landmark: { get: (job) => job.landmarks, put: (job, landmarks) => ({ ...job, landmarks }) },
  hole: { get: (job) => job.holes, put: (job, holes) => ({ ...job, holes }) },
  mount: { get: (job) => job.mounts, put: (job, mounts) => ({ ...job, mounts }) },
  bond: { get: (job) => job.bonds, put: (job, bonds) => ({ ...job, bonds }) },
  check: { get: (job) => job.checks, put: (job, checks) => ({ ...job, checks }) },
  aim: { get: (job) => job.aims, put: (job, aims) => ({ ...job, aims }) },
  option: { get: (job) => job.options, put: (job, options) => ({ ...job, options }) },
  worked: { get: (job) => job.worked, put: (job, worked) => ({ ...job, worked }) },
  signature: {
    get: (job) => job.signatures,
    put: (job, signatures) => ({ ...job, signatures }),
  },
  mend: { get: (job) => job.mends, put: (job, mends) => ({ ...job, mends }) },
  reading: { get: (job) => job.readings, put: (job, readings) => ({ ...job, readings }) },
};

export const isSingleton = (name: string): name is SingletonName => Object.hasOwn(SINGLETONS, name);
export const isCollection = (name: string): name is CollectionName =>
  Object.hasOwn(COLLECTIONS, name);
