import { itemAt } from "../present/index.ts";
import {
  GROUND,
  elementOf,
  everythingOf,
  unitAt,
  type Circuit,
  type LaidCircuit,
} from "../circuit/index.ts";
import {
  NEEDS_KEY,
  asId,
  inputWord,
  type ElementId,
  type Input,
  type Job,
  type NodeId,
  type CircuitId,
} from "../job/index.ts";

/** The same order on every machine. */
const byWord = new Intl.Collator("en").compare;

/** Runs that share a node other than the battery's posts: only they can trouble each other. */
export interface CircuitGroup {
  readonly runs: readonly LaidCircuit[];
  /** Signals that any of them feels, by their words. */
  readonly inputs: readonly Input[];
  /** Runs among them with a switch of their own. */
  readonly switches: readonly CircuitId[];
}

function signalsFelt(circuit: Circuit, job: Job, run: LaidCircuit): Input[] {
  const jobRun = job.runs.find((r) => r.id === run.runId);
  const asked = (jobRun?.condition.anyOf.flat() ?? []).map((t) => t.input);
  const felt = everythingOf(circuit, run).flatMap((id): Input[] => {
    const element = elementOf(circuit, id);
    if (element.kind === "switch") return [element.input];
    if (element.kind !== "tap") return [];
    const { liveWhen } = element.pin;
    return liveWhen === "always" || liveWhen === "ground" || liveWhen === "unknown"
      ? []
      : [liveWhen];
  });
  return [...asked, ...felt].filter((input) => input !== "switch");
}

/**
 * Terminals of control feeds on factory wires that only coils hang on. A few coils' current through a fuse and a piece
 * of wire is a tenth of a volt, which no relay feels. Where something is wired otherwise at one
 * of them, what hangs on it is proven together.
 */
function coilNodes({ deviations }: Job, circuit: Circuit): ReadonlySet<NodeId> {
  const nodes = new Set<NodeId>();
  // A contact of the kit's own is open at times: what is behind it hangs together.
  const feeds = circuit.feeders.filter(
    ({ kind, source }) => kind === "controlFeed" && source.kind === "pin",
  );
  for (const feeder of feeds) {
    const own = new Set<NodeId>(
      feeder.path.flatMap((id) => {
        const { from, to } = elementOf(circuit, id);
        return [from, to];
      }),
    );
    const touched = deviations.some((d) => {
      const ends = [d.wire, d.otherWire].flatMap((id) => {
        const wire = circuit.elements.get(asId<ElementId>(id));
        return wire ? [wire.from, wire.to] : [];
      });
      return [...ends, d.at, d.otherAt].some((node) => own.has(asId<NodeId>(node)));
    });
    if (!touched) own.forEach((node) => nodes.add(node));
  }
  return nodes;
}

/**
 * Nodes held at their voltage, or as stiff: what happens behind one cannot be felt behind
 * another. The vehicle's own circuits are of milliohms, and count as such.
 */
function isPost(circuit: Circuit, posts: ReadonlySet<NodeId>, node: NodeId): boolean {
  if (node === GROUND || posts.has(node)) return true;
  return unitAt(circuit, node)?.kind === "factory";
}

/**
 * Splits a circuit into groups that share nothing but posts held at their voltage. What
 * happens in one cannot be felt in another, so each is proven by itself: exact, and far
 * fewer positions than all of them at once.
 */
export function groupsOf(job: Job, circuit: Circuit): CircuitGroup[] {
  const owner = new Map<NodeId, number>();
  const group = circuit.runs.map((_, i) => i);
  const root = (i: number): number => (group[i] === i ? i : root(itemAt(group, i)));
  const posts = new Set([...circuit.posts.map((post) => post.node), ...coilNodes(job, circuit)]);
  circuit.runs.forEach((run, i) => {
    for (const id of everythingOf(circuit, run)) {
      const { from, to } = elementOf(circuit, id);
      for (const node of [from, to]) {
        if (isPost(circuit, posts, node)) continue;
        const other = owner.get(node);
        if (other === undefined) owner.set(node, i);
        else group[root(i)] = root(other);
      }
    }
  });
  const members = new Map<number, LaidCircuit[]>();
  circuit.runs.forEach((run, i) => members.set(root(i), [...(members.get(root(i)) ?? []), run]));
  return [...members.values()].map((runs): CircuitGroup => {
    const felt = new Set(runs.flatMap((run) => signalsFelt(circuit, job, run)));
    if ([...felt].some((input) => NEEDS_KEY.has(input))) felt.add("key");
    const switches = new Set<CircuitId>();
    for (const run of runs) {
      for (const id of everythingOf(circuit, run)) {
        const element = elementOf(circuit, id);
        if (element.kind === "switch" && element.input === "switch") switches.add(element.runId);
      }
    }
    return {
      runs,
      inputs: [...felt].sort((a, b) => byWord(inputWord(a), inputWord(b))),
      switches: [...switches],
    };
  });
}

/** The part of a circuit that belongs to some of its runs, with what lies before them. */
export function partOf(circuit: Circuit, runs: readonly LaidCircuit[]): Circuit {
  const ids = new Set(runs.flatMap((run) => everythingOf(circuit, run)));
  const owners = new Set<CircuitId>(runs.map((run) => run.runId));
  // What a supply needs besides its path: its negative, its bond to the frame, its tell-tale.
  for (const feeder of circuit.feeders) {
    if (feeder.path.some((id) => ids.has(id))) owners.add(feeder.ownerId);
  }
  // What the vehicle has behind its terminals that anything of it hangs on: a tap that only a
  // tell-tale is fed from, the ground of a plug that another run came to first.
  const touched = new Set<string>();
  for (const element of circuit.elements.values()) {
    if (!owners.has(element.runId) && !ids.has(element.id)) continue;
    for (const end of [element.from, element.to]) {
      const unit = unitAt(circuit, end);
      if (unit?.kind === "factory") touched.add(unit.id);
    }
  }
  for (const other of circuit.elements.values()) {
    const to = unitAt(circuit, other.to)?.id ?? "";
    const fed = other.kind === "wire" && other.role === "factory" && touched.has(to);
    if (touched.has(other.unit) || fed) ids.add(other.id);
  }
  return {
    ...circuit,
    runs,
    elements: new Map(
      [...circuit.elements].filter(([id, e]) => ids.has(id) || owners.has(e.runId)),
    ),
  };
}
