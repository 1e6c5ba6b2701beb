import { wayEdits } from "../compare/index.ts";
import {
  adoptPart,
  applyEdits,
  removeCircuit,
  setIn,
  type Edit,
  type Job,
  type OptionChange,
  type QuoteOption,
} from "../job/index.ts";
import type { Part } from "../part/index.ts";
import { checkedCircuit, type CheckedCircuit } from "../plan/index.ts";
import { groupFindings, type Severity } from "../rule/index.ts";
import { PLAIN_PACE, type ScaleOf } from "./plannedTime.ts";
import { quoteOf, type Quote } from "./quoteOf.ts";

/** What an option of a quote comes to, beside the plan. */
export type OptionResult =
  | {
      readonly kind: "worked";
      readonly option: QuoteOption;
      readonly quote: Quote;
      /** More (+) or less (−) than the plan: gross, and minutes of work. */
      readonly moreMinor: number;
      readonly moreMinutes: number;
      /** Units more (+) or fewer (−) that may fail. */
      readonly moreUnits: number;
      /** Findings of each severity, and those of the plan. */
      readonly findings: Readonly<Record<Severity, number>>;
      readonly before: Readonly<Record<Severity, number>>;
      readonly edits: readonly Edit[];
    }
  /** It cannot be done, and why. */
  | { readonly kind: "refused"; readonly option: QuoteOption; readonly reason: string };

type Edits =
  | { readonly ok: true; readonly edits: readonly Edit[] }
  | { readonly ok: false; readonly reason: string };

const refused = (reason: string): Edits => ({ ok: false, reason });

/** The edits of one change, told on the job as the changes before it left it. */
function editsOf(job: Job, change: OptionChange, shelf: readonly Part[]): Edits {
  if (change.kind === "otherPart") return otherPart(job, change, shelf);
  const run = job.runs.find((r) => r.id === change.runId);
  if (!run) return refused("its circuit is not in the plan any more");
  if (change.kind === "leaveOut") return { ok: true, edits: removeCircuit(job, run.id) };
  const way = wayEdits(job, run, change.way, shelf);
  return way.refused === "" ? { ok: true, edits: way.edits } : refused(way.refused);
}

function otherPart(
  job: Job,
  { partId, insteadId }: Extract<OptionChange, { kind: "otherPart" }>,
  shelf: readonly Part[],
): Edits {
  const find = (id: string): Part | undefined => [...job.parts, ...shelf].find((p) => p.id === id);
  const [now, instead] = [find(partId), find(insteadId)];
  const lamps = job.lamps.filter((l) => l.partId === partId);
  const supplies = job.supplies.filter((s) => s.partId === partId);
  if (lamps.length + supplies.length === 0)
    return refused("what it would take the place of is gone");
  if (!now || !instead) return refused("the other part is not on the shelf any more");
  if (now.kind !== instead.kind)
    return refused(`${instead.name} does not do what ${now.name} does`);
  return {
    ok: true,
    edits: [
      ...adoptPart(job, instead),
      ...lamps.map((l): Edit => setIn("lamp", l.id, "partId", instead.id)),
      ...supplies.map((s): Edit => setIn("supply", s.id, "partId", instead.id)),
    ],
  };
}

/** All edits of an option, one change after another. */
export function optionEdits(job: Job, option: QuoteOption, shelf: readonly Part[]): Edits {
  if (option.changes.length === 0) return refused("it does nothing otherwise than the plan");
  let at = job;
  const edits: Edit[] = [];
  for (const change of option.changes) {
    const own = editsOf(at, change, shelf);
    if (!own.ok) return own;
    const made = applyEdits(at, own.edits);
    if (!made.ok) return refused(made.message);
    at = made.job;
    edits.push(...own.edits);
  }
  return { ok: true, edits };
}

const countFindings = ({ findings }: CheckedCircuit): Record<Severity, number> => {
  const count = { stop: 0, fix: 0, note: 0 };
  for (const group of groupFindings(findings)) count[group.severity] += 1;
  return count;
};

const minutesOf = (quote: Quote): number =>
  quote.work.reduce((sum, line) => sum + line.minutes.mid, 0);

const unitsOf = ({ circuit }: CheckedCircuit): number =>
  [...circuit.units.values()].filter((u) => u.fitted && u.kind !== "splice").length;

/** A quote with its options, each laid out, checked and priced as a job of its own. */
export interface WorkedQuote {
  readonly quote: Quote;
  readonly findings: Readonly<Record<Severity, number>>;
  readonly options: readonly OptionResult[];
}

/** What has no price in a quote or in one of its options, by name, each once. */
export const unpricedIn = ({ quote, options }: WorkedQuote): string[] => [
  ...new Set([
    ...quote.unpriced,
    ...options.flatMap((option) => (option.kind === "worked" ? option.quote.unpriced : [])),
  ]),
];

/** Parts of the shelf that a job's options put in the place of others. */
export const insteadOf = ({ options }: Pick<Job, "options">): string[] => [
  ...new Set(
    options
      .flatMap(({ changes }) => changes)
      .flatMap((change) => (change.kind === "otherPart" ? [change.insteadId] : [])),
  ),
];

/** Prices a job and each of its options; `shelf` has the prices and the parts not used yet. */
export function workedQuote(
  job: Job,
  shelf: readonly Part[],
  pace: ScaleOf = PLAIN_PACE,
): WorkedQuote {
  const planned = checkedCircuit(job);
  const quote = quoteOf(job, planned.circuit, shelf, pace);
  const before = countFindings(planned);
  const options = job.options.map((option): OptionResult => {
    const found = optionEdits(job, option, shelf);
    if (!found.ok) return { kind: "refused", option, reason: found.reason };
    const made = applyEdits(job, found.edits);
    if (!made.ok) return { kind: "refused", option, reason: made.message };
    const then = checkedCircuit(made.job);
    const own = quoteOf(made.job, then.circuit, shelf, pace);
    return {
      ...{ kind: "worked", option, quote: own, edits: found.edits, before },
      moreMinor: own.total.grossMinor - quote.total.grossMinor,
      moreMinutes: minutesOf(own) - minutesOf(quote),
      moreUnits: unitsOf(then) - unitsOf(planned),
      findings: countFindings(then),
    };
  });
  return { quote, findings: before, options };
}
