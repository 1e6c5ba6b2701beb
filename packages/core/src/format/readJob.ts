import { JOB_FORMAT, upgradeJob } from "../job/index.ts";
import type { Fault } from "../job/index.ts";

/** A file as an object, or what it lacks. */
export type ReadResult =
  | { readonly ok: true; readonly value: Record<string, unknown> }
  | { readonly ok: false; readonly faults: readonly Fault[] };

const LATEST = Number(JOB_FORMAT.split("/")[1]);
const FORMAT_PATTERN = /^dragonet-job\/(\d+)$/;

/**
 * Reads the text of a job file as far as its format line: it must be a JSON object of a
 * version this program knows. One of an older version is handed on as the latest.
 * The shape below the format line is checked by the contract.
 */
export function readJobText(text: string): ReadResult {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    return { ok: false, faults: [{ path: "", message: `not JSON: ${message}` }] };
  }
  if (typeof value !== "object" || value === null || Array.isArray(value)) {
    return { ok: false, faults: [{ path: "", message: "not a job (needs a JSON object)" }] };
  }
  const document = value as Record<string, unknown>;
  const format = String(document.format ?? "");
  const version = FORMAT_PATTERN.exec(format)?.[1];
  if (version === undefined) {
    return {
      ok: false,
      faults: [{ path: "format", message: `invalid format: "${format}" (needs "${JOB_FORMAT}")` }],
    };
  }
  if (Number(version) > LATEST) {
    return {
      ok: false,
      faults: [
        {
          path: "format",
          message: `"${format}" is newer than this program, which reads up to "${JOB_FORMAT}"`,
        },
      ],
    };
  }
  if (Number(version) < 1) {
    return {
      ok: false,
      faults: [{ path: "format", message: `invalid format: "${format}" (needs "${JOB_FORMAT}")` }],
    };
  }
  return { ok: true, value: Number(version) < LATEST ? upgradeJob(document) : document };
}

/** A job as the text of a file: stable order, two spaces, ends with a newline. */
export const printJob = (job: object): string => `${JSON.stringify(job, null, 2)}\n`;
