import {
  checkBooking,
  checkCalendar,
  checkPart,
  checkPractices,
  checkVehicle,
  unsound,
  type Checked,
} from "@dragonet/contract";
import {
  ID_PATTERN,
  SHAPE_VERSION,
  upgradePart,
  upgradePractices,
  upgradeVehicle,
  type Booking,
  type Edit,
  type Fault,
  type Job,
  type Part,
  type Practices,
  type ShopCalendar,
  type Vehicle,
} from "@dragonet/core";
import { notValid } from "../http/refusal.ts";
import type { ArchiveFile } from "./archiveFile.ts";

export const FORMAT = "dragonet-shop/2";
/** The first archives had no ids, history or practices. */
const FIRST_FORMAT = "dragonet-shop/1";
const MOST_FAULTS = 50;

/** One line of a job's history, as an archive keeps it. */
export interface ArchivedChange {
  readonly revision: number;
  readonly batchId: string;
  readonly at: string;
  readonly who: string;
  readonly acts: readonly string[];
  readonly edits: readonly Edit[];
  readonly inverse: readonly Edit[];
  readonly lines: readonly string[];
}

/** What of an archive stands beside its jobs. */
export interface ShopHead {
  readonly shape: number;
  readonly practices: Practices | null;
  /** Benches and hours, and what was said about single jobs; older archives have neither. */
  readonly calendar: ShopCalendar | null;
  readonly bookings: readonly Booking[];
  readonly parts: readonly Part[];
  readonly vehicles: readonly Vehicle[];
  /** The folder of every job, with the ids of its pictures. */
  readonly jobs: readonly string[];
}

const parse = (name: string, bytes: Buffer): unknown => {
  let plain: unknown;
  try {
    plain = JSON.parse(bytes.toString("utf8"));
  } catch (error) {
    throw notValid(`${name}: not JSON (${(error as Error).message}); nothing was stored`);
  }
  const fault = unsound(plain);
  if (fault) throw notValid(`${name}: ${fault.path}: ${fault.message}; nothing was stored`);
  return plain;
};

function listOf<T>(
  name: string,
  plain: unknown,
  check: (entry: unknown) => Checked<T>,
  faults: Fault[],
): T[] {
  if (!Array.isArray(plain)) {
    faults.push({ path: name, message: "not a list" });
    return [];
  }
  return plain.flatMap((entry: unknown, i): T[] => {
    const checked = check(entry);
    if (checked.ok) return [checked.value];
    faults.push(...checked.faults.map((f) => ({ ...f, path: `${name}[${i}].${f.path}` })));
    return [];
  });
}

const isText = (value: unknown, most: number): value is string =>
  typeof value === "string" && value.length <= most;

function isChange(plain: unknown): plain is ArchivedChange {
  if (typeof plain !== "object" || plain === null) return false;
  const { revision, batchId, at, who, acts, edits, inverse, lines } = plain as Record<
    string,
    unknown
  >;
  return (
    Number.isInteger(revision) &&
    isText(batchId, 64) &&
    ID_PATTERN.test(batchId) &&
    isText(at, 40) &&
    !Number.isNaN(Date.parse(at)) &&
    isText(who, 120) &&
    Array.isArray(acts) &&
    acts.every((act) => isText(act, 64) && ID_PATTERN.test(act)) &&
    Array.isArray(edits) &&
    Array.isArray(inverse) &&
    Array.isArray(lines) &&
    lines.every((line) => isText(line, 2000))
  );
}

/** A job's history from its file; revisions count from 1 to the last without a gap. */
export function readHistory(name: string, bytes: Buffer): readonly ArchivedChange[] {
  const plain = parse(name, bytes);
  const changes = Array.isArray(plain) ? plain : [];
  const right = changes.every((change, i) => isChange(change) && change.revision === i + 1);
  if (!right || changes.length === 0) {
    throw notValid(`${name}: not a job's history; nothing was stored`);
  }
  return changes as ArchivedChange[];
}

export const folderOf = (name: string): string | null => /^jobs\/([^/]+)\//.exec(name)?.[1] ?? null;
export const photoOf = (name: string): string | null =>
  /^jobs\/[^/]+\/photos\/([^/]+)\.jpg$/.exec(name)?.[1] ?? null;

interface Head {
  readonly format?: unknown;
  readonly shape?: unknown;
  readonly practices?: unknown;
  readonly calendar?: unknown;
  readonly bookings?: unknown;
}

/**
 * Goes through an archive once and checks all of it; nothing is stored yet. Every fault with
 * the file it is in.
 */
export async function checkShop(
  file: ArchiveFile,
  checkJob: (text: string) => Promise<Checked<Job>>,
): Promise<ShopHead> {
  const faults: Fault[] = [];
  const jobs = new Set<string>();
  const lists: { parts?: unknown; vehicles?: unknown; head?: Head } = {};
  await file.each(async (name, bytes) => {
    if (name === "shop.json") lists.head = parse(name, bytes) as Head;
    else if (name === "parts.json") lists.parts = parse(name, bytes);
    else if (name === "vehicles.json") lists.vehicles = parse(name, bytes);
    else if (name.endsWith("/history.json")) readHistory(name, bytes);
    else if (name.endsWith("/job.dragonet.json")) {
      const read = await checkJob(bytes.toString("utf8"));
      if (read.ok) jobs.add(folderOf(name) ?? "");
      else faults.push(...read.faults.map((f) => ({ ...f, path: `${name}: ${f.path}` })));
    }
  });
  const { format, shape = 1, practices = null, calendar = null, bookings } = lists.head ?? {};
  if (format !== FORMAT && format !== FIRST_FORMAT) {
    throw notValid("this archive cannot be read; nothing was stored", [
      { path: "shop.json", message: `not a shop's archive (needs format "${FORMAT}")` },
    ]);
  }
  const version = typeof shape === "number" ? shape : SHAPE_VERSION;
  const parts = listOf<Part>(
    "parts.json",
    lists.parts,
    (plain) => checkPart(upgradePart(plain, version)),
    faults,
  );
  const vehicles = listOf<Vehicle>(
    "vehicles.json",
    lists.vehicles,
    (plain) => checkVehicle(upgradeVehicle(plain, version)),
    faults,
  );
  const kept = practices === null ? null : checkPractices(upgradePractices(practices, version));
  if (kept && !kept.ok) {
    faults.push(...kept.faults.map((f) => ({ ...f, path: `shop.json: practices.${f.path}` })));
  }
  const hours = calendar === null ? null : checkCalendar(calendar);
  if (hours && !hours.ok) {
    faults.push(...hours.faults.map((f) => ({ ...f, path: `shop.json: calendar.${f.path}` })));
  }
  const booked = listOf<Booking>("shop.json: bookings", bookings ?? [], checkBooking, faults);
  if (faults.length > 0) {
    throw notValid("this archive cannot be read; nothing was stored", faults.slice(0, MOST_FAULTS));
  }
  return {
    shape: version,
    practices: kept?.ok ? kept.value : null,
    calendar: hours?.ok ? hours.value : null,
    bookings: booked,
    parts,
    vehicles,
    jobs: [...jobs],
  };
}
