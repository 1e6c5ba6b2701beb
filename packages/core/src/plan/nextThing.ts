import { untested, unaimed, signedFor } from "../handover/gates.ts";
import { notClosed } from "../fit/index.ts";
import { STAGES, type Job, type Stage } from "../job/index.ts";
import { counted } from "../quantity/index.ts";
import type { Finding } from "../rule/index.ts";

/** What is to be done next on a job, and where. */
export interface NextThing {
  readonly stage: Stage;
  /** "take off the front rack": what a hand does, small letters, no full stop. */
  readonly text: string;
}

/** Before anything is fitted: what each stage is there for. */
const PLANNING: Readonly<Partial<Record<Stage, string>>> = {
  intake: "measure what the verdict hangs on",
  budget: "look whether the charging carries it",
  circuit: "try every position and fault at the bench",
  signals: "play the signals, then fit",
};

function fitting(job: Job): string {
  const cover = job.strip.find((step) => step.state === "on");
  if (cover) return `take off: ${cover.name}`;
  const bond = job.bonds.find(({ pressedAt }) => pressedAt === "");
  if (bond) return `stick on: ${bond.what}`;
  return `cut and lead the wires of ${counted(job.runs.length, "circuit")}, then prove them`;
}

function proving(job: Job): string {
  const { tested, readings } = untested(job);
  if (tested !== "") return "put the meter to it before anything goes back on";
  if (readings !== "") return `${readings}: find what it is`;
  const open = notClosed(job).length;
  return open === 0
    ? "read what is left, then aim"
    : `put back on: ${counted(open, "panel or part", "panels and parts")}`;
}

function handingOver(job: Job): string {
  if (signedFor(job, "")) return "handed over";
  const { tested, readings } = untested(job);
  const missing = [tested, readings, unaimed(job)].find((text) => text !== "");
  return missing === undefined
    ? "explain it and have it signed"
    : `${missing}: do it, or sign for it`;
}

/** What a job wants next: what stands in the way of everything first, then what its stage is for. */
export function nextThing(job: Job, findings: readonly Finding[]): NextThing {
  const { stage } = job.card;
  if (job.runs.length === 0) return { stage: "circuit", text: "lay out the first circuit" };
  const stop = findings.find((finding) => finding.severity === "stop");
  if (stop && STAGES.indexOf(stage) <= STAGES.indexOf("fit")) {
    return { stage: "circuit", text: `put right: ${stop.title}` };
  }
  const planning = PLANNING[stage];
  if (planning !== undefined) return { stage, text: planning };
  if (stage === "fit") return { stage, text: fitting(job) };
  if (stage === "prove") return { stage, text: proving(job) };
  if (stage === "handOver") return { stage, text: handingOver(job) };
  const lamps = unaimed(job);
  return lamps === ""
    ? { stage: "handOver", text: "hand it over" }
    : { stage: "aim", text: `${lamps}: bring them to their marks` };
}
