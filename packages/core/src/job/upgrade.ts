import { createJob } from "./create.ts";
import { DEFAULT_PRACTICES, JOB_FORMAT } from "./job.ts";
import { PLAIN } from "../part/index.ts";
import type { Vehicle } from "../vehicle/index.ts";

type Plain = Record<string, unknown>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Fields that version 2 added, with what they are where nobody has said anything. */
const NO_SIZE = (): Plain => {
  const unknown = { value: 0, low: 0, high: 0, provenance: "assumed" };
  return { lengthM: unknown, widthM: unknown, heightM: unknown };
};

const withDefaults = (value: unknown, defaults: Plain): unknown =>
  isPlain(value) ? { ...defaults, ...value } : value;

const eachWith = (list: unknown, defaults: Plain): unknown =>
  Array.isArray(list) ? list.map((entry) => withDefaults(entry, defaults)) : list;

/** A vehicle of an earlier version with what has been added since. What is there stays. */
export function upgradeVehicle(vehicle: unknown): unknown {
  if (!isPlain(vehicle)) return vehicle;
  return {
    ...vehicle,
    size: vehicle.size ?? NO_SIZE(),
    places: vehicle.places ?? [],
    segments: vehicle.segments ?? [],
    connectors: eachWith(vehicle.connectors, { at: "" }),
  };
}

/** A shelf part of an earlier version with what has been added since to what modules do. */
export function upgradePart(part: unknown): unknown {
  if (!isPlain(part)) return part;
  const plain = { ...PLAIN };
  return {
    ...part,
    ...(isPlain(part.behaviour) && { behaviour: withDefaults(part.behaviour, plain) }),
    ...(Array.isArray(part.behaviours) && { behaviours: eachWith(part.behaviours, plain) }),
  };
}

/** Practices of an earlier version with what has been added since. */
export const upgradePractices = (practices: unknown): unknown =>
  withDefaults(practices, { ...DEFAULT_PRACTICES });

/**
 * A job document of version 1 as one of version 2: routes, ledger, templates, mounts and
 * bonds are empty. What is there stays as it was; the shape is checked afterwards.
 */
export function upgradeJob(document: Plain): Plain {
  const { strip, fasteners, plugs, photos, templates, landmarks, holes, mounts, bonds, checks } =
    createJob("", "", {} as Vehicle);
  return {
    ...{ strip, fasteners, plugs, photos, templates, landmarks, holes, mounts, bonds, checks },
    ...document,
    format: JOB_FORMAT,
    practices: upgradePractices(document.practices),
    vehicle: upgradeVehicle(document.vehicle),
    parts: Array.isArray(document.parts) ? document.parts.map(upgradePart) : document.parts,
    lamps: eachWith(document.lamps, { at: "" }),
    supplies: eachWith(document.supplies, { at: "" }),
    controls: eachWith(document.controls, { at: "" }),
    runs: eachWith(document.runs, { relayAt: "", switchAt: "", spliceAt: "" }),
  };
}
