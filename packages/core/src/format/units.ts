import { wiredTerminals, terminalNode, type Circuit } from "../circuit/index.ts";
import type { NodeId } from "../job/index.ts";
import { postV, type NetworkOptions } from "../network/index.ts";
import { insideOf } from "../unit/index.ts";
import { spiceDevice, spiceNumber } from "./spice.ts";

/** A unit as others can rebuild it: its terminals, and its inside in one position as SPICE lines. */
export interface ToldUnit {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  /** `open` says why a terminal has no wire; "" for one that has. */
  readonly terminals: readonly { readonly name: string; readonly open: string }[];
  /** Nodes are `UNIT.TERMINAL`, inner ones `UNIT.TERMINAL_x`, the vehicle's own negative 0. */
  readonly spice: readonly string[];
}

const plain = (text: string): string => text.replace(/[^A-Za-z0-9]/g, "_");

/** As planned every terminal is wired or says why not: what has neither was left open by a wrong wiring. */
const LEFT_OPEN = "nothing is on it, as it is wired";

/** A node inside a unit, named after one of its terminals. */
const innerOf = (node: NodeId): string => `${node}_s`;

/**
 * Every unit with its terminals and its inside in a position of the controls, relays and
 * converters as solved, drivers on or off by the volts of that solution: with the wires of the cut list all there is to a circuit.
 */
export function toldUnits(
  circuit: Circuit,
  options: NetworkOptions,
  volts: ReadonlyMap<NodeId, number> = new Map(),
): ToldUnit[] {
  const wired = wiredTerminals(circuit);
  const lines = new Map<string, string[]>();
  const put = (unit: string, more: readonly string[]): void => {
    const known = lines.get(unit);
    if (known) known.push(...more);
    else lines.set(unit, [...more]);
  };
  circuit.posts.forEach((post, i) => {
    const { unit, node } = post;
    const heldV = postV(post, options.position);
    put(unit, [`Vpost${i}_${unit} ${node} 0 ${spiceNumber(heldV)}`]);
  });
  for (const element of circuit.elements.values()) {
    if (element.unit === "") continue;
    for (const branch of insideOf(element).branches(element, options)) {
      const tag = `${plain(branch.id)}_${element.unit}`;
      const inner = innerOf(branch.to);
      const acrossV = (volts.get(branch.from) ?? NaN) - (volts.get(branch.to) ?? NaN);
      put(element.unit, spiceDevice(branch, tag, branch.from, branch.to, inner, acrossV));
    }
  }
  return [...circuit.units.values()].map((unit) => ({
    id: unit.id,
    name: unit.name,
    kind: unit.kind,
    terminals: unit.terminals.map(({ name, spare }) => ({
      name,
      open: wired.has(terminalNode(unit.id, name)) ? "" : spare === "" ? LEFT_OPEN : spare,
    })),
    spice: lines.get(unit.id) ?? [],
  }));
}

/** Voltage of every terminal in V; one that hangs on nothing counts as 0. */
export function terminalVolts(
  circuit: Circuit,
  volts: ReadonlyMap<NodeId, number>,
): Record<string, number> {
  const told: Record<string, number> = {};
  for (const unit of circuit.units.values()) {
    for (const { name } of unit.terminals) {
      const node = terminalNode(unit.id, name);
      told[node] = volts.get(node) ?? 0;
    }
  }
  return told;
}
