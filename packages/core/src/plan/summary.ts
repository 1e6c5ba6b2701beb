import { signedFor, unaimed, untested } from "../handover/gates.ts";
import type { Blocker, Gate, Job, Stage } from "../job/index.ts";
import { adhesiveOf, curing, needsOf, type Need } from "../fit/index.ts";
import { groupFindings, type Finding } from "../rule/index.ts";
import { timeRecords, type TimeRecord } from "../quote/pace.ts";
import { workLeft, type WorkLeft } from "../schedule/workLeft.ts";
import { nextThing, type NextThing } from "./nextThing.ts";
import { checkedCircuit } from "./planJob.ts";

/** One thing that a job waits for, as the board shows it. */
export interface Waiting {
  readonly kind: Blocker["kind"] | "stop";
  readonly text: string;
}

/** Something stuck on that needs its time: until when the vehicle stays, and the load waits. */
export interface Curing {
  readonly what: string;
  /** Moments as ISO 8601 in UTC. */
  readonly handleAt: string;
  readonly curedAt: string;
}

/** A job at a glance. Derived from its document; kept beside it only so that lists are quick. */
export interface JobSummary {
  readonly title: string;
  readonly customer: string;
  readonly stage: Stage;
  readonly bench: string;
  readonly promised: string;
  readonly model: string;
  readonly machine: string;
  readonly runs: number;
  readonly waiting: readonly Waiting[];
  readonly curing: readonly Curing[];
  /** What it takes from the shelf until it is handed over. */
  readonly needs: readonly Need[];
  /** Time planned and taken, by kind of work: what the shop's pace is learned from. */
  readonly time: readonly TimeRecord[];
  /** The gravest thing that the check says, and how many causes there are; null where it says nothing. */
  readonly worst: {
    readonly severity: Finding["severity"];
    readonly title: string;
    readonly count: number;
  } | null;
  readonly next: NextThing;
  /** What was put right on it, and whether that was after it was handed over. */
  readonly mends: readonly { readonly what: string; readonly comeback: boolean }[];
  /** What is still to be done to it, for the plan of the benches. */
  readonly work: WorkLeft;
}

const FIELDS: Readonly<Record<keyof JobSummary, true>> = {
  ...{ title: true, customer: true, stage: true, bench: true, promised: true, model: true },
  ...{ machine: true, runs: true, waiting: true, curing: true, needs: true, time: true },
  ...{ worst: true, next: true, mends: true, work: true },
};

/** What a summary has: a stored one that lacks any of it was made before the board told as much. */
export const SUMMARY_FIELDS: readonly string[] = Object.keys(FIELDS);

/** Stages at which a vehicle has been tested, or goes without. */
const AFTER_TEST: ReadonlySet<Stage> = new Set(["aim", "handOver"]);

/** A gate of the hand-over that nobody signed for, as something that a job waits for. */
const waits = (job: Job, gate: Gate, kind: Waiting["kind"], text: string): Waiting[] =>
  text === "" || signedFor(job, gate) ? [] : [{ kind, text }];

/** What the test and the aim leave to be done. */
function ofProof(job: Job): Waiting[] {
  const { tested, readings } = untested(job);
  const { stage } = job.card;
  return [
    ...(AFTER_TEST.has(stage) ? waits(job, "tested", "measure", tested) : []),
    ...waits(job, "readings", "measure", readings),
    ...(stage === "handOver" ? waits(job, "aimed", "dark", unaimed(job)) : []),
  ];
}

/** A mend after the first hand-over is a comeback. */
function mendsOf(job: Job): JobSummary["mends"] {
  const handedOver = job.signatures.find(({ gate }) => gate === "");
  return job.mends.map(({ what, when }) => ({
    ...{ what, comeback: handedOver !== undefined && Date.parse(when) > Date.parse(handedOver.at) },
  }));
}

/** The gravest of the causes: the check lists them so. */
function worstOf(findings: readonly Finding[]): JobSummary["worst"] {
  const causes = groupFindings(findings);
  const [first] = causes;
  return first ? { severity: first.severity, title: first.title, count: causes.length } : null;
}

/** What blocks a job: what people wrote down, kit that is not there, and findings to stop for. */
export function jobSummary(job: Job): JobSummary {
  const missing = job.kit
    .filter((item) => item.inBox < item.needed)
    .map((item): Waiting => ({ kind: "part", text: `${item.name} missing from the kit` }));
  const { circuit, findings } = checkedCircuit(job);
  const stops = groupFindings(findings.filter((f) => f.severity === "stop")).map((f): Waiting => ({
    kind: "stop",
    text: `${f.title} (${f.places.map(({ place }) => place.words).join("; ")})`,
  }));
  const { title, customer, stage, bench, promised } = job.card;
  const { model, machine } = job.vehicle;
  return {
    title,
    customer,
    stage,
    bench,
    promised,
    model,
    machine,
    runs: job.runs.length,
    waiting: [
      ...job.blockers.map(({ kind, text }): Waiting => ({ kind, text })),
      ...missing,
      ...ofProof(job),
      ...stops,
    ],
    curing: job.bonds.flatMap((bond): Curing[] => {
      const when = curing(bond);
      if (!when) return [];
      return [
        {
          what: `${bond.what}, ${adhesiveOf(bond.adhesive).name}`,
          handleAt: when.handle.toISOString(),
          curedAt: when.cured.toISOString(),
        },
      ];
    }),
    needs: stage === "handOver" ? [] : needsOf(job, circuit),
    // Before it is handed over its time is not all there.
    time: stage === "handOver" ? timeRecords(job, circuit) : [],
    worst: worstOf(findings),
    next: nextThing(job, findings),
    mends: mendsOf(job),
    work: workLeft(job, circuit),
  };
}
