import {
  TERMINAL_FORMS,
  endWords,
  terminalNode,
  wiredTerminals,
  wiresOf,
  type WireElement,
} from "../../circuit/index.ts";
import { ownerName, type Edit, type Job, type NodeId } from "../../job/index.ts";
import type { Found, Remedy, Rule } from "../finding.ts";

/** Putting right what names the terminal, or a wire that ends there. */
function remedies(job: Job, node: NodeId, wires: readonly WireElement[]): Remedy[] {
  const there = new Set<string>([node, ...wires.map(({ id }) => id)]);
  const edits = job.deviations
    .filter((d) => [d.at, d.otherAt, d.wire, d.otherWire].some((name) => there.has(name)))
    .map((d): Edit => ({ kind: "remove", entity: "deviation", id: d.id }));
  return edits.length === 0 ? [] : [{ label: "Wire it as planned", edits }];
}

/** A terminal that has more wires than it takes. */
export const terminalTakes: Rule = {
  id: "terminal-takes",
  source: "common practice: two wires in one crimp are the most that hold",
  check: ({ job, circuit }) => {
    // As planned each has no more than it takes.
    if (job.deviations.length === 0) return [];
    const wired = wiredTerminals(circuit);
    return [...circuit.units.values()].flatMap((unit) =>
      unit.terminals.flatMap(({ name, form }): Found[] => {
        const node = terminalNode(unit.id, name);
        const [count, { takes }] = [wired.get(node) ?? 0, TERMINAL_FORMS[form]];
        if (count <= takes) return [];
        const wires = wiresOf(circuit).filter(({ from, to }) => from === node || to === node);
        const runId = wires[0]?.runId ?? null;
        const whose = runId === null ? "" : `${ownerName(job, runId)}: `;
        const labels = wires.map(({ label }) => label).join(", ");
        return [
          {
            rule: "terminal-takes",
            severity: "stop",
            place: {
              runId,
              elementId: wires[0]?.id ?? null,
              words: `${whose}${endWords(circuit, node)}, wires ${labels}`,
            },
            title: "More wires than a terminal takes",
            figures: [{ label: "wires on it", value: String(count), limit: `at most ${takes}` }],
            why: "Where one wire too many is pressed in, none of them holds: it works loose and grows hot.",
            remedies: remedies(job, node, wires),
          },
        ];
      }),
    );
  },
};
