import type { ElementId, NodeId } from "../job/index.ts";

/**
 * A circuit in one position of its controls, as the solver sees it: nodes and branches
 * with a current for each voltage. Everything is between two nodes and reciprocal.
 */
export type BranchModel =
  | { readonly kind: "resistor"; readonly ohm: number }
  /** Constant power above `minV`, off below, a steep ramp between. */
  | { readonly kind: "power"; readonly powerW: number; readonly minV: number }
  /** I = ratedA · (V / ratedV)^exponent. */
  | {
      readonly kind: "filament";
      readonly ratedA: number;
      readonly ratedV: number;
      readonly exponent: number;
    }
  | { readonly kind: "current"; readonly currentA: number }
  /** Dies and a resistor: (V − forwardV) / ohm above what the dies need, with a soft knee. */
  | { readonly kind: "dies"; readonly forwardV: number; readonly ohm: number }
  /** A voltage with its positive at `from`, behind a resistance: I = (V − volts) / ohm. */
  | { readonly kind: "source"; readonly volts: number; readonly ohm: number }
  /** I = saturationA (exp(V / thermalV) − 1). */
  | { readonly kind: "diode"; readonly saturationA: number; readonly thermalV: number };

/** What lies between two nodes, by its law. */
export interface NetworkBranch {
  readonly id: ElementId;
  readonly from: NodeId;
  readonly to: NodeId;
  readonly model: BranchModel;
  /** What the user calls it. */
  readonly words: string;
}

/** Branches, and the nodes whose volts are held. */
export interface Network {
  readonly branches: readonly NetworkBranch[];
  /** Nodes held at a voltage; ground among them. */
  readonly held: ReadonlyMap<NodeId, number>;
}
