import { eachWith, isPlain, withDefaults, type Plain } from "./plain.ts";

/** Practices and module settings as version 2 knew them: what came later is not for it to add. */
const PRACTICES_2: Plain = {
  ...{ fuseSchool: "nextSize", coilSwitching: "positive", wireSystem: "awg", dropTarget: 0.03 },
  ...{ ambientC: 40, insulationC: 85, bundledWires: 1, slack: "spare", place: "" },
};
const BEHAVIOUR_2: Plain = {
  ...{ label: "follows", delayS: 0, runOnS: 0, flashes: 0, onS: 0.1, offS: 0.1, lockoutS: 0 },
  ...{ level: 1, boostLevel: 1, boostWith: [], offWith: [], offHoldS: 0, latch: false },
  ...{ flashFromKmh: 0, softS: 0, tripA: 0, retries: 0, retryS: 1 },
};

/** Fields that version 2 added, with what they are where nobody has said anything. */
const NO_SIZE = (): Plain => {
  const unknown = { value: 0, low: 0, high: 0, provenance: "assumed" };
  return { lengthM: unknown, widthM: unknown, heightM: unknown };
};

/** A vehicle of an earlier version with what has been added since. What is there stays. */
export function vehicleTo2(vehicle: unknown): unknown {
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
export function partTo2(part: unknown): unknown {
  if (!isPlain(part)) return part;
  const plain = BEHAVIOUR_2;
  return {
    ...part,
    ...(isPlain(part.behaviour) && { behaviour: withDefaults(part.behaviour, plain) }),
    ...(Array.isArray(part.behaviours) && { behaviours: eachWith(part.behaviours, plain) }),
  };
}

/** Practices of an earlier version with what has been added since. */
export const practicesTo2 = (practices: unknown): unknown => withDefaults(practices, PRACTICES_2);

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
  practices: practicesTo2(document.practices),
  vehicle: vehicleTo2(document.vehicle),
  parts: Array.isArray(document.parts) ? document.parts.map(partTo2) : document.parts,
  lamps: eachWith(document.lamps, { at: "" }),
  supplies: eachWith(document.supplies, { at: "" }),
  controls: eachWith(document.controls, { at: "" }),
  runs: eachWith(document.runs, { relayAt: "", switchAt: "", spliceAt: "" }),
});
