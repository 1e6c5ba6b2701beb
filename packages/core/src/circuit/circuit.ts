import type { Interval } from "../quantity/index.ts";
import {
  onceOf,
  type ElementId,
  type Input,
  type LampId,
  type NodeId,
  type CircuitId,
  type UnitId,
} from "../job/index.ts";
import type { Element, Root, Source, WireElement } from "./element.ts";
import { isPlain, splitNode, type Terminal, type Unit } from "./unit.ts";

/** One lamp's way from the splice and back. */
export interface Branch {
  readonly lampId: LampId;
  readonly out: readonly ElementId[];
  readonly load: ElementId;
  readonly back: readonly ElementId[];
}

/** One lane of a run's control: a way to the coil, or a interposing relay's own coil. */
export interface CoilLane {
  readonly label: string;
  readonly ids: readonly ElementId[];
}

/** What works a run's relay. */
export interface CoilPath {
  /** The way of the coil's current where there is one way only, in order from feed to ground. */
  readonly path: readonly ElementId[];
  /** The same as lanes to be shown; several where a run is on in several ways. */
  readonly lanes: readonly CoilLane[];
  readonly switching: "positive" | "negative";
}

/** What several runs share: a supply, a control of the kit, the feed of their coils, a ground block. */
export interface LaidFeeder {
  /** The id of the supply or control, worn by its elements as their run. */
  readonly ownerId: CircuitId;
  readonly kind: "supply" | "control" | "controlFeed" | "groundBlock";
  readonly name: string;
  readonly source: Source;
  /** What holds the voltage of what it gives, and of what it is fed with. */
  readonly root: Root;
  readonly feedRoot: Root;
  /** Trunks that lie before it. */
  readonly shared: readonly ElementId[];
  readonly path: readonly ElementId[];
  /** What makes it live: a relay's coil on the key. */
  readonly gate: readonly ElementId[];
  /** Where runs start. */
  readonly node: NodeId;
  /** Draw of everything on it. */
  readonly drawA: Interval;
}

/** The elements of one run in the order electricity takes them. */
export interface LaidCircuit {
  readonly runId: CircuitId;
  readonly source: Source;
  readonly root: Root;
  /** Elements of trunks before the run: what its load flows through, and what works its coil. */
  readonly shared: readonly ElementId[];
  /** Of these, what its load flows through. */
  readonly feedShared: readonly ElementId[];
  /** Its lamps are where factory lamps were: fuse and wire before it are the factory's. */
  readonly factoryFused: boolean;
  /** Steps of a series string; 1 where lamps are side by side. */
  readonly steps: number;
  /** Signals the run waits for, its own switch apart. */
  readonly signals: readonly Input[];
  /** Draw of all its loads at design voltage. */
  readonly drawA: Interval;
  readonly out: readonly ElementId[];
  readonly branches: readonly Branch[];
  readonly back: readonly ElementId[];
  readonly coil: CoilPath | null;
  /** Further ways to its lamps without a relay, each with a label. */
  readonly ways: readonly CoilLane[];
  /** Elements beside these that tie the run to another: there where it is wired otherwise. */
  readonly extra: readonly ElementId[];
}

/** What synthesis chooses for a circuit. */
export const CHOICE_KINDS = [
  "feed",
  "fuse",
  "wire",
  "relay",
  "coil",
  "switch",
  "tap",
  "plug",
  "return",
  "splice",
] as const;
/** One kind of what synthesis chooses. */
export type ChoiceKind = (typeof CHOICE_KINDS)[number];

/** Something synthesis picked, and why. */
export interface Choice {
  readonly runId: CircuitId;
  readonly kind: ChoiceKind;
  readonly picked: string;
  readonly reason: string;
  /** Picked by the installer, and judged like everything else. */
  readonly pinned: boolean;
}

/** Something synthesis could not do, and what stands in its way. */
export interface SynthesisIssue {
  readonly runId: CircuitId;
  readonly kind:
    | "tapUnknown"
    | "conditionNotBuildable"
    | "noLoads"
    | "loadAboveLadder"
    | "noSource"
    | "notInSeries"
    | "returnNotPossible"
    | "feedNotUsed"
    | "plugNotPossible"
    | "wireNowhere";
  readonly detail: string;
}

/** A node that is held at a voltage: the post of a battery or pack. */
export interface Post {
  readonly node: NodeId;
  readonly unit: UnitId;
  readonly root: Root;
  readonly words: string;
}

/**
 * The one physical graph: units with terminals, wires between terminals, and what is inside
 * the units. Everything that is printed, counted, solved or proven is read from it.
 */
export interface Circuit {
  readonly units: ReadonlyMap<UnitId, Unit>;
  readonly posts: readonly Post[];
  /** Insides of units, and the wires between them. */
  readonly elements: ReadonlyMap<ElementId, Element>;
  readonly runs: readonly LaidCircuit[];
  readonly feeders: readonly LaidFeeder[];
  readonly choices: readonly Choice[];
  readonly gaps: readonly SynthesisIssue[];
}

/** The element with an id that this circuit made; a missing one is a broken invariant. */
export function elementOf(circuit: Pick<Circuit, "elements">, id: ElementId): Element {
  const element = circuit.elements.get(id);
  if (!element) throw new Error(`circuit has no element "${id}"`);
  return element;
}

/** Elements of a kind among ids, in order. */
export function elementsOf<K extends Element["kind"]>(
  circuit: Pick<Circuit, "elements">,
  ids: readonly ElementId[],
  kind: K,
): Extract<Element, { kind: K }>[] {
  return ids
    .map((id) => elementOf(circuit, id))
    .filter((e): e is Extract<Element, { kind: K }> => e.kind === kind);
}

/** Every element of a run's control, and of further ways to its lamps. */
export const controlPath = onceOf((run: LaidCircuit): readonly ElementId[] => [
  ...(run.coil?.lanes ?? []).flatMap(({ ids }) => ids),
  ...run.ways.flatMap(({ ids }) => ids),
]);

/** Every element of a run's power path, trunks and branches included, coil apart. */
export const powerPath = onceOf((run: LaidCircuit): readonly ElementId[] => [
  ...run.feedShared,
  ...run.out,
  ...run.branches.flatMap((b) => [...b.out, b.load, ...b.back]),
  ...run.back,
]);

/** Everything that a run hangs on: its power, its control, and what either shares with others. */
export const wholePath = onceOf((run: LaidCircuit): readonly ElementId[] => [
  ...run.shared,
  ...powerPath(run),
  ...controlPath(run),
]);

/** The same with what is wired otherwise, and what makes live the supplies that it hangs on. */
export function everythingOf(circuit: Pick<Circuit, "feeders">, run: LaidCircuit): ElementId[] {
  const ids = [...wholePath(run), ...run.extra];
  const own = new Set(ids);
  const gates = circuit.feeders
    .filter((feeder) => feeder.path.some((id) => own.has(id)))
    .flatMap((feeder) => [...feeder.gate]);
  return [...ids, ...gates];
}

/** The unit that a node belongs to; undefined for ground itself. */
export const unitAt = (circuit: Pick<Circuit, "units">, node: NodeId): Unit | undefined =>
  circuit.units.get(splitNode(node).unit);

/** The terminal that a wire ends at; a missing one is a broken invariant. */
export function terminalAt(circuit: Pick<Circuit, "units">, node: NodeId): Terminal {
  const name = splitNode(node).terminal;
  const terminal = unitAt(circuit, node)?.terminals.find((t) => t.name === name);
  if (!terminal) throw new Error(`circuit has no terminal "${node}"`);
  return terminal;
}

const SIGNS: Readonly<Record<string, string>> = {
  pos: "+",
  neg: "−",
  in_pos: "input +",
  in_neg: "input −",
  out_pos: "output +",
  out_neg: "output −",
};

/** A terminal as people say it: "87", "input +", "channel 3". */
export function terminalWords(terminal: string): string {
  const channel = /^(ch|in|ret)(\d+)$/.exec(terminal);
  if (channel) {
    const what = { ch: "channel", in: "input", ret: "ground of input" }[channel[1] as "ch"];
    return `${what} ${channel[2]}`;
  }
  return SIGNS[terminal] ?? terminal.replaceAll("_", " ");
}

/** A wire's end as the installer reads it on the flag: "relay 87", "battery +", "left pod". */
export function endWords(circuit: Pick<Circuit, "units">, node: NodeId): string {
  const unit = unitAt(circuit, node);
  if (!unit) return "ground";
  const { terminal } = splitNode(node);
  if (isPlain(unit)) return unit.name;
  return `${unit.name} ${terminalWords(terminal)}`;
}

/** Every wire, those that come ready-made among them. */
export const wiresOf = (circuit: Pick<Circuit, "elements">): WireElement[] =>
  [...circuit.elements.values()].filter((e): e is WireElement => e.kind === "wire");

/** Words of both ends of a wire. */
export const wireEnds = (
  circuit: Pick<Circuit, "units">,
  wire: Pick<WireElement, "from" | "to">,
): readonly [string, string] => [endWords(circuit, wire.from), endWords(circuit, wire.to)];

/** Terminals with the number of wires that end at each. */
export function wiredTerminals(circuit: Pick<Circuit, "elements">): ReadonlyMap<NodeId, number> {
  const wired = new Map<NodeId, number>();
  for (const wire of wiresOf(circuit)) {
    for (const end of [wire.from, wire.to]) wired.set(end, (wired.get(end) ?? 0) + 1);
  }
  return wired;
}
