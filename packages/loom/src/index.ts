import ELK, { type ElkExtendedEdge, type ElkNode } from "elkjs/lib/elk.bundled.js";
import {
  loomGraph,
  loomSvg,
  synthesise,
  type Job,
  type LoomGraph,
  type LoomLayout,
  type LoomSvgOptions,
  type UnitSystem,
} from "@dragonet/core";

/** Layers from the source to the lamps, wires at right angles, room for a flag on each. */
const LAYOUT: Readonly<Record<string, string>> = {
  "elk.algorithm": "layered",
  "elk.direction": "RIGHT",
  "elk.edgeRouting": "ORTHOGONAL",
  "elk.layered.spacing.nodeNodeBetweenLayers": "64",
  "elk.spacing.nodeNode": "14",
  "elk.spacing.edgeEdge": "9",
  "elk.spacing.edgeNode": "9",
  "elk.layered.spacing.edgeEdgeBetweenLayers": "8",
  "elk.layered.considerModelOrder.strategy": "NODES_AND_EDGES",
  "elk.padding": "[top=12,left=12,bottom=12,right=12]",
};

/** Places a loom with the layout library. Deterministic: the same graph gives the same page. */
export async function layOutLoom(graph: LoomGraph): Promise<LoomLayout> {
  const elk = new ELK();
  const root: ElkNode = {
    id: "loom",
    layoutOptions: { ...LAYOUT },
    children: graph.nodes.map(({ id, width, height }) => ({ id, width, height })),
    edges: graph.edges.map(({ id, from, to }): ElkExtendedEdge => ({
      id,
      sources: [from],
      targets: [to],
    })),
  };
  const placed = await elk.layout(root);
  return {
    width: placed.width ?? 0,
    height: placed.height ?? 0,
    nodes: new Map((placed.children ?? []).map((n) => [n.id, { x: n.x ?? 0, y: n.y ?? 0 }])),
    edges: new Map(
      (placed.edges ?? []).map((edge) => [
        edge.id,
        (edge.sections ?? []).flatMap((s) => [s.startPoint, ...(s.bendPoints ?? []), s.endPoint]),
      ]),
    ),
  };
}

/** The whole-loom page of a job as SVG; "" where there is nothing to draw. */
export async function loomPage(
  job: Job,
  units: UnitSystem,
  options: LoomSvgOptions,
): Promise<string> {
  const graph = loomGraph(job, synthesise(job), units);
  if (graph.edges.length === 0) return "";
  return loomSvg(graph, await layOutLoom(graph), options);
}
