import { itemAt } from "../present/index.ts";
import type { Edit } from "../job/index.ts";
import type { Figure, Finding, Place, Remedy } from "./finding.ts";

/** Where a cause shows, with its numbers there. */
export interface FoundAt {
  readonly place: Place;
  readonly figures: readonly Figure[];
}

/** One cause with every place that it shows at: the first one's place and figures are its own. */
export interface FindingGroup extends Finding {
  readonly places: readonly FoundAt[];
}

/** A place with its numbers, as paper says it. */
export const foundText = (place: Place, figures: readonly Figure[]): string =>
  figures.length === 0
    ? `${place.words}.`
    : `${place.words}: ${figures.map((x) => `${x.label} ${x.value}, should be ${x.limit}`).join("; ")}.`;

/** The same way out at several places as one press, or each by itself where they differ. */
function remediesOf(findings: readonly Finding[]): Remedy[] {
  const byLabel = new Map<string, Edit[]>();
  for (const remedy of findings.flatMap((f) => f.remedies)) {
    const edits = byLabel.get(remedy.label) ?? [];
    const known = new Set(edits.map((e) => JSON.stringify(e)));
    byLabel.set(remedy.label, [
      ...edits,
      ...remedy.edits.filter((e) => !known.has(JSON.stringify(e))),
    ]);
  }
  return [...byLabel].map(([label, edits]) => ({ label, edits }));
}

/**
 * Findings by their cause: what one rule says in the same words of several places is one line with
 * all of them, in the order of the gravest.
 */
export function groupFindings(findings: readonly Finding[]): FindingGroup[] {
  const groups = new Map<string, Finding[]>();
  for (const finding of findings) {
    const { rule, severity, title, why } = finding;
    const key = JSON.stringify([rule, severity, title, why]);
    const group = groups.get(key);
    if (group) group.push(finding);
    else groups.set(key, [finding]);
  }
  return [...groups.values()].map((group) => ({
    ...itemAt(group, 0),
    remedies: remediesOf(group),
    places: group.map(({ place, figures }) => ({ place, figures })),
  }));
}
