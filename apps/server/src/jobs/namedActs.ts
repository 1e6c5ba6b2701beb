import type { Edit, NamedAct } from "@dragonet/core";
import type { EditsRequest } from "@dragonet/contract";
import { notValid } from "../http/refusal.ts";

const refused = (path: string, message: string) =>
  notValid(`${path}: ${message}; nothing was stored`, [{ path, message }]);

/**
 * The acts of a batch. A client that names none sends one act, under the id of its batch.
 *
 * @throws where the counts do not add up to the edits, or an act comes twice
 */
export function namedActs(
  { batchId, acts = [] }: Pick<EditsRequest, "batchId" | "acts">,
  edits: readonly Edit[],
): readonly NamedAct[] {
  if (acts.length === 0) return [{ id: batchId, edits }];
  const seen = new Set<string>();
  for (const [i, { id }] of acts.entries()) {
    if (seen.has(id)) throw refused(`acts[${i}].id`, `${id} comes twice in the batch`);
    seen.add(id);
  }
  const sum = acts.reduce((total, act) => total + act.edits, 0);
  if (sum !== edits.length) {
    throw refused("acts", `they count ${sum} edits, and the batch has ${edits.length}`);
  }
  let at = 0;
  return acts.map(({ id, edits: count }) => {
    at += count;
    return { id, edits: edits.slice(at - count, at) };
  });
}
