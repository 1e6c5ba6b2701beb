import type { Behaviour } from "../../part/behaviour.ts";
import type { BoundedValue } from "../../quantity/index.ts";
import type { Condition, Input } from "../condition.ts";
import type {
  ConnectorId,
  KitSwitchId,
  HarnessId,
  LampId,
  PartId,
  PinId,
  PlaceId,
  CircuitId,
  SupplyId,
} from "../ids.ts";

/** Lights that a part may have without a name of its own: its main one, and a weaker one beside it. */
export const LAMP_LIGHTS = ["main", "dim"] as const;
/**
 * How a lamp joins the vehicle: spliced or plugged to wires of this job, by its own plug into
 * what the factory lamp sat on, or by an adapter lead from that plug to the lamp's.
 */
export const LAMP_JOINTS = ["splice", "plug", "adapter"] as const;
/** Where on a vehicle a lamp sits, roughly. */
export const LAMP_PLACES = ["front", "rear", "left", "right", "inside"] as const;
/** One lamp of a job (or horn, heater, outlet), in place. */
export interface Lamp {
  readonly id: LampId;
  readonly label: string;
  readonly partId: PartId;
  readonly runId: CircuitId;
  readonly place: (typeof LAMP_PLACES)[number];
  /** Which of its part's lights this is: one of LAMP_LIGHTS, or the name of one of its further lights. */
  readonly light: string;
  /** Lamp whose housing and ground it shares: the brake light of a tail light; "" for none. */
  readonly housing: LampId | "";
  /** Length in m of a lamp that is sold by the metre; 0 for any other. */
  readonly lengthM: number;
  /** Place on the route map; "" for the one its side of the vehicle has. */
  readonly at: PlaceId | "";
  /** What the vehicle had in its place, by the id of that load: it leaves the budget. "" for an added lamp. */
  readonly replaces: string;
  readonly joint: (typeof LAMP_JOINTS)[number];
  /** The vehicle's own, which stays: it is neither bought nor mounted. */
  readonly factory: boolean;
}

/** Where current is taken: 12 V battery, factory wire, something added, whole pack, part of one. */
export type Feed =
  | { readonly kind: "battery" }
  | { readonly kind: "pin"; readonly pinId: PinId }
  | { readonly kind: "supply"; readonly supplyId: SupplyId }
  | { readonly kind: "pack" }
  /** From the pack's negative up to so many blocks. */
  | { readonly kind: "block"; readonly blocks: number };

/** When something that feeds is live. */
export const SUPPLY_GATES = ["always", "key", "switch"] as const;
/** Which side of a load is switched. */
export const SWITCHED_SIDES = ["positive", "ground"] as const;
/** The side of a load that is switched. */
export type SwitchedSide = (typeof SWITCHED_SIDES)[number];
/** Which side a box switches: as its part does, or held. */
export const SUPPLY_SWITCHING = ["part", ...SWITCHED_SIDES] as const;

/**
 * Something added that runs are fed from: converter, fuse block, hub, relay board, flasher
 * or battery, by its part.
 */
export interface Supply {
  readonly id: SupplyId;
  readonly name: string;
  readonly partId: PartId;
  /** What feeds it; of no meaning for a battery of its own. */
  readonly feed: Feed;
  /** What makes it live: always, with the key through a relay, or a switch in its feed. */
  readonly gate: (typeof SUPPLY_GATES)[number];
  readonly fuse: FusePin;
  /** Pinned wire size as designated, or null. */
  readonly wire: string | null;
  readonly fuseAtM: BoundedValue;
  readonly feedM: BoundedValue;
  /** Which side of the lamp a box's channels switch, where this job sets it; "part" for as it comes. */
  readonly switches: (typeof SUPPLY_SWITCHING)[number];
  /** Place on the route map; "" for where the electrics are. */
  readonly at: PlaceId | "";
}

/**
 * A control that comes with the kit, where the vehicle has no wire for a signal: a turn
 * switch (left, right), a hazard switch, a horn button, a brake switch.
 */
export interface KitSwitch {
  readonly id: KitSwitchId;
  readonly name: string;
  /** Positions; one at a time where there are several. */
  readonly inputs: readonly Input[];
  readonly switchPartId: PartId | null;
  /** Poles in each position: with fewer than it has runs to work, their feeds are tied together. */
  readonly poles: number;
  readonly feed: Feed;
  readonly feedM: BoundedValue;
  readonly fuse: FusePin;
  /** Pinned wire size of its feed as designated, or null. */
  readonly wire: string | null;
  /** Control in whose switch it sits: turn, lights and horn on one stalk; "" for a switch of its own. */
  readonly housing: KitSwitchId | "";
  /** Springs back when it is let go. */
  readonly momentary: boolean;
  /** Gives its feed on, or ties what hangs on it to the negative: a horn button grounds the coil. */
  readonly switches: SwitchedSide;
  /** Place on the route map; "" for where the controls are. */
  readonly at: PlaceId | "";
}

/** A pinned fuse, or the one the practice gives. */
export type FusePin =
  | { readonly kind: "auto" }
  | { readonly kind: "rating"; readonly ratingA: number }
  /** One that closes again by itself when it has cooled. */
  | { readonly kind: "breaker"; readonly ratingA: number }
  | { readonly kind: "none" };

/** Whether a circuit has a relay: left to the plan, or held. */
export const RELAY_CHOICES = ["auto", "yes", "no"] as const;
/** Which side of a coil is switched: the shop's practice, or held. */
export const COIL_CHOICES = ["practice", "positive", "negative"] as const;
/** Which coil terminal is the positive one: left to the part, or held. */
export const COIL_TERMINALS = ["auto", "85", "86"] as const;
/** How a circuit goes home: by the frame, by a wire, or by a ground block. */
export const RETURN_CHOICES = ["chassis", "wire", "block"] as const;
/** How lamps of a circuit stand to each other. */
export const ARRANGEMENTS = ["parallel", "series"] as const;

/** Lamps (or horns, heaters, outlets) that are fed and controlled together. */
export interface LightingCircuit {
  readonly id: CircuitId;
  readonly name: string;
  readonly feed: Feed;
  /** Channel of the box it is fed from, or of the module it goes through; 0 for the next free one. */
  readonly channel: number;
  /** Module between the factory's plug and its lamps; "" for none. */
  readonly throughId: SupplyId | "";
  /** What its channel is set to in this job; null for as the part comes. */
  readonly program: Behaviour | null;
  readonly condition: Condition;
  readonly relay: (typeof RELAY_CHOICES)[number];
  readonly coil: (typeof COIL_CHOICES)[number];
  /** Terminal that takes the positive side of the coil. */
  readonly coilPlus: (typeof COIL_TERMINALS)[number];
  readonly return: (typeof RETURN_CHOICES)[number];
  readonly fuse: FusePin;
  /** Pinned wire size as designated, or null. */
  readonly wire: string | null;
  readonly switchPartId: PartId | null;
  readonly relayPartId: PartId | null;
  /** Plug in each lamp's leads, or null. */
  readonly connectorPartId: PartId | null;
  readonly arrangement: (typeof ARRANGEMENTS)[number];
  /** Lamps in parallel in each step of a series string. */
  readonly perStep: number;
  /** Pinned wire to take the trigger from, or null. */
  readonly tapPinId: PinId | null;
  /** Cable from the battery's positive post to the fuse. */
  readonly fuseAtM: BoundedValue;
  /** From the fuse to the relay, or to the switch where there is no relay. */
  readonly feedM: BoundedValue;
  /** From the relay (or switch) to the splice where lamps part. */
  readonly loadM: BoundedValue;
  /** From the splice to each lamp. */
  readonly branchM: BoundedValue;
  /** From the relay's coil to the switch. */
  readonly controlM: BoundedValue;
  /** From the switch or coil to the wire that triggers it. */
  readonly tapM: BoundedValue;
  /** Places on the route map; "" for the usual one, and for the splice that costs least wire. */
  readonly relayAt: PlaceId | "";
  readonly switchAt: PlaceId | "";
  readonly spliceAt: PlaceId | "";
  /** Share of the time it is on, 0–1, by state of the vehicle. */
  readonly onEngineOff: number;
  readonly onIdle: number;
  readonly onTown: number;
  readonly onCruise: number;
}

/** Where a harness passes through: between the two halves of one of the factory's connectors. */
export interface HarnessJoint {
  readonly id: string;
  /** The connector that is parted for it; "" where nobody has said which. */
  readonly connectorId: ConnectorId | "";
  /** What tells its two plugs from the harness's others: their shape, a colour; "" where nothing does. */
  readonly mark: string;
}

/** A harness that comes made up: neither cut nor counted by the metre, only routed and checked. */
export interface Harness {
  readonly id: HarnessId;
  readonly name: string;
  readonly note: string;
  /** Factory connectors that it goes between, two plugs each; none for one that only lies beside. */
  readonly joints: readonly HarnessJoint[];
}

/** What was said about one wire of the circuit; what was not is as the plan has it. */
export interface WireChoice {
  readonly id: string;
  /** The wire by its id in the circuit: "pods.load". */
  readonly wire: string;
  /** Ready-made harness that it is part of; "" for one that is cut here. */
  readonly harnessId: HarnessId | "";
  /** Insulation, "brown/white"; "" as the practice has it. */
  readonly colour: string;
  /** As designated; "" as the plan sizes it. */
  readonly gaugeId: string;
  /** Its own length where that is given, as a harness's is; null as the plan has it. */
  readonly lengthM: BoundedValue | null;
}
