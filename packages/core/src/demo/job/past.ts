import type { CollectionName, Edit, Job, SingletonName } from "../../job/index.ts";

/** One thing that was done to a job while it was made up. */
interface Step {
  readonly before: Job;
  readonly edits: readonly Edit[];
}

/** By the job that it ended in: a job is never changed, so that each is told from every other. */
const STEPS = new WeakMap<Job, Step>();

/** Notes what made one job of another; what changed nothing made none. */
export const noteStep = (before: Job, after: Job, edits: readonly Edit[]): void => {
  if (after !== before) STEPS.set(after, { before, edits });
};

/** What kind of work an edit belongs to, and by that to whom. */
const WORK = {
  ask: ["card", "wish", "blocker", "kitItem", "practices", "use"],
  test: ["reading", "mend"],
  aim: ["aim", "aiming"],
  fit: [
    ...["stripStep", "fastener", "plug", "photo", "template", "landmark", "hole", "mount"],
    ...["bond", "check", "place", "segment"],
  ],
  money: ["option", "worked", "signature", "lot"],
} as const satisfies Readonly<Record<string, readonly (CollectionName | SingletonName)[]>>;
type Work = keyof typeof WORK | "circuit";

function workOf(edit: Edit): Work {
  if (!("entity" in edit)) return "circuit";
  const works = Object.keys(WORK) as (keyof typeof WORK)[];
  return works.find((work) => WORK[work].some((name) => name === edit.entity)) ?? "circuit";
}

/** Edits that were made in one sitting, and the sign-in of who made them. */
export interface PastBatch {
  readonly signIn: "ansa" | "pim";
  readonly edits: readonly Edit[];
}

/** What has happened to a job, for the demo. */
export interface Past {
  /** The job as it was opened. */
  readonly opened: Job;
  /** In their order; with nothing it is as it was opened. */
  readonly batches: readonly PastBatch[];
}

/** How a job of the demo came to be: opened, asked, planned, fitted, tested, by whom of the shop. */
export function pastOf(job: Job): Past {
  const steps: Step[] = [];
  let opened = job;
  for (let step = STEPS.get(job); step; step = STEPS.get(opened)) {
    steps.unshift(step);
    opened = step.before;
  }
  const batches: { work: Work; edits: Edit[] }[] = [];
  for (const edit of steps.flatMap(({ edits }) => edits)) {
    const work = workOf(edit);
    const last = batches.at(-1);
    if (last?.work === work) last.edits.push(edit);
    else batches.push({ work, edits: [edit] });
  }
  return {
    opened,
    batches: batches.map(({ work, edits }): PastBatch => ({
      signIn: work === "ask" || work === "money" ? "ansa" : "pim",
      edits,
    })),
  };
}
