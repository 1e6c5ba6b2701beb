import { elementOf, type Circuit, type Element, type WireElement } from "../circuit/index.ts";
import { ownerName, type Job, type NodeId } from "../job/index.ts";
import { decimal, lengthText, type UnitSystem } from "../quantity/index.ts";
import { BATTERY_PLUS, GROUND, PACK_PLUS } from "../network/index.ts";

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

export interface LoomGraph {
  readonly nodes: readonly LoomNode[];
  readonly edges: readonly LoomEdge[];
}

const WIDEST = 150;
const LETTER = 5.2;

/** Element ends become joints only where more than one wire and part meet. */
interface Ends {
  readonly parts: { readonly element: Element; readonly end: "from" | "to" }[];
  readonly wires: { readonly element: WireElement; readonly end: "from" | "to" }[];
}

function partWords(element: Element): string {
  switch (element.kind) {
    case "fuse":
      return `${decimal(element.ratingA)} A fuse`;
    case "switch":
    case "contact":
    case "connector":
    case "converter":
    case "battery":
    case "flasher":
      return element.part.name;
    case "coil":
      return "coil 85/86";
    case "diode":
      return "diode";
    case "load":
      return element.label;
    case "tap":
      return element.pin.carries;
    case "chassis":
      return "frame";
    case "wire":
      return element.label;
  }
}

const widthOf = (words: string): number =>
  Math.min(WIDEST, Math.max(46, 12 + words.length * LETTER));

const isPost = (node: NodeId): boolean =>
  node === BATTERY_PLUS || node === PACK_PLUS || node.startsWith("pack-block-");

const postWords = (node: NodeId): string =>
  node === BATTERY_PLUS
    ? "battery +"
    : node === PACK_PLUS
      ? "pack +"
      : `pack, ${node.slice("pack-block-".length)} blocks`;

/** The whole circuit as things and wires, for a layout library to place. */
export function loomGraph(job: Job, circuit: Circuit, units: UnitSystem): LoomGraph {
  const nodes = new Map<string, LoomNode>();
  const edges: LoomEdge[] = [];
  const ends = new Map<NodeId, Ends>();
  const at = (node: NodeId): Ends => {
    const known = ends.get(node) ?? { parts: [], wires: [] };
    ends.set(node, known);
    return known;
  };
  for (const id of circuit.elements.keys()) {
    const element = elementOf(circuit, id);
    for (const end of ["from", "to"] as const) {
      if (element.kind === "wire") at(element[end]).wires.push({ element, end });
      else at(element[end]).parts.push({ element, end });
    }
    if (element.kind === "wire" || element.kind === "chassis") continue;
    const words = partWords(element);
    nodes.set(id, {
      id,
      kind: "part",
      words,
      owner: ownerName(job, element.runId),
      width: widthOf(words),
      height: 30,
    });
  }
  let grounds = 0;
  /** What an element's end hangs on: a part, a post, a ground point of its own, or a joint. */
  const place = (node: NodeId): string => {
    if (node === GROUND) {
      grounds += 1;
      const id = `ground.${grounds}`;
      nodes.set(id, { id, kind: "ground", words: "", owner: "", width: 16, height: 14 });
      return id;
    }
    if (isPost(node)) {
      const words = postWords(node);
      nodes.set(node, {
        id: node,
        kind: "post",
        words,
        owner: "",
        width: widthOf(words),
        height: 30,
      });
      return node;
    }
    const { parts, wires } = at(node);
    const real = parts.filter((p) => p.element.kind !== "chassis");
    const [only] = real;
    if (only && real.length === 1 && wires.length <= 1) return only.element.id;
    nodes.set(node, { id: node, kind: "joint", words: "", owner: "", width: 8, height: 8 });
    return node;
  };
  for (const id of circuit.elements.keys()) {
    const element = elementOf(circuit, id);
    if (element.kind === "wire") {
      const gauge = element.pigtail ? "pigtail" : `${element.label} ${element.gaugeId}`;
      edges.push({
        id,
        from: place(element.from),
        to: place(element.to),
        colour: element.pigtail ? "" : element.colour,
        label:
          element.label === "bus" ? "" : `${gauge}, ${lengthText(element.lengthM.value, units)}`,
      });
      continue;
    }
    if (element.kind === "chassis") {
      edges.push({ id, from: place(element.from), to: place(element.to), colour: "", label: "" });
      continue;
    }
    for (const end of ["from", "to"] as const) {
      const other = place(element[end]);
      if (other === id) continue;
      const [from, to] = end === "from" ? [other, id] : [id, other];
      // Two parts bolted together are linked once, from the first to the second.
      if (end === "from" && circuit.elements.has(other as never)) continue;
      edges.push({ id: `${id}.${end}`, from, to, colour: "", label: "" });
    }
  }
  return { nodes: [...nodes.values()], edges: edges.filter((e) => e.from !== e.to) };
}
