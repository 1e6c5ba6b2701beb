import type { Element, WireElement, WireRole } from "../circuit/index.ts";
import type { ElementId, RunId } from "../job/index.ts";
import { FEED_COLOUR, GROUND_COLOUR, RUN_COLOURS } from "./defaults.ts";

/** What the wires of one run, supply or control are called by, and their colour. */
export interface Naming {
  /** What labels begin with: "3" makes 3.1, 3.2 … */
  readonly prefix: string;
  readonly colour: string;
}

/** Colour of a run by its place in the job. */
export const runColour = (index: number): string => RUN_COLOURS[index % RUN_COLOURS.length]!;

function colourOf(role: WireRole, colour: string): string {
  switch (role) {
    case "feed":
      return FEED_COLOUR;
    case "load":
    case "branch":
      return colour;
    case "return":
    case "coilReturn":
      return GROUND_COLOUR;
    case "tap":
    case "coilFeed":
      return colour === "white" ? "white/black" : `${colour}/white`;
    case "factory":
      return "";
  }
}

/** Gives every wire its label and colour, those of one owner numbered in the order they were laid. */
export function nameWires(
  elements: ReadonlyMap<ElementId, Element>,
  namings: ReadonlyMap<RunId, Naming>,
): Map<ElementId, Element> {
  const counts = new Map<RunId, number>();
  const named = new Map<ElementId, Element>();
  for (const [id, element] of elements) {
    if (element.kind !== "wire") {
      named.set(id, element);
      continue;
    }
    const naming = namings.get(element.runId) ?? { prefix: "V", colour: "" };
    named.set(id, { ...element, ...markOf(element, naming, counts) });
  }
  return named;
}

function markOf(wire: WireElement, naming: Naming, counts: Map<RunId, number>) {
  const colour = colourOf(wire.role, naming.colour);
  if (wire.harness !== "")
    return { label: wire.role === "factory" ? "factory" : "pigtail", colour };
  const n = (counts.get(wire.runId) ?? 0) + 1;
  counts.set(wire.runId, n);
  return { label: `${naming.prefix}.${n}`, colour };
}
