import equal from "fast-deep-equal";
import type { Edit } from "./edit.ts";

/** Where an edit lands: a field, or a whole entry when it is added or removed. */
interface Touch {
  readonly entry: string;
  readonly field: string | null;
}

const SYSTEM_ENTITIES = ["battery", "charging", "pack", "chargingPoint"];

function touchOf(edit: Edit): Touch[] {
  switch (edit.kind) {
    case "setOnce":
      return [{ entry: edit.entity, field: edit.field }];
    case "set":
      return [{ entry: `${edit.entity} ${edit.id}`, field: edit.field }];
    case "add":
      return [{ entry: `${edit.entity} ${edit.value.id}`, field: null }];
    case "remove":
      return [{ entry: `${edit.entity} ${edit.id}`, field: null }];
    case "replaceSystem":
      return SYSTEM_ENTITIES.map((entry) => ({ entry, field: null }));
  }
}

function meet(a: Touch, b: Touch): boolean {
  const sameEntry =
    a.entry === b.entry || a.entry.startsWith(`${b.entry} `) || b.entry.startsWith(`${a.entry} `);
  return sameEntry && (a.field === null || b.field === null || a.field === b.field);
}

/** Two edits that want the same place differently. */
export interface Conflict {
  readonly mine: Edit;
  readonly theirs: Edit;
}

/**
 * Pairs of edits by two people that want different things of the same place. Edits that
 * set the same field to the same value agree and are no clash.
 */
export function clashes(mine: readonly Edit[], theirs: readonly Edit[]): Conflict[] {
  const found: Conflict[] = [];
  for (const my of mine) {
    const last = theirs.findLast((their) =>
      touchOf(my).some((a) => touchOf(their).some((b) => meet(a, b))),
    );
    if (last && !equal(my, last)) found.push({ mine: my, theirs: last });
  }
  return found;
}

/** My edits less those that clash: what is left when "keep theirs" is chosen. */
export function withoutClashing(mine: readonly Edit[], theirs: readonly Edit[]): Edit[] {
  const lost = new Set(clashes(mine, theirs).map((c) => c.mine));
  return mine.filter((edit) => !lost.has(edit));
}
