import type { Plain } from "./plain.ts";
import { partTo2, practicesTo2, toVersion2, vehicleTo2 } from "./toVersion2.ts";
import { toVersion3 } from "./toVersion3.ts";
import { partTo4, practicesTo4, toVersion4, vehicleTo4 } from "./toVersion4.ts";
import { toVersion5 } from "./toVersion5.ts";
import { practicesTo6, toVersion6 } from "./toVersion6.ts";
import { toVersion7, vehicleTo7 } from "./toVersion7.ts";
import { practicesTo8, toVersion8, vehicleTo8 } from "./toVersion8.ts";
import { partTo9, toVersion9, vehicleTo9 } from "./toVersion9.ts";

type Migrate = (value: unknown) => unknown;

/** What one version changed in each kind of document; what it left alone is not there. */
interface Step {
  readonly job: (document: Plain) => Plain;
  readonly part?: Migrate;
  readonly vehicle?: Migrate;
  readonly practices?: Migrate;
}

/** In sequence: the first brings version 1 to version 2, and so on. None is ever changed again. */
const STEPS: readonly Step[] = [
  { job: toVersion2, part: partTo2, vehicle: vehicleTo2, practices: practicesTo2 },
  { job: toVersion3 },
  { job: toVersion4, part: partTo4, vehicle: vehicleTo4, practices: practicesTo4 },
  { job: toVersion5 },
  { job: toVersion6, practices: practicesTo6 },
  { job: toVersion7, vehicle: vehicleTo7 },
  { job: toVersion8, vehicle: vehicleTo8, practices: practicesTo8 },
  { job: toVersion9, part: partTo9, vehicle: vehicleTo9 },
];

/** Version of jobs, shelf parts, vehicle profiles and practices that this program writes. */
export const SHAPE_VERSION = STEPS.length + 1;

/** The version that a job document says it is; 1 where it says nothing that can be read. */
const versionOf = (document: Plain): number => {
  const said = /^dragonet-job\/(\d+)$/.exec(String(document.format));
  return said ? Number(said[1]) : 1;
};

/** A job document of any earlier version as one of this program's. */
export const upgradeJob = (document: Plain): Plain =>
  STEPS.slice(versionOf(document) - 1).reduce((doc, { job }) => job(doc), document);

const upgrade = (kind: "part" | "vehicle" | "practices") => (value: unknown, from: number) =>
  STEPS.slice(Math.max(1, from) - 1).reduce<unknown>(
    (doc, step) => (step[kind] ?? same)(doc),
    value,
  );

const same: Migrate = (value) => value;

/** A shelf part, a vehicle profile, a shop's practices of an earlier version as this program's. */
export const upgradePart = upgrade("part");
/** Brings a stored vehicle up to this version, in sequence. */
export const upgradeVehicle = upgrade("vehicle");
/** Brings stored practices up to this version, in sequence. */
export const upgradePractices = upgrade("practices");
