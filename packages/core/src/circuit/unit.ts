import type {
  KitSwitchId,
  LampId,
  NodeId,
  PinId,
  CircuitId,
  SupplyId,
  UnitId,
} from "../job/index.ts";
import { asId } from "../job/index.ts";
import type { Feed } from "../job/index.ts";

/**
 * Things that one can hold: what a circuit is made of, wires apart. `plain` where its terminals
 * need no name: a splice has one place for every wire.
 */
const UNIT_KINDS = {
  ...{ battery: { plain: false }, pack: { plain: false }, chassis: { plain: true } },
  ...{ factory: { plain: true }, fuse: { plain: true }, relay: { plain: false } },
  ...{ switch: { plain: false }, control: { plain: false }, converter: { plain: false } },
  ...{ box: { plain: false }, flasher: { plain: false }, lamp: { plain: true } },
  ...{
    plug: { plain: true },
    passThrough: { plain: true },
    splice: { plain: true },
    groundBlock: { plain: true },
  },
  ...{ diode: { plain: true } },
} as const satisfies Readonly<Record<string, { readonly plain: boolean }>>;
/** One kind of unit: each has a folder in `unit`. */
export type UnitKind = keyof typeof UNIT_KINDS;

/** Whether a unit is named without its terminals. */
export const isPlain = ({ kind }: Pick<Unit, "kind">): boolean => UNIT_KINDS[kind].plain;

/** What a wire's end wants at a terminal. */
export interface TerminalForm {
  /** What goes on the wire's end. */
  readonly crimp: string;
  /** Whether that is a piece of its own, taken from the shelf. */
  readonly piece: boolean;
  /** Insulation to take off, in mm. */
  readonly stripMm: number;
  /** Whether heat-shrink goes over the joint. */
  readonly shrink: boolean;
  /** Thickest copper that it takes, in mm². */
  readonly mostMm2: number;
  /** Wires that it takes. */
  readonly takes: number;
}

const BARE = { piece: false, shrink: false };
const SHRUNK = { piece: false, shrink: true };
const RING = { piece: true, stripMm: 7, shrink: true };

/**
 * Forms of terminals, by common practice; the thickest wire by the sizes of DIN 46245
 * crimps (m): red 1.5, blue 2.5, yellow 6 mm². Two wires in one crimp are the most that hold.
 */
export const TERMINAL_FORMS = {
  post: { ...RING, crimp: "ring terminal M6", mostMm2: 35, takes: 40 },
  lug: { ...RING, crimp: "ring terminal M6", mostMm2: 16, takes: 8 },
  stud: { ...RING, crimp: "ring terminal M5", mostMm2: 16, takes: 12 },
  block: { ...RING, crimp: "ring terminal M5", mostMm2: 16, takes: 12 },
  blade: {
    ...SHRUNK,
    piece: true,
    crimp: "spade terminal 6.3 mm",
    stripMm: 6,
    mostMm2: 6,
    takes: 2,
  },
  screw: { ...BARE, crimp: "ferrule", stripMm: 8, mostMm2: 10, takes: 2 },
  holder: { ...SHRUNK, crimp: "crimp to holder", stripMm: 8, mostMm2: 6, takes: 2 },
  splice: { ...SHRUNK, crimp: "crimp splice", stripMm: 10, mostMm2: 10, takes: 16 },
  tap: { ...SHRUNK, crimp: "tap splice", stripMm: 10, mostMm2: 6, takes: 16 },
  cavity: { ...BARE, piece: true, crimp: "terminal of the plug", stripMm: 5, mostMm2: 6, takes: 1 },
  /** A plug that is on the wire already: nothing to strip or to crimp. */
  mate: { ...BARE, crimp: "the plug it has", stripMm: 0, mostMm2: 6, takes: 1 },
  /** A lead of a harness that comes made up: it ends bare. */
  lead: { ...SHRUNK, crimp: "crimp splice", stripMm: 10, mostMm2: 6, takes: 16 },
  /** The factory's own plugs on one wire of its loom: as many as it has lamps there. */
  loom: { ...BARE, crimp: "the factory's plug", stripMm: 0, mostMm2: 6, takes: 16 },
  own: { ...BARE, crimp: "as the part has it", stripMm: 6, mostMm2: 16, takes: 2 },
} as const satisfies Readonly<Record<string, TerminalForm>>;
/** How a terminal takes a wire. */
export type TerminalFormName = keyof typeof TERMINAL_FORMS;

/**
 * What a wire's end wants at a terminal: one that comes made up goes with its own plug into the
 * factory's, or into a harness's.
 */
export const endForm = (form: TerminalFormName, madeUp: boolean): TerminalForm =>
  TERMINAL_FORMS[madeUp && (form === "tap" || form === "lead") ? "mate" : form];

/** Where a wire may end. */
export interface Terminal {
  /** As it is marked, DIN 72552 where that has a number: "87", "49a", "in_pos". */
  readonly name: string;
  readonly form: TerminalFormName;
  /** Why it may stay without a wire; "" where it must have one. */
  readonly spare: string;
}

/** Where a unit sits, as the route map can find it. */
export type Site =
  | { readonly kind: "source"; readonly feed: Feed }
  | { readonly kind: "battery" }
  | { readonly kind: "electrics" }
  | { readonly kind: "pin"; readonly pinId: PinId }
  /** A wire that nobody has found yet: it is looked for where the signals come from. */
  | { readonly kind: "unfound" }
  | { readonly kind: "lamp"; readonly lampId: LampId }
  | { readonly kind: "relay"; readonly runId: CircuitId }
  | { readonly kind: "switch"; readonly runId: CircuitId }
  | { readonly kind: "splice"; readonly runId: CircuitId; readonly end: "front" | "rear" | "" }
  | { readonly kind: "supply"; readonly supplyId: SupplyId }
  | { readonly kind: "control"; readonly controlId: KitSwitchId }
  /** At hand of whatever the wire comes from. */
  | { readonly kind: "atHand" };

/** A thing one can hold, with its terminals. */
export interface Unit {
  readonly id: UnitId;
  readonly kind: UnitKind;
  /** What the installer calls it. */
  readonly name: string;
  /** The run, supply or control it belongs to; "" for what the vehicle has. */
  readonly ownerId: CircuitId | "";
  readonly site: Site;
  readonly terminals: readonly Terminal[];
  /** Laid out for this job: a line among the parts. */
  readonly fitted: boolean;
}

/** The node of a unit's terminal: what solver, cut list and sheet all mean by it. */
export const terminalNode = (unit: UnitId, terminal: string): NodeId =>
  asId<NodeId>(`${unit}.${terminal}`);

/** Unit and terminal of a node; the terminal is "" for ground itself. */
export function splitNode(node: NodeId): { readonly unit: UnitId; readonly terminal: string } {
  const dot = node.indexOf(".");
  return dot < 0
    ? { unit: asId<UnitId>(node), terminal: "" }
    : { unit: asId<UnitId>(node.slice(0, dot)), terminal: node.slice(dot + 1) };
}

/** The vehicle's own negative: what voltages are measured against. */
export const GROUND = asId<NodeId>("0");

/** The vehicle's own 12 V battery. */
export const BATTERY = asId<UnitId>("battery");
/** The vehicle's traction pack. */
export const PACK = asId<UnitId>("pack");
/** A lighting coil of the engine, that alternates. */
export const LIGHTING_COIL = asId<UnitId>("lightingCoil");
/** The vehicle's frame. */
export const CHASSIS = asId<UnitId>("chassis");
