import { unitAt, wiresOf, type Circuit, type Unit } from "../circuit/index.ts";
import { ownerName, type Job, type NodeId } from "../job/index.ts";
import { lengthText, type UnitSystem } from "../quantity/index.ts";

/** A thing on the whole-loom page: a part, a joint where wires meet, a post or a ground point. */
export interface LoomNode {
  readonly id: string;
  readonly kind: "part" | "joint" | "post" | "ground";
  readonly words: string;
  /** Whose it is, in small beneath. */
  readonly owner: string;
  readonly width: number;
  readonly height: number;
}

/** A wire between two things, or a plain link from a part to its joint. */
export interface LoomEdge {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** Insulation by name; "" for a link that is no wire. */
  readonly colour: string;
  readonly label: string;
}

/** The whole loom as a graph: units, splices, and the wires between them. */
export interface LoomGraph {
  readonly nodes: readonly LoomNode[];
  readonly edges: readonly LoomEdge[];
}

const WIDEST = 150;
const LETTER = 5.2;

/** What a unit is called on the page; a splice is a dot. */
const wordsOf = (unit: Unit): string => (unit.kind === "splice" ? "" : unit.name);

const widthOf = (words: string): number =>
  Math.min(WIDEST, Math.max(46, 12 + words.length * LETTER));

function nodeOf(job: Job, unit: Unit): LoomNode {
  const { id, kind } = unit;
  const owner = unit.ownerId === "" ? "" : ownerName(job, unit.ownerId);
  switch (kind) {
    case "splice":
      return { id, kind: "joint", words: "", owner: "", width: 8, height: 8 };
    case "battery":
    case "pack": {
      const words = wordsOf(unit);
      return { id, kind: "post", words, owner, width: widthOf(words), height: 30 };
    }
    default: {
      const words = wordsOf(unit);
      return { id, kind: "part", words, owner, width: widthOf(words), height: 30 };
    }
  }
}

/** The whole circuit as units and wires, for a layout library to place. */
export function loomGraph(job: Job, circuit: Circuit, units: UnitSystem): LoomGraph {
  const nodes = new Map<string, LoomNode>();
  const edges: LoomEdge[] = [];
  let grounds = 0;
  /** What a wire's end hangs on: its unit, or a ground point of its own where that is the frame. */
  const place = (node: NodeId): string => {
    const unit = unitAt(circuit, node);
    if (!unit || unit.kind === "chassis") {
      grounds += 1;
      const id = `ground.${grounds}`;
      nodes.set(id, { id, kind: "ground", words: "", owner: "", width: 16, height: 14 });
      return id;
    }
    if (!nodes.has(unit.id)) nodes.set(unit.id, nodeOf(job, unit));
    return unit.id;
  };
  for (const wire of wiresOf(circuit)) {
    const cut = wire.harness === "";
    const gauge = cut ? `${wire.label} ${wire.gaugeId}` : wire.label;
    edges.push({
      id: wire.id,
      from: place(wire.from),
      to: place(wire.to),
      colour: cut ? wire.colour : "",
      label: wire.role === "factory" ? "" : `${gauge}, ${lengthText(wire.lengthM.value, units)}`,
    });
  }
  return { nodes: [...nodes.values()], edges: edges.filter((e) => e.from !== e.to) };
}
