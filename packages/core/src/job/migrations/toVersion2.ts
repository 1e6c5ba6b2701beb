import { DEFAULT_PRACTICES } from "../job.ts";
import { PLAIN } from "../../part/index.ts";
import { eachWith, isPlain, withDefaults, type Plain } from "./plain.ts";

/** Fields that version 2 added, with what they are where nobody has said anything. */
const NO_SIZE = (): Plain => {
  const unknown = { value: 0, low: 0, high: 0, provenance: "assumed" };
  return { lengthM: unknown, widthM: unknown, heightM: unknown };
};

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

/** Lists that version 2 brought, empty where nobody has said anything. */
const NEW_LISTS = [
  ...["strip", "fasteners", "plugs", "photos", "templates", "landmarks", "holes"],
  ...["mounts", "bonds", "checks"],
];

/**
 * A job document of version 1 as one of version 2: routes, ledger, templates, mounts and
 * bonds are empty. What is there stays as it was; the shape is checked afterwards.
 */
export const toVersion2 = (document: Plain): Plain => ({
  ...Object.fromEntries(NEW_LISTS.map((name) => [name, []])),
  ...document,
  format: "dragonet-job/2",
  practices: upgradePractices(document.practices),
  vehicle: upgradeVehicle(document.vehicle),
  parts: Array.isArray(document.parts) ? document.parts.map(upgradePart) : document.parts,
  lamps: eachWith(document.lamps, { at: "" }),
  supplies: eachWith(document.supplies, { at: "" }),
  controls: eachWith(document.controls, { at: "" }),
  runs: eachWith(document.runs, { relayAt: "", switchAt: "", spliceAt: "" }),
});
