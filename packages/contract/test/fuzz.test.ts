/**
 * Documents with one place changed by chance: each is refused in words or, when it is taken,
 * can be planned, proven and cut without anything giving way.
 */
import fc from "fast-check";
import { cutListOf, planJob, printJob, routeOf, synthesise, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { readJobFile } from "../src/index.ts";

type Path = readonly (string | number)[];

/** Paths of every leaf of a document, and of every list and object on the way. */
function pathsOf(node: unknown, at: Path = []): Path[] {
  if (Array.isArray(node)) return [at, ...node.flatMap((v, i) => pathsOf(v, [...at, i]))];
  if (typeof node === "object" && node !== null) {
    return [at, ...Object.entries(node).flatMap(([k, v]) => pathsOf(v, [...at, k]))];
  }
  return [at];
}

function changed(job: unknown, path: Path, value: unknown): unknown {
  if (path.length === 0) return value;
  const copy = structuredClone(job);
  let at = copy as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  const last = path[path.length - 1]!;
  if (value === undefined) {
    if (Array.isArray(at)) at.splice(Number(last), 1);
    else Reflect.deleteProperty(at, last);
  } else at[last] = value;
  return copy;
}

const ODD = fc.oneof(
  fc.constantFrom<unknown>(
    undefined,
    null,
    "",
    0,
    -1,
    1e9,
    1e-9,
    true,
    [],
    {},
    "nobody",
    "__proto__",
  ),
  fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e6, max: 1e6 }),
  fc.string({ maxLength: 40 }),
);

const jobs = demoJobs();
const known = jobs.map((job) => ({ job, paths: pathsOf(JSON.parse(printJob(job))) }));

/** Runs something; where it gives way the changed place is told with it. */
function told<T>(where: string, body: () => T): T {
  try {
    return body();
  } catch (error) {
    throw new Error(`${where}: ${error instanceof Error ? error.stack : String(error)}`);
  }
}

const reading = (where: string, text: string) => told(where, () => readJobFile(text));

/** What the page and the command line do with a document that was taken. */
function use(job: Job): void {
  const plan = planJob(job, "metric");
  const circuit = synthesise(job);
  routeOf(job, circuit);
  cutListOf(job, circuit);
  for (const { title, why } of plan.findings) {
    expect(`${title}${why}`).not.toMatch(/NaN|undefined|\[object/);
  }
  for (const choice of plan.choices)
    expect(`${choice.picked}${choice.reason}`).not.toMatch(/NaN|undefined/);
}

describe("a document with one place changed by chance", () => {
  it("is refused in words with its place, or is used without anything giving way", () => {
    let [taken, refused] = [0, 0];
    fc.assert(
      fc.property(fc.nat(), fc.nat(), ODD, (which, spot, value) => {
        const { job, paths } = known[which % known.length]!;
        const path = paths[spot % paths.length]!;
        const text = JSON.stringify(changed(JSON.parse(printJob(job)), path, value));
        const where = `${job.card.title}, ${path.join(".")} = ${JSON.stringify(value)}`;
        const read = reading(where, String(text));
        if (read.ok) {
          taken += 1;
          told(where, () => use(read.value));
          return;
        }
        refused += 1;
        expect(read.faults.length).toBeGreaterThan(0);
        for (const fault of read.faults) {
          expect(fault.message).not.toBe("");
          expect(fault.message).not.toMatch(/undefined|\[object|Cannot read/);
        }
      }),
      { seed: 7, numRuns: 200, endOnFailure: true },
    );
    // Both kinds were met, or the chance tried nothing.
    expect(taken).toBeGreaterThan(10);
    expect(refused).toBeGreaterThan(60);
  });

  it("is refused when it is cut off anywhere", () => {
    const text = printJob(jobs[0]!);
    for (let i = 0; i < text.length - 2; i += Math.ceil(text.length / 60)) {
      expect(readJobFile(text.slice(0, i)).ok).toBe(false);
    }
  });
});
