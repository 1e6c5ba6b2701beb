import {
  splitNode,
  wiresOf,
  type Circuit,
  type Element,
  type WireElement,
} from "../../circuit/index.ts";
import { ownerName, type Job, type NodeId, type CircuitId } from "../../job/index.ts";
import { synthesise } from "../../synthesis/index.ts";
import type { Found, Rule } from "../finding.ts";

/** What current goes on through with no more than its ohms in the way. */
const GOES_ON: ReadonlySet<Element["kind"]> = new Set<Element["kind"]>([
  ...(["wire", "strap", "connector", "switch", "contact", "flasher"] as const),
]);

/** Every terminal that a source reaches before any fuse, with all contacts closed. */
function beforeFuses(circuit: Circuit): ReadonlySet<NodeId> {
  const next = new Map<NodeId, NodeId[]>();
  const join = (a: NodeId, b: NodeId): void => {
    const others = next.get(a);
    if (others) others.push(b);
    else next.set(a, [b]);
  };
  const ends = new Set<NodeId>(circuit.posts.map(({ node }) => node));
  const live = circuit.posts.filter(({ root }) => root.kind !== "fixed").map(({ node }) => node);
  for (const e of circuit.elements.values()) {
    if (e.kind === "battery") {
      ends.add(e.from);
      live.push(e.to);
    }
    if (!GOES_ON.has(e.kind)) continue;
    join(e.from, e.to);
    join(e.to, e.from);
  }
  // What reaches a negative is a short, and another rule's.
  const isHome = (node: NodeId): boolean =>
    ends.has(node) || circuit.units.get(splitNode(node).unit)?.kind === "chassis";
  const reached = new Set<NodeId>(live);
  const todo = [...live];
  for (let node = todo.pop(); node !== undefined; node = todo.pop()) {
    for (const other of next.get(node) ?? []) {
      if (reached.has(other) || isHome(other)) continue;
      reached.add(other);
      todo.push(other);
    }
  }
  return reached;
}

/** Wires that have no fuse before them as it is wired, and would have one as planned. */
function pastFuses(job: Job, circuit: Circuit): WireElement[] {
  const planned = synthesise({ ...job, deviations: [] });
  const before = beforeFuses(planned);
  const now = beforeFuses(circuit);
  const was = ({ id, from, to }: WireElement): boolean => {
    // One that nobody planned has none where all that it joins would have none.
    const ends = planned.elements.get(id) ?? { from, to };
    return before.has(ends.from) && before.has(ends.to);
  };
  return wiresOf(circuit).filter(
    (wire) => wire.role !== "factory" && now.has(wire.from) && now.has(wire.to) && !was(wire),
  );
}

/** A way that was wired past a fuse: what lies behind has none. */
export const unfusedWire: Rule = {
  id: "unfused-wire",
  source: "common practice: nothing goes past a fuse",
  check: ({ job, circuit }) => {
    // As planned everything has its fuse, or another rule says that it has none.
    if (job.deviations.length === 0) return [];
    const byOwner = new Map<CircuitId, WireElement[]>();
    for (const wire of pastFuses(job, circuit)) {
      byOwner.set(wire.runId, [...(byOwner.get(wire.runId) ?? []), wire]);
    }
    return [...byOwner].map(([runId, wires]): Found => {
      const labels = wires.map(({ label }) => label).join(", ");
      return {
        rule: "unfused-wire",
        severity: "stop",
        place: {
          runId,
          elementId: wires[0]?.id ?? null,
          words: `${ownerName(job, runId)}: ${wires.length === 1 ? "wire" : "wires"} ${labels}`,
        },
        title: "A way past the fuse",
        figures: [{ label: "fuse before it", value: "none", limit: "one, as planned" }],
        why: "Chafed, it takes all that the source gives: hundreds of amps, and nothing opens.",
        remedies: [],
      };
    });
  },
};
