import type { Circuit } from "../../circuit/index.ts";
import type { ElementId, NodeId } from "../../job/index.ts";

/**
 * Everything between two nodes: what copper, coils, contacts or lamps lead to from one of them
 * without going through the other, or through what is parted.
 */
export function between(
  circuit: Circuit,
  from: NodeId,
  to: NodeId,
  parted: ReadonlySet<ElementId>,
): ReadonlySet<ElementId> {
  const at = new Map<NodeId, { readonly id: ElementId; readonly other: NodeId }[]>();
  const join = (node: NodeId, id: ElementId, other: NodeId): void => {
    const list = at.get(node);
    if (list) list.push({ id, other });
    else at.set(node, [{ id, other }]);
  };
  for (const e of circuit.elements.values()) {
    if (parted.has(e.id)) continue;
    // A converter has a negative on each side beside its ends.
    const ends = e.kind === "converter" ? [e.from, e.to, e.inNeg, e.outNeg] : [e.from, e.to];
    for (const a of ends) for (const b of ends) if (a !== b) join(a, e.id, b);
  }
  const found = new Set<ElementId>();
  const seen = new Set<NodeId>([from, to]);
  const open: NodeId[] = [from];
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    for (const { id, other } of at.get(node) ?? []) {
      found.add(id);
      if (seen.has(other)) continue;
      seen.add(other);
      open.push(other);
    }
  }
  return found;
}
