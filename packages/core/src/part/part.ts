import type { BoundedValue } from "../quantity/index.ts";
import type { PartId } from "../job/ids.ts";
import type {
  KitSwitch,
  Harness,
  Lamp,
  LightingCircuit,
  Supply,
  WireChoice,
} from "../job/record/wiring.ts";
import type { BatteryChemistry } from "../vehicle/index.ts";
import type { Photometry } from "../photometry/index.ts";
import type { Behaviour } from "./behaviour.ts";
import type { LoadSpec } from "./load.ts";

/** Colours of light. */
export const LIGHT_COLOURS = ["white", "warm white", "amber", "red", "none"] as const;
/** The colour of a lamp's light. */
export type LightColour = (typeof LIGHT_COLOURS)[number];

/** What a load is to people. */
export const LOAD_FAMILIES = ["lamp", "horn", "heater", "outlet", "resistor", "equaliser"] as const;
/** What a load is to people: a lamp lights, a horn sounds. */
export type LoadFamily = (typeof LOAD_FAMILIES)[number];

interface PartBase {
  readonly id: PartId;
  readonly name: string;
  readonly note: string;
  /** Price of one, in the shop's currency. */
  readonly price: number;
  /** Pieces (or metres) on the shelf. */
  readonly stock: number;
  /** Pieces (or metres) that the shop wants to have, whatever its jobs take; none where nobody said. */
  readonly least?: number | undefined;
  /** How long its maker answers for it, in months; not there where nobody knows. */
  readonly warrantyMonths?: number | undefined;
  /** Protection against dust and water after IEC 60529, "IP67"; "" when nobody said. */
  readonly ingress: string;
  /** Direct voltage that its contacts or fuses may break, in V; 0 where nobody has said: then by its kind. */
  readonly ratedV: number;
}

/** A further light in a housing beside its main and its dim one: reverse beside tail and brake. */
export interface PartLight {
  readonly name: string;
  readonly light: LightColour;
  readonly load: LoadSpec;
}

/** Anything that is fed: a lamp, a horn, a heater, an outlet. */
export interface LoadPart extends PartBase {
  readonly kind: "load";
  readonly family: LoadFamily;
  readonly light: LightColour;
  readonly load: LoadSpec;
  /** Current in A while it has feed but is not asked to work. */
  readonly standbyA: BoundedValue;
  /** Wire size of its own pigtail, as designated; "" when it has terminals instead. */
  readonly pigtail: string;
  /** A second, weaker light in the same housing: tail beside brake, park beside turn. */
  readonly dim: LoadSpec | null;
  /** Lights beside these two in the same housing, on the same negative. */
  readonly lights: readonly PartLight[];
  /** Its body is its negative, so that its mount grounds it. */
  readonly caseGround: boolean;
  /** What electronics inside it do over time; null for a plain lamp. */
  readonly behaviour: Behaviour | null;
  /** What it sends where, where somebody has measured it. */
  readonly photometry?: Photometry;
}

/** A changeover or make relay. Mini ISO form: ISO 7588-1; terminals after DIN 72552. */
export interface RelayPart extends PartBase {
  readonly kind: "relay";
  readonly contactA: number;
  /** Voltage that the coil is made for. */
  readonly coilV: number;
  readonly coilOhm: BoundedValue;
  /** A diode across the coil: then 86 must be the positive side. */
  readonly diode: boolean;
  /** A channel with a sense input and a transistor: there is no coil, and nothing clicks. */
  readonly electronic?: boolean;
}

/** When a switch's own lamp glows. */
export const TELL_TALES = ["none", "whenOn", "always"] as const;
/** `always` glows whenever its feed is live, whether the switch is on or not. */
export type TellTale = (typeof TELL_TALES)[number];

/** A switch, by what its contacts carry in A. */
export interface SwitchPart extends PartBase {
  readonly kind: "switch";
  readonly contactA: number;
  readonly tellTale: TellTale;
  readonly tellTaleA: BoundedValue;
}

/** What a converter is fed with: a steady voltage, or a coil's waves. */
export const CONVERTER_INPUTS = ["direct", "alternating"] as const;

/**
 * Makes a steady voltage from another: a pack's from a traction pack, for lamps of 12 V. One
 * whose input is `alternating` has a bridge and a capacitor before it: it takes a lighting
 * coil's waves as well, and its output's negative is not the coil's end on the frame.
 */
export interface ConverterPart extends PartBase {
  readonly kind: "converter";
  readonly input: (typeof CONVERTER_INPUTS)[number];
  readonly inMinV: number;
  readonly inMaxV: number;
  /** Input below which it turns itself off. */
  readonly cutOffV: number;
  readonly outV: BoundedValue;
  /** Output it may give for long, and for a second when lamps come on. */
  readonly outA: number;
  readonly surgeA: number;
  /** Share of the input that comes out, 0–1, at a tenth, half and all of its rating. */
  readonly efficiencyTenth: number;
  readonly efficiencyHalf: number;
  readonly efficiencyFull: number;
  /** Taken from the input with nothing on its output. */
  readonly idleA: BoundedValue;
  /** Output negative apart from the input's. */
  readonly isolated: boolean;
  /** Sealed against water. */
  readonly sealed: boolean;
  /** Hottest surroundings in which it gives its rating. */
  readonly mostAmbientC: number;
}

/** What boxes there are. */
export const BOX_FORMS = ["fuseBlock", "hub", "relayBoard", "plugIn"] as const;
/** Which side a box switches. */
export const BOX_SWITCHING = ["positive", "ground"] as const;

/**
 * One feed parted into several: a `fuseBlock` is copper and fuses; a `hub` and a
 * `relayBoard` also turn each way on and off by an input of its own. A `plugIn` goes between
 * the factory's plug and its lamps: what comes in on a way goes out on it, as it is set.
 */
export interface BoxPart extends PartBase {
  readonly kind: "box";
  readonly form: (typeof BOX_FORMS)[number];
  readonly ways: number;
  readonly wayA: number;
  /** Ratings of its ways in A, in their order, where they differ; those beyond have `wayA`. */
  readonly wayRatings: readonly number[];
  readonly totalA: number;
  /** Breaker between its input and all of its ways, in A; 0 without one. */
  readonly mainBreakerA: number;
  /** Which side of the lamp its ways switch. */
  readonly switches: (typeof BOX_SWITCHING)[number];
  /** Resistance of one input: a relay's coil, or the sense of an electronic channel. */
  readonly inputOhm: BoundedValue;
  readonly idleA: BoundedValue;
  /** Minutes without a signal after which it sleeps, and what it draws then; 0 for one that never does. */
  readonly sleepAfterMin: number;
  readonly sleepA: BoundedValue;
  /** What each of its ways does over time, in their order; those beyond simply follow. */
  readonly behaviours: readonly Behaviour[];
}

/** A battery that is added: its own source beside what the vehicle has. */
export interface BatteryPart extends PartBase {
  readonly kind: "battery";
  readonly chemistry: BatteryChemistry;
  /** Cells in series; 0 for as many as make 12 V in its chemistry. */
  readonly cells: number;
  readonly capacityAh: BoundedValue;
  readonly hourRate: number;
  readonly peukert: BoundedValue;
  /** Charger that comes with it, in A. */
  readonly chargerA: BoundedValue;
}

/** Colours of one wire of an adapter lead at its two plugs: the factory's, and the lamp's. */
export interface LeadColours {
  readonly factory: string;
  readonly lamp: string;
}

/** A plug and socket in a lamp's leads, or a lead from a factory plug to a lamp's own. */
export interface ConnectorPart extends PartBase {
  readonly kind: "connector";
  /** Of an adapter lead: its live wires in their order, the ground last; empty where nobody said. */
  readonly leads: readonly LeadColours[];
  readonly ratingA: number;
  readonly contactOhm: BoundedValue;
}

/**
 * What makes turn lamps flash. `thermal`: a heated strip, worked by the load's own current;
 * `electronic`: steady, doubled when the load is missing; `indifferent`: whatever the load.
 */
export const FLASHER_PRINCIPLES = ["thermal", "electronic", "indifferent"] as const;
/** A flasher, by what makes it flash. */
export interface FlasherPart extends PartBase {
  readonly kind: "flasher";
  readonly principle: (typeof FLASHER_PRINCIPLES)[number];
  /** Load below which it does not start, or doubles its rate. */
  readonly leastA: number;
  readonly contactA: number;
  /** Flashes a minute at its rated load. */
  readonly ratePerMin: BoundedValue;
  /** Share of a flash that is light, 0–1. */
  readonly onShare: number;
}

/** Consumables and hardware: terminals, grommets, sleeve, ties. */
export interface SundryPart extends PartBase {
  readonly kind: "sundry";
}

/** One line of what a box holds. */
export interface KitLine {
  readonly name: string;
  readonly count: number;
}

/**
 * What a kit lays out when it is unboxed, in the shapes of a job: its circuits with lamps and
 * controls, its harnesses, and what is said about single wires.
 */
export interface KitContent {
  readonly parts: readonly KitPartOf[];
  readonly supplies: readonly Supply[];
  readonly controls: readonly KitSwitch[];
  readonly runs: readonly LightingCircuit[];
  readonly lamps: readonly Lamp[];
  readonly harnesses: readonly Harness[];
  readonly wireChoices: readonly WireChoice[];
}

/** Units, harnesses, hardware and colours that are sold as one thing. */
export interface KitPart extends PartBase {
  readonly kind: "kit";
  readonly items: readonly KitLine[];
  readonly content: KitContent;
}

/** What a kit may hold: anything but another kit. */
export type KitPartOf =
  | LoadPart
  | RelayPart
  | SwitchPart
  | ConverterPart
  | BoxPart
  | BatteryPart
  | ConnectorPart
  | FlasherPart
  | SundryPart;
/** Something of the shelf. */
export type Part = KitPartOf | KitPart;
/** Kinds of parts. */
export const PART_KINDS = [
  "load",
  "relay",
  "switch",
  "converter",
  "box",
  "battery",
  "connector",
  "flasher",
  "sundry",
  "kit",
] as const;
/** One kind of part. */
export type PartKind = (typeof PART_KINDS)[number];
