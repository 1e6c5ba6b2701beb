import type { Part } from "../part/index.ts";
import type { FuseSchool } from "../protection/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import type { WireSystem } from "../wire/index.ts";
import type {
  Bond,
  Check,
  Fastener,
  Hole,
  Landmark,
  Mount,
  Photo,
  TeardownPlug,
  TeardownStep,
  Template,
} from "./record/fit.ts";
import type { CircuitId } from "./ids.ts";
import type { Aim, Aiming } from "./record/aim.ts";
import type { Lot } from "./record/lot.ts";
import type { Mend } from "./record/mend.ts";
import type { QuoteOption } from "./record/quoteOption.ts";
import type { Reading } from "./record/reading.ts";
import type { Signature } from "./record/signature.ts";
import { DEFAULT_TARIFF, type Tariff, type Worked } from "./record/tariff.ts";
import type {
  KitSwitch,
  Harness,
  Lamp,
  LightingCircuit,
  Supply,
  WireChoice,
} from "./record/wiring.ts";

/** Format of job files of this version: `job/migrations` brings older ones up to it. */
export const JOB_FORMAT = "dragonet-job/9";

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
/** How far a job has come. */
export type Stage = (typeof STAGES)[number];

/** What a job is called, for whom it is, and how far it has come. */
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

/** What a job may wait for. */
export const BLOCKER_KINDS = ["part", "cold", "dark", "customer", "measure", "other"] as const;
/** Something that a job waits for. */
export interface Blocker {
  readonly id: string;
  readonly kind: (typeof BLOCKER_KINDS)[number];
  readonly text: string;
}

/** What lights are wanted for. */
export const PURPOSES = ["seeFurther", "beSeen", "beSeenBraking", "beLegal", "other"] as const;
/** What the customer wants, in their own words. */
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

/** Deviations between two runs, and those that name wires and terminals of the circuit itself. */
export const RUN_DEVIATIONS = ["lampsSwapped", "joined", "thinSharedReturn"] as const;
/** What may be wired wrong at a single wire. */
export const WIRE_DEVIATIONS = [
  "endMoved",
  "endsSwapped",
  "wireMissing",
  "thinWire",
  "reversed",
  "tied",
] as const;
/** All that may be wired wrong. */
export const DEVIATION_KINDS = [...RUN_DEVIATIONS, ...WIRE_DEVIATIONS] as const;
/** The ends of a wire. */
export const WIRE_ENDS = ["from", "to"] as const;

/**
 * Where the vehicle is wired otherwise than planned, as found or as feared. Between two runs:
 * lamps on each other's feeds, feeds tied together (hazards on a single pole), one thin wire as
 * the return of both. Or any edit of the physical graph: `endMoved` puts an end of a wire on
 * another terminal, `endsSwapped` exchanges an end of two wires, `wireMissing` leaves one
 * out, `thinWire` takes another size, `reversed` exchanges two terminals with all their wires
 * (a unit the wrong way round), `tied` joins two terminals. What does not apply is "".
 */
export interface WiringDeviation {
  readonly id: string;
  readonly kind: (typeof DEVIATION_KINDS)[number];
  readonly runId: CircuitId;
  readonly otherRunId: CircuitId | "";
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

/** Use of a vehicle that nobody has told of: common practice. */
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

/** What a wire may have a colour for in a shop: the feed, the ground, or what turns a circuit on. */
export const WIRE_USES = [
  "feed",
  "ground",
  "park",
  "low",
  "high",
  "brake",
  "left",
  "right",
  "hazard",
  "horn",
  "reverse",
] as const;
/** The colour that a shop gives wires of one use. */
export interface UseColour {
  readonly use: (typeof WIRE_USES)[number];
  readonly colour: string;
}

/** How a shop works where the trade has schools. */
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
  /** The shop's own wire colours; what is not in it is as the plan gives it. */
  readonly colours: readonly UseColour[];
  readonly tariff: Tariff;
}

/** Practices of a shop that has said nothing. */
export const DEFAULT_PRACTICES: Practices = {
  fuseSchool: "eightyPercent",
  coilSwitching: "positive",
  wireSystem: "awg",
  dropTarget: 0.03,
  ambientC: 40,
  insulationC: 85,
  bundledWires: 1,
  slack: "spare",
  place: "",
  colours: [],
  tariff: DEFAULT_TARIFF,
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
  readonly runs: readonly LightingCircuit[];
  readonly supplies: readonly Supply[];
  readonly controls: readonly KitSwitch[];
  readonly harnesses: readonly Harness[];
  readonly wireChoices: readonly WireChoice[];
  readonly deviations: readonly WiringDeviation[];
  readonly use: Use;
  readonly signals: SignalPlay;
  /** The ride that the budget is tried on; empty for the usual one of its kind. */
  readonly ride: readonly RideLeg[];
  /** The strip ledger: what comes off, in the order it was written down. */
  readonly strip: readonly TeardownStep[];
  readonly fasteners: readonly Fastener[];
  readonly plugs: readonly TeardownPlug[];
  readonly photos: readonly Photo[];
  readonly templates: readonly Template[];
  readonly landmarks: readonly Landmark[];
  readonly holes: readonly Hole[];
  readonly mounts: readonly Mount[];
  readonly bonds: readonly Bond[];
  readonly checks: readonly Check[];
  /** What was read at tests on the vehicle. */
  readonly readings: readonly Reading[];
  /** What was found wrong at them, and put right. */
  readonly mends: readonly Mend[];
  /** How lamps in place are aimed, and how the vehicle stands at the wall. */
  readonly aims: readonly Aim[];
  readonly aiming: Aiming;
  /** Other ways to do it that its quote offers beside the plan. */
  readonly options: readonly QuoteOption[];
  /** Time taken, as it was written down. */
  readonly worked: readonly Worked[];
  readonly signatures: readonly Signature[];
  /** Lots of parts that went in. */
  readonly lots: readonly Lot[];
}
