import type { Fact } from "../quantity/index.ts";
import type { Element, WireRole } from "../circuit/index.ts";
import { asId, type ElementId, type NodeId, type RunId } from "../job/index.ts";
import { FEED_COLOUR, GROUND_COLOUR } from "./defaults.ts";

export const BATTERY_PLUS = asId<NodeId>("battery-plus");
export const PACK_PLUS = asId<NodeId>("pack-plus");
export const GROUND = asId<NodeId>("ground");
export const GROUND_BLOCK = asId<NodeId>("ground-block");

/** Where a pack is tapped, so many blocks above its negative. */
export const blockTap = (blocks: number): NodeId => asId<NodeId>(`pack-block-${blocks}`);

/** Collects the elements of one run, supply or control, each with an id and nodes that say where they belong. */
export class RunBuilder {
  readonly elements: Element[] = [];
  private wires = 0;

  constructor(
    private readonly ownerId: RunId,
    /** What wire labels begin with: "3" makes 3.1, 3.2 … */
    private readonly prefix: string,
    private readonly colour: string,
  ) {}

  node(name: string): NodeId {
    return asId<NodeId>(`${this.ownerId}.${name}`);
  }

  id(name: string): ElementId {
    return asId<ElementId>(`${this.ownerId}.${name}`);
  }

  base(name: string, from: NodeId, to: NodeId) {
    return { id: this.id(name), runId: this.ownerId, from, to };
  }

  add(element: Element): ElementId {
    this.elements.push(element);
    return element.id;
  }

  wire(
    name: string,
    role: WireRole,
    from: NodeId,
    to: NodeId,
    gaugeId: string,
    lengthM: Fact,
    ends: readonly [string, string],
    pigtail = false,
  ): ElementId {
    if (!pigtail) this.wires += 1;
    const colours: Readonly<Record<WireRole, string>> = {
      feed: FEED_COLOUR,
      load: this.colour,
      branch: this.colour,
      return: GROUND_COLOUR,
      tap: `${this.colour}/white`,
      coilFeed: `${this.colour}/white`,
      coilReturn: GROUND_COLOUR,
    };
    return this.add({
      kind: "wire",
      ...this.base(name, from, to),
      role,
      gaugeId,
      lengthM,
      colour:
        this.colour === "white"
          ? colours[role].replace("white/white", "white/black")
          : colours[role],
      label: pigtail ? "pigtail" : `${this.prefix}.${this.wires}`,
      ends,
      pigtail,
    });
  }
}
