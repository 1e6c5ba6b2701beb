import { applyEdits, type Job } from "../job/index.ts";
import type { Finding, Remedy, Severity } from "../rule/index.ts";
import { checkedCircuit } from "./planJob.ts";

const WEIGHT: Readonly<Record<Severity, number>> = { stop: 10_000, fix: 100, note: 1 };

/** How much is amiss with a job: every remedy that is offered makes it less, so none goes round in a ring. */
const amiss = (findings: readonly Finding[]): number =>
  findings.reduce((sum, f) => sum + WEIGHT[f.severity], 0);

const placed = (f: Finding): string => `${f.rule} ${f.place.runId ?? f.place.words}`;

function isSound(job: Job, before: readonly Finding[], remedy: Remedy): boolean {
  const made = applyEdits(job, remedy.edits);
  if (!made.ok) return false;
  const after = checkedCircuit(made.job).findings;
  const known = new Set(before.filter((f) => f.severity === "stop").map(placed));
  const fresh = after.some((f) => f.severity === "stop" && !known.has(placed(f)));
  return !fresh && amiss(after) < amiss(before);
}

/**
 * Findings with those of their remedies after which the whole job is better: nothing new to stop
 * for, and less amiss than before. Each is tried on the whole job.
 */
export function soundRemedies<F extends Finding>(
  job: Job,
  findings: readonly F[],
  before: readonly Finding[] = findings,
): F[] {
  const tried = new Map<string, boolean>();
  const sound = (remedy: Remedy): boolean => {
    const key = JSON.stringify(remedy.edits);
    const known = tried.get(key) ?? isSound(job, before, remedy);
    tried.set(key, known);
    return known;
  };
  return findings.map((finding) =>
    finding.remedies.length === 0
      ? finding
      : { ...finding, remedies: finding.remedies.filter(sound) },
  );
}
