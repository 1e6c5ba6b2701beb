import { itemAt } from "../present/index.ts";
import { applyEdits, type Job } from "../job/index.ts";
import { prove, type Difference, type Proof } from "../proof/index.ts";
import { synthesise } from "../synthesis/index.ts";
import { checkedCircuit } from "./planJob.ts";

/** More findings than these are not tried one by one as a cause. */
const MOST_TRIED = 6;

const same = (a: Difference, b: Difference): boolean => a.lampId === b.lampId && a.kind === b.kind;

/**
 * Names the cause of each difference: the finding to stop for whose remedy alone makes it
 * go. Each remedy is tried on the whole job and the job proven again.
 */
export function withCauses(job: Job, found: readonly Difference[]): Difference[] {
  if (found.length === 0) return [];
  const tried = checkedCircuit(job)
    .findings.filter((f) => f.severity === "stop" && f.remedies.length > 0)
    .slice(0, MOST_TRIED)
    .flatMap((finding) => {
      const remedy = itemAt(finding.remedies, 0);
      const mended = applyEdits(job, remedy.edits);
      if (!mended.ok) return [];
      const rest = prove(mended.job, synthesise(mended.job))?.differences ?? [];
      const words = `${finding.place.words}: ${finding.title.charAt(0).toLowerCase()}${finding.title.slice(1)}`;
      return [{ cause: { words, remedy: remedy.label, edits: remedy.edits }, rest }];
    });
  return found.map((difference) => {
    const made = tried.find(({ rest }) => !rest.some((other) => same(other, difference)));
    return { ...difference, cause: made?.cause ?? null };
  });
}

/** The proof of a job with the cause of each difference; null when it was stopped. */
export function provenJob(job: Job): Proof | null {
  const proof = prove(job, synthesise(job));
  return proof && { ...proof, differences: withCauses(job, proof.differences) };
}
