import type { Fact } from "../quantity/index.ts";
import type { Part } from "../part/index.ts";
import type { FuseSchool } from "../protection/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import type { WireSystem } from "../wire/index.ts";
import type { Condition, Input } from "./condition.ts";
import type {
  Bond,
  Check,
  Fastener,
  Hole,
  Landmark,
  Mount,
  Photo,
  StripPlug,
  StripStep,
  Template,
} from "./fit.ts";
import type { ControlId, LampId, PartId, PinId, PlaceId, RunId, SupplyId } from "./ids.ts";

export const JOB_FORMAT = "dragonet-job/3";

/** The stages in the order people work. */
export const STAGES = [
  "intake",
  "budget",
  "circuit",
  "signals",
  "fit",
  "prove",
  "aim",
  "handOver",
] as const;
export type Stage = (typeof STAGES)[number];

export interface JobCard {
  readonly title: string;
  readonly customer: string;
  readonly stage: Stage;
  /** Which bench or lift it stands on; "" when it is not in the shop. */
  readonly bench: string;
  /** Promised day as ISO date, or "". */
  readonly promised: string;
  readonly note: string;
}

export const BLOCKER_KINDS = ["part", "cold", "dark", "customer", "measure", "other"] as const;
export interface Blocker {
  readonly id: string;
  readonly kind: (typeof BLOCKER_KINDS)[number];
  readonly text: string;
}

export const PURPOSES = ["seeFurther", "beSeen", "beSeenBraking", "beLegal", "other"] as const;
export interface Wish {
  readonly id: string;
  readonly purpose: (typeof PURPOSES)[number];
  readonly text: string;
}

/** One line of the kit list: what the box should hold against what it holds. */
export interface KitItem {
  readonly id: string;
  readonly name: string;
  readonly needed: number;
  readonly inBox: number;
}

export const LAMP_LIGHTS = ["main", "dim"] as const;
export const LAMP_PLACES = ["front", "rear", "left", "right", "inside"] as const;
export interface Lamp {
  readonly id: LampId;
  readonly label: string;
  readonly partId: PartId;
  readonly runId: RunId;
  readonly place: (typeof LAMP_PLACES)[number];
  /** Which of a two-level lamp's lights this is. */
  readonly light: (typeof LAMP_LIGHTS)[number];
  /** Lamp whose housing and ground it shares: the brake light of a tail light; "" for none. */
  readonly housing: LampId | "";
  /** Length in m of a lamp that is sold by the metre; 0 for any other. */
  readonly lengthM: number;
  /** Place on the route map; "" for the one its side of the vehicle has. */
  readonly at: PlaceId | "";
  /** What the vehicle had in its place, by the id of that load: it leaves the budget. "" for an added lamp. */
  readonly replaces: string;
}

/** Where current is taken: 12 V battery, factory wire, something added, whole pack, part of one. */
export type Feed =
  | { readonly kind: "battery" }
  | { readonly kind: "pin"; readonly pinId: PinId }
  | { readonly kind: "supply"; readonly supplyId: SupplyId }
  | { readonly kind: "pack" }
  /** From the pack's negative up to so many blocks. */
  | { readonly kind: "block"; readonly blocks: number };

export const SUPPLY_GATES = ["always", "key", "switch"] as const;

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
  readonly fuseAtM: Fact;
  readonly feedM: Fact;
  /** Place on the route map; "" for where the electrics are. */
  readonly at: PlaceId | "";
}

/**
 * A control that comes with the kit, where the vehicle has no wire for a signal: a turn
 * switch (left, right), a hazard switch, a horn button, a brake switch.
 */
export interface Control {
  readonly id: ControlId;
  readonly name: string;
  /** Positions; one at a time where there are several. */
  readonly inputs: readonly Input[];
  readonly switchPartId: PartId | null;
  /** Poles in each position: with fewer than it has runs to work, their feeds are tied together. */
  readonly poles: number;
  readonly feed: Feed;
  readonly feedM: Fact;
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

export const RELAY_CHOICES = ["auto", "yes", "no"] as const;
export const COIL_CHOICES = ["practice", "positive", "negative"] as const;
export const COIL_TERMINALS = ["auto", "85", "86"] as const;
export const RETURN_CHOICES = ["chassis", "wire", "block"] as const;
export const ARRANGEMENTS = ["parallel", "series"] as const;

/** Lamps (or horns, heaters, outlets) that are fed and controlled together. */
export interface Run {
  readonly id: RunId;
  readonly name: string;
  readonly feed: Feed;
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
  /** Lamps side by side in each step of a series string. */
  readonly perStep: number;
  /** Pinned wire to take the trigger from, or null. */
  readonly tapPinId: PinId | null;
  /** Cable from the battery's positive post to the fuse. */
  readonly fuseAtM: Fact;
  /** From the fuse to the relay, or to the switch where there is no relay. */
  readonly feedM: Fact;
  /** From the relay (or switch) to the splice where lamps part. */
  readonly loadM: Fact;
  /** From the splice to each lamp. */
  readonly branchM: Fact;
  /** From the relay's coil to the switch. */
  readonly controlM: Fact;
  /** From the switch or coil to the wire that triggers it. */
  readonly tapM: Fact;
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

/** Deviations between two runs, and those that name wires and terminals of the circuit itself. */
export const RUN_DEVIATIONS = ["lampsSwapped", "joined", "thinSharedReturn"] as const;
export const WIRE_DEVIATIONS = [
  "endMoved",
  "endsSwapped",
  "wireMissing",
  "thinWire",
  "reversed",
  "tied",
] as const;
export const DEVIATION_KINDS = [...RUN_DEVIATIONS, ...WIRE_DEVIATIONS] as const;
export const WIRE_ENDS = ["from", "to"] as const;

/**
 * Where the vehicle is wired otherwise than planned, as found or as feared. Between two runs:
 * lamps on each other's feeds, feeds tied together (hazards on a single pole), one thin wire as
 * the return of both. Or any edit of the physical graph: `endMoved` puts an end of a wire on
 * another terminal, `endsSwapped` exchanges an end of two wires, `wireMissing` leaves one
 * out, `thinWire` takes another size, `reversed` exchanges two terminals with all their wires
 * (a unit the wrong way round), `tied` joins two terminals. What does not apply is "".
 */
export interface Deviation {
  readonly id: string;
  readonly kind: (typeof DEVIATION_KINDS)[number];
  readonly runId: RunId;
  readonly otherRunId: RunId | "";
  /** A wire by its id in the circuit, and which of its ends. */
  readonly wire: string;
  readonly end: (typeof WIRE_ENDS)[number];
  readonly otherWire: string;
  readonly otherEnd: (typeof WIRE_ENDS)[number];
  /** Terminals as UNIT.TERMINAL. */
  readonly at: string;
  readonly otherAt: string;
  /** Size of a wire that was taken instead, as designated. */
  readonly gaugeId: string;
}

/** One stretch of a ride: how long, at what engine speed, and what the rider does meanwhile. */
export interface RideLeg {
  readonly id: string;
  readonly name: string;
  readonly minutes: number;
  /** Engine speed in rpm; 0 with the engine off. */
  readonly rpm: number;
  /** Shares of the leg with the brake on and with a turn lamp going, 0–1. */
  readonly brake: number;
  readonly turn: number;
  /** Times the engine is started at its beginning. */
  readonly starts: number;
  /** What else is taken while it lasts, in A: a winch, heated clothes. */
  readonly extraA: number;
}

/** How the vehicle is used: what evenings, seasons and the weather ask of its battery. */
export interface Use {
  /** Hours the added lamps burn on an evening, and evenings a season. */
  readonly eveningH: number;
  readonly eveningsPerSeason: number;
  /** Driven on such a day, in km. */
  readonly dayKm: number;
  /** Age of the battery in years, and the coldest morning it has to start on, in °C. */
  readonly ageYears: number;
  readonly coldestC: number;
}

export const DEFAULT_USE: Use = {
  eveningH: 3,
  eveningsPerSeason: 90,
  dayKm: 15,
  ageYears: 2,
  coldestC: 0,
};

/** What the signals are tried on: a script of the controls, one event a line. */
export interface SignalPlay {
  readonly script: string;
}

/** Spare wire left where there is room, at the battery, or every wire cut to its length. */
export const SLACK_SCHOOLS = ["spare", "cut"] as const;

export interface Practices {
  readonly fuseSchool: FuseSchool;
  readonly coilSwitching: "positive" | "negative";
  readonly wireSystem: WireSystem;
  /** Allowed voltage drop out and back, as a share of the source. */
  readonly dropTarget: number;
  readonly ambientC: number;
  readonly insulationC: number;
  readonly bundledWires: number;
  readonly slack: (typeof SLACK_SCHOOLS)[number];
  /** Rule pack of the place it will be ridden in; "" for none. */
  readonly place: string;
}

export const DEFAULT_PRACTICES: Practices = {
  fuseSchool: "nextSize",
  coilSwitching: "positive",
  wireSystem: "awg",
  dropTarget: 0.03,
  ambientC: 40,
  insulationC: 85,
  bundledWires: 1,
  slack: "spare",
  place: "",
};

/** One job: the single source of truth that page, server, command line and exports share. */
export interface Job {
  readonly format: typeof JOB_FORMAT;
  readonly card: JobCard;
  readonly vehicle: Vehicle;
  readonly practices: Practices;
  readonly wishes: readonly Wish[];
  readonly blockers: readonly Blocker[];
  readonly kit: readonly KitItem[];
  /** Own copies of the shelf parts this job uses. */
  readonly parts: readonly Part[];
  readonly lamps: readonly Lamp[];
  readonly runs: readonly Run[];
  readonly supplies: readonly Supply[];
  readonly controls: readonly Control[];
  readonly deviations: readonly Deviation[];
  readonly use: Use;
  readonly signals: SignalPlay;
  /** The ride that the budget is tried on; empty for the usual one of its kind. */
  readonly ride: readonly RideLeg[];
  /** The strip ledger: what comes off, in the order it was written down. */
  readonly strip: readonly StripStep[];
  readonly fasteners: readonly Fastener[];
  readonly plugs: readonly StripPlug[];
  readonly photos: readonly Photo[];
  readonly templates: readonly Template[];
  readonly landmarks: readonly Landmark[];
  readonly holes: readonly Hole[];
  readonly mounts: readonly Mount[];
  readonly bonds: readonly Bond[];
  readonly checks: readonly Check[];
}
