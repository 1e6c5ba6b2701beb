import type { Condition, Job, CircuitId } from "../../job/index.ts";

/** Whether something lights only while the high beam is on: then it is dipped with it. */
export const withHighOnly = ({ anyOf }: Condition): boolean =>
  anyOf.length > 0 &&
  anyOf.every((way) => way.some(({ input, negated }) => input === "high" && !negated));

/** The same condition with the high beam as well in each of its ways. */
export const andHigh = ({ anyOf }: Condition): Condition => ({
  anyOf: anyOf.map((way) => [
    ...way.filter(({ input }) => input !== "high"),
    { input: "high", negated: false },
  ]),
});

/** Ids of runs that stay lit when the high beam is dipped. */
export const staysWhenDipped = (job: Job): ReadonlySet<CircuitId> =>
  new Set(job.runs.filter((run) => !withHighOnly(run.condition)).map((run) => run.id));
