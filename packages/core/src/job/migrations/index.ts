import type { Plain } from "./plain.ts";
import { toVersion2 } from "./toVersion2.ts";
import { toVersion3 } from "./toVersion3.ts";

export { upgradePart, upgradePractices, upgradeVehicle } from "./toVersion2.ts";

/** In sequence: the first brings version 1 to version 2, and so on. None is ever changed again. */
const MIGRATIONS: readonly ((document: Plain) => Plain)[] = [toVersion2, toVersion3];

/** The version that a job document says it is; 1 where it says nothing that can be read. */
const versionOf = (document: Plain): number => {
  const said = /^dragonet-job\/(\d+)$/.exec(String(document.format));
  return said ? Number(said[1]) : 1;
};

/** A job document of any earlier version as one of this program's. */
export const upgradeJob = (document: Plain): Plain =>
  MIGRATIONS.slice(versionOf(document) - 1).reduce((doc, migrate) => migrate(doc), document);
