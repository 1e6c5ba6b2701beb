import { integrityFaults, type Job } from "../src/index.ts";

/** What is there at "a.b[0].c", and the document with something else there. */
export function changed(job: Job, at: string, value: unknown): Job {
  const copy = structuredClone(job) as unknown as Record<string, unknown>;
  const keys = at.split(/[.[\]]+/).filter((key) => key !== "");
  const last = keys.pop()!;
  let node = copy;
  for (const key of keys) node = node[key] as Record<string, unknown>;
  if (!(last in node)) throw new Error(`nothing at ${at}`);
  node[last] = value;
  return copy as unknown as Job;
}

/** One thing changed: the faults that are told, each with its place and its sentence. */
export type Row = readonly [at: string, value: unknown, path: string, message: string];

export const expectFaults = (job: Job, rows: readonly Row[]) => {
  expect(integrityFaults(job)).toEqual([]);
  for (const [at, value, path, message] of rows) {
    expect([at, integrityFaults(changed(job, at, value))]).toEqual([at, [{ path, message }]]);
  }
};
