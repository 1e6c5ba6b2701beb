import { testedOf } from "./proving.ts";
import {
  backtest,
  checkedCircuit,
  openGates,
  ownerSheet,
  paceOf,
  suggestOptions,
  workedQuote,
  type Backtest,
  type Job,
  type OpenGate,
  type OwnerSheet,
  type Part,
  type Suggested,
  type TimeRecord,
  type UnitSystem,
  type WorkedQuote,
} from "@dragonet/core";

/** What the shop brings to a quote: its shelf, and its time on jobs that are done. */
export interface ShopKnows {
  readonly shelf: readonly Part[];
  readonly records: readonly TimeRecord[];
}

/** Everything that stage 8 shows of a job. */
export interface HandingOver extends WorkedQuote {
  readonly suggested: readonly Suggested[];
  readonly gates: readonly OpenGate[];
  readonly sheet: OwnerSheet;
  /** How the shop's estimates have done, each made of the jobs before it; null without any. */
  readonly backtest: Backtest | null;
}

export function handingOverOf(
  job: Job,
  { shelf, records }: ShopKnows,
  units: UnitSystem,
): HandingOver {
  const { circuit, findings } = checkedCircuit(job);
  const there = new Set(job.options.map((o) => JSON.stringify(o.changes)));
  const gates = openGates(job, findings, testedOf(job));
  return {
    ...workedQuote(job, shelf, paceOf(records)),
    backtest: backtest(records),
    suggested: suggestOptions(job, shelf).filter((s) => !there.has(JSON.stringify(s.changes))),
    gates,
    sheet: ownerSheet(job, { circuit, gates }, units),
  };
}
