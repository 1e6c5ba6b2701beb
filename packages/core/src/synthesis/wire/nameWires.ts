import { itemAt } from "../../present/index.ts";
import type { Element, WireElement, WireRole } from "../../circuit/index.ts";
import type { ElementId, Job, LightingCircuit, CircuitId, UseColour } from "../../job/index.ts";
import { FEED_COLOUR, GROUND_COLOUR, RUN_COLOURS } from "../defaults.ts";

/** What the wires of one run, supply or control are called by, and their colour. */
export interface Naming {
  /** What labels begin with: "3" makes 3.1, 3.2 … */
  readonly prefix: string;
  readonly colour: string;
}

/** What colours are given by: the shop's own, and what was said of single wires. */
export interface Colours {
  readonly feed: string;
  readonly ground: string;
  /** By the wire's id in the circuit. */
  readonly chosen: ReadonlyMap<string, string>;
}

const ofUse = (job: Job, use: UseColour["use"]): string | undefined =>
  job.practices.colours.find((c) => c.use === use && c.colour !== "")?.colour;

export const coloursOf = (job: Job): Colours => ({
  feed: ofUse(job, "feed") ?? FEED_COLOUR,
  ground: ofUse(job, "ground") ?? GROUND_COLOUR,
  chosen: new Map(
    job.wireChoices.filter((c) => c.colour !== "").map((c) => [c.wire, c.colour] as const),
  ),
});

/** Colour of a run: the shop's own for what turns it on, otherwise by its place in the job. */
export function colourForCircuit(job: Job, run: LightingCircuit, index: number): string {
  const asked = run.condition.anyOf.flat().filter((term) => !term.negated);
  for (const { input } of asked) {
    const own = ofUse(job, input as UseColour["use"]);
    if (own !== undefined) return own;
  }
  return itemAt(RUN_COLOURS, index % RUN_COLOURS.length);
}

function colourOf(role: WireRole, colour: string, colours: Colours): string {
  switch (role) {
    case "feed":
      return colours.feed;
    case "load":
    case "branch":
      return colour;
    case "return":
    case "coilReturn":
      return colours.ground;
    case "tap":
    case "coilFeed":
      if (colour === "") return "";
      return colour.includes("/") ? colour : colour === "white" ? "white/black" : `${colour}/white`;
    case "factory":
      return "";
  }
}

/** Gives every wire its label and colour, those of one owner numbered in the order they were laid. */
export function nameWires(
  elements: ReadonlyMap<ElementId, Element>,
  namings: ReadonlyMap<CircuitId, Naming>,
  colours: Colours,
): Map<ElementId, Element> {
  const counts = new Map<CircuitId, number>();
  const named = new Map<ElementId, Element>();
  for (const [id, element] of elements) {
    if (element.kind !== "wire") {
      named.set(id, element);
      continue;
    }
    const naming = namings.get(element.runId) ?? { prefix: "V", colour: "" };
    named.set(id, { ...element, ...markOf(element, naming, counts, colours) });
  }
  return named;
}

function markOf(
  wire: WireElement,
  naming: Naming,
  counts: Map<CircuitId, number>,
  colours: Colours,
) {
  const given = wire.colour === "" ? colourOf(wire.role, naming.colour, colours) : wire.colour;
  const colour = colours.chosen.get(wire.id) ?? given;
  if (wire.harness !== "" && wire.harnessId === "")
    return { label: wire.role === "factory" ? "factory" : "pigtail", colour };
  const n = (counts.get(wire.runId) ?? 0) + 1;
  counts.set(wire.runId, n);
  return { label: `${naming.prefix}.${n}`, colour };
}
