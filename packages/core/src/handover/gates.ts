import type { TestReport } from "../diagnosis/index.ts";
import { isOnMark, wallMarks } from "../aim/index.ts";
import { notClosed } from "../fit/index.ts";
import {
  isOff,
  standingReadings,
  toReadAgain,
  type Gate,
  type Job,
  type Signature,
} from "../job/index.ts";
import { counted } from "../quantity/index.ts";
import { groupFindings, type Finding } from "../rule/index.ts";

/** Something that is missing before a vehicle may go, and who signed for it going without. */
export interface OpenGate {
  readonly gate: Gate;
  /** "not tested on the vehicle", "2 lamps not aimed at the wall". */
  readonly text: string;
  readonly signed: Signature | null;
}

/**
 * That nobody has put a meter to it, or that something read off; "" where all is well. Without
 * its script, which takes its time to work out: what the board can tell of many jobs at once.
 */
export function untested(job: Job): { readonly tested: string; readonly readings: string } {
  const off = [...standingReadings(job).values()].filter(isOff).length;
  const again = toReadAgain(job).length;
  const words = [
    ...(off === 0 ? [] : [`${counted(off, "step", "steps")} of the test off`]),
    ...(again === 0 ? [] : [`${counted(again, "step", "steps")} to read again after a mend`]),
  ];
  return {
    tested: job.readings.length === 0 && job.runs.length > 0 ? "not tested on the vehicle" : "",
    readings: words.join(", "),
  };
}

/** Lamps that throw light and stand at no mark yet; "" where there are none. */
export function unaimed(job: Job): string {
  const off = wallMarks(job).filter(({ aim }) => {
    const last = aim.errors.at(-1);
    return !last || !isOnMark(last);
  }).length;
  return off === 0 ? "" : `${counted(off, "lamp", "lamps")} not aimed at the wall`;
}

/** The signature that stands for a gate: the last one under it. */
export const signedFor = (job: Job, gate: Signature["gate"]): Signature | null =>
  job.signatures.findLast((s) => s.gate === gate) ?? null;

/** How far the test is: what `testReport` counts. */
export type Tested = Pick<TestReport, "unread" | "total">;

/** That steps of the test are neither read nor left out with a reason. */
function notRead(job: Job, { unread, total }: Tested): string {
  const { tested } = untested(job);
  if (tested !== "" || unread === 0) return tested;
  return `${unread} of ${counted(total, "step")} of the test not read`;
}

/** Everything that is missing before a vehicle goes, signed for or not. */
export function openGates(job: Job, findings: readonly Finding[], report: Tested): OpenGate[] {
  const { readings } = untested(job);
  const tested = notRead(job, report);
  const stops = groupFindings(findings.filter((f) => f.severity === "stop"));
  const panels = notClosed(job).length;
  const texts: Readonly<Record<Gate, string>> = {
    tested,
    readings,
    aimed: unaimed(job),
    stops:
      stops.length === 0
        ? ""
        : `the check says stop: ${stops.map((f) => f.title.replace(/[.]$/, "")).join("; ")}`,
    panels:
      panels === 0 ? "" : `${counted(panels, "panel or part", "panels and parts")} not back on`,
  };
  return Object.entries(texts).flatMap(([gate, text]) =>
    text === "" ? [] : [{ gate: gate as Gate, text, signed: signedFor(job, gate as Gate) }],
  );
}

/** Why a job cannot be handed over; "" where it can. */
export function notHandedOver(job: Job, findings: readonly Finding[], report: Tested): string {
  const open = openGates(job, findings, report).filter((g) => g.signed === null);
  return open.length === 0
    ? ""
    : `${open.map((g) => g.text).join("; ")}: mend it, or sign for it by name with a reason`;
}
