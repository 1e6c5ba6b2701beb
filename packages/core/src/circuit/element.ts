import type { BoundedValue, Interval } from "../quantity/index.ts";
import type {
  BatteryPart,
  ConnectorPart,
  ConverterPart,
  FlasherPart,
  LoadPart,
  RelayPart,
  SwitchPart,
  Behaviour,
} from "../part/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import type {
  KitSwitchId,
  ElementId,
  Input,
  LampId,
  NodeId,
  PinId,
  CircuitId,
  SupplyId,
  UnitId,
} from "../job/index.ts";

interface TwoPole {
  readonly id: ElementId;
  /** The unit it is inside of; "" for a wire, which joins units. */
  readonly unit: UnitId | "";
  /** The run it belongs to, or the supply or control that several runs share. */
  readonly runId: CircuitId;
  /** Terminals of units, or nodes inside one. */
  readonly from: NodeId;
  readonly to: NodeId;
}

/** Role of a wire in its run, as the cut list and the strip name it. */
export type WireRole =
  | "feed"
  | "load"
  | "branch"
  | "return"
  | "coilFeed"
  | "coilReturn"
  | "tap"
  /** Laid by the maker, or a thing bolted to another: there already. */
  | "factory";

/** A wire between two terminals, with its size and its length in m. */
export interface WireElement extends TwoPole {
  readonly kind: "wire";
  readonly role: WireRole;
  readonly gaugeId: string;
  readonly lengthM: BoundedValue;
  readonly colour: string;
  /** The way it has to bridge, where its own length is given; null where it is cut to that. */
  readonly bridgesM: BoundedValue | null;
  /** What is written on the flag at both ends. */
  readonly label: string;
  /** Ready-made harness that it comes with; "" for a wire that is cut here. */
  readonly harness: string;
  /** That harness by its id in the job; "" for a part's own leads, the vehicle's loom, or none. */
  readonly harnessId: string;
  /** Wires that are sized together; "" where its size is given. */
  readonly group: string;
  /** Loaded wires side by side where most are, itself included; 1 where its way is not known. */
  readonly bundle: number;
  /** What its own design current warms it over its surroundings, in K: its ohms are one number. */
  readonly riseC: number;
}

/** A link inside a unit that a screwdriver does not reach: a bar, a jumper, a common negative. */
export interface StrapElement extends TwoPole {
  readonly kind: "strap";
  readonly ohm: number;
}

/** Frame, body or engine used as the way back. */
export interface ChassisElement extends TwoPole {
  readonly kind: "chassis";
  readonly resistanceOhm: Interval;
}

/** A fuse or breaker, by its rating in A. */
export interface FuseElement extends TwoPole {
  readonly kind: "fuse";
  readonly ratingA: number;
  /** A breaker that closes again by itself, and opens again while the fault lasts. */
  readonly resets: boolean;
  /** It comes in its box and is not laid out beside it: a main breaker. */
  readonly builtIn: boolean;
  /** Highest voltage that it has to break, in V. */
  readonly systemV: number;
  /** Cable between the source and this fuse. */
  readonly fromSourceM: BoundedValue;
}

/** A contact that a hand or a signal closes. */
export interface SwitchElement extends TwoPole {
  readonly kind: "switch";
  /** The signal that closes it; "switch" for the own switch of `runId`. */
  readonly input: Input;
  readonly part: SwitchPart;
  /** Where its tell-tale's current goes; null without one. */
  readonly tellTaleTo: NodeId | null;
}

/** A relay's contact: it follows its coil. */
export interface ContactElement extends TwoPole {
  readonly kind: "contact";
  readonly part: RelayPart;
  /** The coil that works it. */
  readonly coilId: ElementId;
  /** Name of the hub or board that it is a way of; "" for a relay of its own. */
  readonly inBox: string;
  /** Closed until the coil pulls: terminal 87a. */
  readonly normallyClosed: boolean;
  /** What a channel makes of its input over time; null for one that plainly follows. */
  readonly program: Behaviour | null;
}

/** A diode that lets one way of turning a run on not feed back into another. */
export interface DiodeElement extends TwoPole {
  readonly kind: "diode";
}

/** A relay's coil: it pulls in and lets go by its current. */
export interface CoilElement extends TwoPole {
  readonly kind: "coil";
  readonly part: RelayPart;
  /** DIN 72552 terminal on the positive side. */
  readonly plusTerminal: "85" | "86";
}

/** A lamp, horn or heater as the network has it. */
export interface LoadElement extends TwoPole {
  readonly kind: "load";
  readonly lampId: LampId;
  readonly label: string;
  readonly part: LoadPart;
}

/** A plug and socket in a lead. */
export interface ConnectorElement extends TwoPole {
  readonly kind: "connector";
  readonly part: ConnectorPart;
}

/** From its input's positive to its output's, each against a negative of its own. */
export interface ConverterElement extends TwoPole {
  readonly kind: "converter";
  readonly inNeg: NodeId;
  readonly outNeg: NodeId;
  readonly part: ConverterPart;
}

/** A battery of its own, from its negative post to its positive one. */
export interface BatteryElement extends TwoPole {
  readonly kind: "battery";
  readonly part: BatteryPart;
}

/** Between feed and turn switch: closed while its lamps are lit. */
export interface FlasherElement extends TwoPole {
  readonly kind: "flasher";
  readonly part: FlasherPart;
}

/** A factory circuit, from its feed to where it may be tapped: live as its pin says. */
export interface TapElement extends TwoPole {
  readonly kind: "tap";
  readonly pin: ConnectorPin;
}

/** Everything that sits between two terminals. */
export type Element =
  | WireElement
  | ChassisElement
  | StrapElement
  | FuseElement
  | SwitchElement
  | ContactElement
  | CoilElement
  | DiodeElement
  | LoadElement
  | ConnectorElement
  | ConverterElement
  | BatteryElement
  | FlasherElement
  | TapElement;

/** What a circuit is fed from. */
export type Source =
  | { readonly kind: "battery" }
  | { readonly kind: "pin"; readonly pinId: PinId; readonly pin: ConnectorPin }
  | { readonly kind: "supply"; readonly supplyId: SupplyId }
  | { readonly kind: "control"; readonly controlId: KitSwitchId }
  | { readonly kind: "pack" }
  | { readonly kind: "block"; readonly blocks: number };

/** What holds the voltage that a run starts from: battery, a share of the pack, or a fixed one. */
export type Root =
  | { readonly kind: "battery" }
  | { readonly kind: "pack"; readonly share: number }
  | { readonly kind: "fixed"; readonly volts: number };

/** Volts of what holds a circuit, by those of battery and whole pack. */
export function rootV(
  root: Root,
  { sourceV, packV }: { readonly sourceV: number; readonly packV: number },
): number {
  switch (root.kind) {
    case "battery":
      return sourceV;
    case "pack":
      return packV * root.share;
    case "fixed":
      return root.volts;
  }
}
