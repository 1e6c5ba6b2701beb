import {
  checkedCircuit,
  openGates,
  ownerSheet,
  suggestOptions,
  workedQuote,
  type Job,
  type OpenGate,
  type OwnerSheet,
  type Part,
  type Suggested,
  type UnitSystem,
  type WorkedQuote,
} from "@dragonet/core";

/** Everything that stage 8 shows of a job. */
export interface HandingOver extends WorkedQuote {
  readonly suggested: readonly Suggested[];
  readonly gates: readonly OpenGate[];
  readonly sheet: OwnerSheet;
}

export function handingOverOf(job: Job, shelf: readonly Part[], units: UnitSystem): HandingOver {
  const { circuit, findings } = checkedCircuit(job);
  const there = new Set(job.options.map((o) => JSON.stringify(o.changes)));
  const gates = openGates(job, findings);
  return {
    ...workedQuote(job, shelf),
    suggested: suggestOptions(job, shelf).filter((s) => !there.has(JSON.stringify(s.changes))),
    gates,
    sheet: ownerSheet(job, { circuit, gates }, units),
  };
}
