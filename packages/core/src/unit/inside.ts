import type { ChoiceKind, Circuit, Element } from "../circuit/index.ts";
import { asId, type ElementId, type NodeId } from "../job/index.ts";
import type { BranchModel, NetworkBranch } from "../network/network.ts";
import type { NetworkOptions } from "../network/options.ts";
import type { UnitSystem } from "../quantity/index.ts";
import { LEAST_OHM, OPEN_OHM } from "../solve/defaults.ts";
import type { LaneLook } from "./symbol.ts";
import type { Estimate } from "../solve/elementOhm.ts";

export const FAULT_KINDS = [
  "open",
  "chafed",
  "groundLost",
  "fuseBlown",
  "relayDead",
  "relayStuck",
  "switchOpen",
  "switchStuck",
  "badJoint",
  "deadUnit",
  "shorted",
] as const;
/** A way in which something can be broken. */
export type FaultKind = (typeof FAULT_KINDS)[number];

/** One fault that an element can have, as a change of its branches. */
export interface FaultSpec {
  readonly kind: FaultKind;
  readonly words: string;
  /** Branches that become resistors, in Ω. */
  readonly ohms: readonly (readonly [branch: ElementId, ohm: number])[];
  /** A node that touches the frame; null for none. */
  readonly touches: NodeId | null;
  /** The run as asked to be: on for most faults, off for what may stick. */
  readonly asked: "on" | "off";
}

/** Everything there is to know about one kind of inside, in one place. */
export interface InsideSpec<E extends Element> {
  /** Its branches in a position of the controls: the same ends in every position. */
  branches(element: E, options: NetworkOptions): NetworkBranch[];
  /** Whether its branches depend on the position. */
  readonly moves: boolean;
  /** What the solver calls it when something is amiss. */
  words(element: E): string;
  /** On the line diagram, and in small beneath. */
  name(element: E): string;
  detail(element: E, units: UnitSystem): string;
  /** The decision that a press on it opens; null for what is given. */
  readonly choice: ChoiceKind | null;
  faults(element: E, circuit: Pick<Circuit, "units" | "elements">): FaultSpec[];
  /** Its symbol and its room on a lane. */
  readonly look: LaneLook;
  /** What it may carry for long, in A; null where it sets no limit of its own. */
  ratedA(element: E): number | null;
}

/** Resistance of a corroded joint, in Ω: assumed. */
export const BAD_JOINT_OHM = 2;
/** Resistance of a short to the frame or inside a lamp, in Ω: assumed. */
export const SHORT_OHM = 0.01;
/** A contact that has welded, in Ω. */
export const WELDED_OHM = 0.005;

export const resistor = (ohm: number): BranchModel => ({
  kind: "resistor",
  ohm: Math.max(LEAST_OHM, ohm),
});

export const OPEN: BranchModel = { kind: "resistor", ohm: OPEN_OHM };

export const estimateOf = ({ estimate }: NetworkOptions): Estimate => estimate ?? "value";

/** The one branch of an element that has no more. */
export const branchOf = (element: Element, model: BranchModel, words: string): NetworkBranch => ({
  id: element.id,
  from: element.from,
  to: element.to,
  model,
  words,
});

export const faultOf = (
  kind: FaultKind,
  words: string,
  id: ElementId,
  ohm: number,
  asked: FaultSpec["asked"] = "on",
): FaultSpec => ({ kind, words, ohms: [[id, ohm]], touches: null, asked });

/** Branch by which something that floats leaks to the vehicle's negative. */
export const leakOf = (id: ElementId): ElementId => asId<ElementId>(`${id}.leak`);
