import { itemAt } from "../present/index.ts";
import { asId, type ElementId, type NodeId } from "../job/index.ts";
import type { BranchModel, Network, NetworkBranch } from "../network/index.ts";

/** Answers a number from 0 to 1, 1 left out: chance is handed in. */
export type Chance = () => number;

/** Mulberry32: small, and the same numbers for the same seed everywhere. */
export function chanceOf(seed: number): Chance {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const node = (name: string | number): NodeId => asId<NodeId>(`n${name}`);

/**
 * A network by chance, of everything the solver knows: a battery with some resistance inside
 * (or a stiff one), a tree of wires of ordinary to absurd resistance, loads of every kind from
 * its nodes to ground, now and then one between two nodes, and ways round.
 */
export function randomNetwork(chance: Chance): Network {
  const between = (low: number, high: number): number => low + (high - low) * chance();
  /** Evenly over the orders of magnitude. */
  const spread = (low: number, high: number): number =>
    Math.exp(between(Math.log(low), Math.log(high)));
  const pick = <T>(list: readonly T[]): T => itemAt(list, Math.floor(chance() * list.length));
  const emf = pick([11.5, 12.7, 13.8, 14.4, 26, 42, 58]);
  const ground = asId<NodeId>("ground");
  const branches: NetworkBranch[] = [];
  const add = (from: NodeId, to: NodeId, model: BranchModel, words: string): void => {
    branches.push({ id: asId<ElementId>(`b${branches.length}`), from, to, model, words });
  };
  const load = (): BranchModel => {
    const amps = spread(0.02, 12);
    switch (Math.floor(chance() * 7)) {
      case 0:
        return { kind: "resistor", ohm: spread(0.5, 5000) };
      case 1:
      case 2:
        return { kind: "power", powerW: amps * emf, minV: emf * between(0.2, 0.9) };
      case 3:
        return { kind: "filament", ratedA: amps, ratedV: pick([6, 12, 13.5, 24]), exponent: 0.55 };
      case 4:
        return { kind: "current", currentA: amps };
      case 5:
        return { kind: "dies", forwardV: emf * between(0.3, 0.9), ohm: spread(0.5, 200) };
      default:
        return { kind: "diode", saturationA: 1e-12, thermalV: 0.03 };
    }
  };
  const held = new Map<NodeId, number>([[ground, 0]]);
  const first = node(0);
  if (chance() < 0.5) held.set(first, emf);
  else add(first, ground, { kind: "source", volts: emf, ohm: spread(0.003, 0.3) }, "battery");
  const nodes = [first];
  const size = 2 + Math.floor(chance() * 14);
  for (let i = 1; i <= size; i += 1) {
    const at = node(i);
    const open = chance() < 0.05;
    const ohm = open ? 1e8 : spread(0.002, 4);
    add(pick(nodes), at, { kind: "resistor", ohm }, `wire ${i}`);
    nodes.push(at);
    if (chance() < 0.75) {
      const model = load();
      // A diode straight to ground is a short of thousands of amperes: it stands across.
      const from = model.kind === "diode" ? ground : at;
      add(from, from === at ? ground : at, model, `load ${i}`);
    }
    if (chance() < 0.08) add(at, pick(nodes), load(), `load across ${i}`);
    if (chance() < 0.08) {
      add(at, pick(nodes), { kind: "resistor", ohm: spread(0.01, 10) }, `way round ${i}`);
    }
  }
  const loose = branches.filter((b) => b.from === b.to);
  return { branches: branches.filter((b) => !loose.includes(b)), held };
}
