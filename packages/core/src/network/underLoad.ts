import type { Circuit, Post } from "../circuit/index.ts";
import { onceOf, type ElementId, type Job, type NodeId } from "../job/index.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import { restVolts, sourceOhms, type SourceVolts } from "../source/index.ts";
import type { Position } from "./position.ts";
import { solveCircuit, solveCircuitNear, type CircuitResult, type Solved } from "./solveCircuit.ts";

/** Volts within which a sag has settled, and rounds that it is given for that. */
const SETTLED_V = 1e-4;
const MOST_ROUNDS = 4;

/** Elements that end at a post, and on which side: all that is taken from it goes through them. */
interface AtPost {
  readonly id: ElementId;
  readonly post: NodeId;
  readonly sign: 1 | -1;
}

const atPosts = onceOf((circuit: Circuit): readonly AtPost[] => {
  const posts = new Set(circuit.posts.map(({ node }) => node));
  const ends: AtPost[] = [];
  for (const { id, from, to } of circuit.elements.values()) {
    if (posts.has(from)) ends.push({ id, post: from, sign: 1 });
    if (posts.has(to)) ends.push({ id, post: to, sign: -1 });
  }
  return ends;
});

/** What a circuit takes from each post, in A. */
function takenFrom(circuit: Circuit, { result }: Solved): ReadonlyMap<NodeId, number> {
  const taken = new Map<NodeId, number>();
  for (const { id, post, sign } of atPosts(circuit)) {
    taken.set(post, (taken.get(post) ?? 0) + sign * (result.amps.get(id) ?? 0));
  }
  return taken;
}

/**
 * How far posts sag under what is taken from them. Through the blocks of a pack goes what is
 * taken at and above them, so that a tap pulls down what lies above it as well.
 */
function sagOf(job: Job, posts: readonly Post[], taken: ReadonlyMap<NodeId, number>): Sags {
  const { sourceOhm, packOhm } = sourceOhms(job.vehicle);
  const ofPack = posts.flatMap(({ node, root }) =>
    root.kind === "pack" ? [{ node, share: root.share, amps: taken.get(node) ?? 0 }] : [],
  );
  const sags = new Map<NodeId, number>();
  for (const { node, root } of posts) {
    if (root.kind === "battery") sags.set(node, sourceOhm * (taken.get(node) ?? 0));
    if (root.kind !== "pack") continue;
    const sag = ofPack.reduce((sum, tap) => sum + Math.min(tap.share, root.share) * tap.amps, 0);
    sags.set(node, packOhm * sag);
  }
  return sags;
}

/** What sags: a battery that stands no higher than at rest; above that its regulator holds it. A pack always. */
function atRest(job: Job, { sourceV, packV }: SourceVolts) {
  const rest = restVolts(job.vehicle);
  return { battery: sourceV <= rest.sourceV, pack: packV > 0 };
}

/** How far each post sags, in V. */
type Sags = ReadonlyMap<NodeId, number>;

/**
 * The sags to try after `tried`, which made `found`: where the last step was much smaller than the one before it,
 * all the steps that would follow are taken at once (Aitken's delta-squared).
 */
function nextSags(before: Sags | null, tried: Sags, found: Sags): Sags {
  if (!before) return found;
  return new Map(
    [...found].map(([node, v]) => {
      const step = v - (tried.get(node) ?? 0);
      const last = (tried.get(node) ?? 0) - (before.get(node) ?? 0);
      const share = last === 0 ? 0 : step / last;
      return [node, Math.abs(share) < 0.5 ? v + (step * share) / (1 - share) : v];
    }),
  );
}

/**
 * Solves a circuit with its sources as they sag under what it takes: a battery that is not being
 * charged and a pack by their inside resistance. An engine's regulator holds its volts. With `near`, the same circuit
 * solved at other volts or for another estimate, from there.
 */
export function solveUnderLoad(
  job: Job,
  circuit: Circuit,
  position: Position,
  estimate: Estimate = "value",
  near: Solved | null = null,
): CircuitResult {
  const celsius = job.practices.ambientC;
  const rests = atRest(job, position);
  const posts = circuit.posts.filter(
    ({ root }) =>
      (root.kind === "battery" && rests.battery) || (root.kind === "pack" && rests.pack),
  );
  const at = (sags: Sags): Position => ({
    ...position,
    sagged: new Map(
      posts.map((post) => [post.node, restV(post, position) - (sags.get(post.node) ?? 0)]),
    ),
  });
  let before: Sags | null = null;
  let tried: Sags = near ? sagOf(job, posts, takenFrom(circuit, near)) : new Map();
  let solved = near
    ? solveCircuitNear(circuit, near, posts.length > 0 ? at(tried) : position, estimate)
    : solveCircuit(circuit, position, celsius, estimate);
  for (let round = 0; round < MOST_ROUNDS && solved.kind === "solved"; round += 1) {
    const found = sagOf(job, posts, takenFrom(circuit, solved));
    const moved = Math.max(
      0,
      ...posts.map(({ node }) => Math.abs((found.get(node) ?? 0) - (tried.get(node) ?? 0))),
    );
    if (moved < SETTLED_V) break;
    const next = nextSags(before, tried, found);
    before = tried;
    tried = next;
    solved = solveCircuitNear(circuit, solved, at(tried), estimate);
  }
  return solved;
}

const restV = ({ root }: Post, { sourceV, packV }: SourceVolts): number =>
  root.kind === "battery" ? sourceV : root.kind === "pack" ? packV * root.share : 0;
