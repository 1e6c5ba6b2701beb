import "reflect-metadata";
import { validateSync, type ValidationError } from "class-validator";
import {
  integrityFaults,
  partFaults,
  readJobText,
  type Booking,
  type CalendarFile,
  type Fault,
  type Job,
  type Measurement,
  type ModelFile,
  type Part,
  type Practices,
  type ShopCalendar,
  type Vehicle,
  createJob,
  itemAt,
} from "@dragonet/core";
import { BookingAnswer } from "./answers/calendar.ts";
import { CalendarFileDto, ShopCalendarDto } from "./document/calendar.ts";
import { JobDto } from "./document/job.ts";
import { ModelFileDto } from "./document/model.ts";
import { PracticesDto } from "./document/practices.ts";
import { PART_TYPES } from "./document/kit.ts";
import { PartDto } from "./document/part/part.ts";
import { instantiate } from "./instantiate.ts";
import { unsound } from "./sound.ts";
import { VehicleDto } from "./document/vehicle/vehicle.ts";

/** A value that passed its check, or every fault of it with its place. */
export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** More than this many faults help nobody; the first ones are told. */
const MOST_FAULTS = 100;

const asText = (value: unknown): string => {
  // A function or nothing at all has no JSON, whatever the types of the library say.
  const text = (JSON.stringify(value) as string | undefined) ?? String(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
};

/** class-validator's tree of errors as a flat list of places with what stands there. */
export function flattenErrors(errors: readonly ValidationError[], path = ""): Fault[] {
  return errors.flatMap((error): Fault[] => {
    const here = /^\d+$/.test(error.property)
      ? `${path}[${error.property}]`
      : path === ""
        ? error.property
        : `${path}.${error.property}`;
    const own = Object.values(error.constraints ?? {}).map((message) => ({
      path: here,
      message:
        error.value === undefined
          ? `missing: ${message}`
          : `invalid value: ${asText(error.value)} (${message})`,
    }));
    return [...own, ...flattenErrors(error.children ?? [], here)];
  });
}

type Newable<T> = new () => T;

/**
 * Entries of lists that are null: no list has such, and the transformer, which looks at an
 * entry's kind, gives way on one. Without recursion, so that nothing nested is too deep.
 */
function nullEntries(plain: object): Fault[] {
  const faults: Fault[] = [];
  const waiting: (readonly [string, unknown])[] = [["", plain]];
  for (let next = waiting.pop(); next && faults.length < MOST_FAULTS; next = waiting.pop()) {
    const [path, node] = next;
    if (typeof node !== "object" || node === null) continue;
    for (const [key, value] of Object.entries(node)) {
      const here = Array.isArray(node) ? `${path}[${key}]` : path === "" ? key : `${path}.${key}`;
      if (value === null && Array.isArray(node)) {
        faults.push({ path: here, message: "invalid value: null (a list has no empty entries)" });
      } else waiting.push([here, value]);
    }
  }
  return faults;
}

/** Checks a plain value against a class; the value itself is handed on, untouched. */
function checkShape<T extends object>(type: Newable<T>, plain: unknown): Fault[] {
  if (typeof plain !== "object" || plain === null || Array.isArray(plain)) {
    return [{ path: "", message: "needs an object" }];
  }
  const unfit = unsound(plain);
  if (unfit) return [unfit];
  const empty = nullEntries(plain);
  if (empty.length > 0) return empty;
  const errors = validateSync(instantiate(type, plain), {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    stopAtFirstError: true,
  });
  return flattenErrors(errors).slice(0, MOST_FAULTS);
}

/** Checks a plain document: shape first, then references, order and bounds. */
export function checkJobDocument(plain: unknown): Checked<Job> {
  const shape = checkShape(JobDto, plain);
  if (shape.length > 0) return { ok: false, faults: shape };
  const job = plain as Job;
  const faults = integrityFaults(job).slice(0, MOST_FAULTS);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: job };
}

/** Reads a job file's text. Every fault with its path; nothing half read. */
export function readJobFile(text: string): Checked<Job> {
  const read = readJobText(text);
  return read.ok ? checkJobDocument(read.value) : read;
}

/** Checks a vehicle profile by the same rules as the vehicle of a job. */
export function checkVehicle(plain: unknown): Checked<Vehicle> {
  const shape = checkShape(VehicleDto, plain);
  if (shape.length > 0) return { ok: false, faults: shape };
  const vehicle = plain as Vehicle;
  const faults = integrityFaults(createJob("", "", vehicle)).map((fault) => ({
    ...fault,
    path: fault.path.replace(/^vehicle\./, ""),
  }));
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: vehicle };
}

const PART_CLASSES: Readonly<Record<string, Newable<PartDto>>> = Object.fromEntries(
  PART_TYPES.map(({ name, value }) => [name, value]),
);

/** A number has its bounds about it; what is no number says something. */
function measurementFault({ value, low, high, said }: Measurement): Fault | null {
  if (value === null) {
    if (low !== null || high !== null) return { path: "low", message: "bounds without a number" };
    return said === "" ? { path: "said", message: "neither a number nor words" } : null;
  }
  if (low === null || low > value) {
    return { path: "low", message: `${low} of ${value} (at most the number itself)` };
  }
  if (high !== null && high >= value) return null;
  return { path: "high", message: `${high} of ${value} (at least the number itself)` };
}

/** Checks what another shop says of a model: the vehicle by the same rules as one's own. */
export function checkModelFile(plain: unknown): Checked<ModelFile> {
  const shape = checkShape(ModelFileDto, plain);
  if (shape.length > 0) return { ok: false, faults: shape };
  const file = plain as ModelFile;
  const vehicle = checkVehicle(file.vehicle);
  const faults = [
    ...(vehicle.ok ? [] : vehicle.faults.map((f) => ({ ...f, path: `vehicle.${f.path}` }))),
    ...file.measurements.flatMap((one, i): Fault[] => {
      const fault = measurementFault(one);
      return fault ? [{ ...fault, path: `measurements[${i}].${fault.path}` }] : [];
    }),
  ].slice(0, MOST_FAULTS);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: file };
}

/** Checks a shop's practices. */
export function checkPractices(plain: unknown): Checked<Practices> {
  const shape = checkShape(PracticesDto, plain);
  return shape.length > 0 ? { ok: false, faults: shape } : { ok: true, value: plain as Practices };
}

/** Checks a part of the shelf. */
export function checkPart(plain: unknown): Checked<Part> {
  const kind = (plain as { kind?: unknown } | null)?.kind;
  const known = typeof kind === "string" && Object.hasOwn(PART_CLASSES, kind) ? kind : "";
  const type = PART_CLASSES[known] ?? PartDto;
  const shape = checkShape(type, plain);
  if (shape.length > 0) return { ok: false, faults: shape };
  const part = plain as Part;
  const faults = partFaults(part, "").map((f) => ({ ...f, path: f.path.replace(/^\./, "") }));
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: part };
}

/** Checks what a shop works with, and when. */
export function checkCalendar(plain: unknown): Checked<ShopCalendar> {
  const shape = checkShape(ShopCalendarDto, plain);
  return shape.length > 0
    ? { ok: false, faults: shape }
    : { ok: true, value: plain as ShopCalendar };
}

/** Checks what was said about when and where a job is done. */
export function checkBooking(plain: unknown): Checked<Booking> {
  const shape = checkShape(BookingAnswer, plain);
  return shape.length > 0 ? { ok: false, faults: shape } : { ok: true, value: plain as Booking };
}

/** Reads a shop's calendar file. Every fault with its path; nothing half read. */
export function readCalendarFile(text: string): Checked<CalendarFile> {
  let plain: unknown;
  try {
    plain = JSON.parse(text);
  } catch (error) {
    return { ok: false, faults: [{ path: "", message: `not JSON: ${(error as Error).message}` }] };
  }
  const shape = checkShape(CalendarFileDto, plain);
  if (shape.length > 0) return { ok: false, faults: shape };
  const file = plain as CalendarFile;
  const ids = file.jobs.map(({ id }) => id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) < i);
  return twice < 0
    ? { ok: true, value: file }
    : {
        ok: false,
        faults: [{ path: `jobs[${twice}].id`, message: `${itemAt(ids, twice)} is there twice` }],
      };
}
