import {
  createJob,
  knowledgeOf,
  planSentence,
  printJob,
  startFrom,
  whichOf,
  type Job,
  type Measurement,
  type Part,
  type Practices,
  type SaidJob,
  type Vehicle,
} from "@dragonet/core";

/** A job made on the page: as a document, and as the text of its file. */
export interface MadeJob {
  readonly document: Job;
  readonly text: string;
}

const asFile = (document: Job): MadeJob => ({ document, text: printJob(document) });

/** A vehicle as machines of its model have shown themselves. */
const begunFrom = (profile: Vehicle, all: readonly Measurement[], machine: string): Vehicle =>
  startFrom(profile, knowledgeOf(all, whichOf(profile)), machine);

/** The job that a sentence makes. */
export function plannedJob(
  said: SaidJob,
  practices: Practices,
  shelf: readonly Part[],
  all: readonly Measurement[],
): MadeJob {
  if (!said.vehicle) throw new Error("the sentence names no vehicle");
  const vehicle = begunFrom(said.vehicle, all, said.machine);
  return asFile(planSentence(said, vehicle, practices, shelf));
}

export interface JobCardSaid {
  readonly title: string;
  readonly customer: string;
  readonly machine: string;
}

/** A job without a circuit yet, on its own copy of a profile. */
export const emptyJob = (
  { title, customer, machine }: JobCardSaid,
  profile: Vehicle,
  practices: Practices,
  all: readonly Measurement[],
): MadeJob => asFile(createJob(title, customer, begunFrom(profile, all, machine), practices));
