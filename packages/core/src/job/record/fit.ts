import type { BoundedValue } from "../../quantity/index.ts";
import type {
  BondId,
  FastenerId,
  HoleId,
  LampId,
  LandmarkId,
  PlaceId,
  StepId,
  TemplateId,
} from "../ids.ts";

/** Whether a thing is on, off or back on. */
export const STEP_STATES = ["on", "off", "back"] as const;

/** One thing that comes off the vehicle, and goes back on. */
export interface TeardownStep {
  readonly id: StepId;
  readonly name: string;
  /** What has to be off before it. */
  readonly after: readonly StepId[];
  /** Places of the route map that nobody reaches while it is on. */
  readonly covers: readonly PlaceId[];
  /** Hidden catches, and the way it moves: "slides forward, then up". */
  readonly catches: string;
  /** Heavy: held by one last bolt until somebody has it. */
  readonly hold: boolean;
  /** Painted: covered before a tool comes near. */
  readonly paint: boolean;
  /** What is forgotten on the way back: a spring, a clamp. */
  readonly forget: string;
  readonly estimateMin: number;
  /** Off and back together, in minutes; 0 until it is known. */
  readonly tookMin: number;
  readonly state: (typeof STEP_STATES)[number];
}

/** What a fastener's head takes. */
export const DRIVES = ["hex", "socket", "cross", "slot", "sixLobe", "push", "hand"] as const;
/** What a fastener's head takes. */
export type Drive = (typeof DRIVES)[number];
/** What holds a thread beside its torque. */
export const LOCKERS = ["none", "medium", "strong", "grease"] as const;

/** A point on the sketch of a panel: shares of its width and height, 0–1 from the top left. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Fasteners of one kind that hold one panel. */
export interface Fastener {
  readonly id: FastenerId;
  readonly stepId: StepId;
  readonly drive: Drive;
  /** Thread or diameter as it is written: "M6", "1/4-20", "8 mm". */
  readonly size: string;
  /** Under the head; 0 when nobody measured. */
  readonly lengthMm: number;
  readonly count: number;
  readonly where: string;
  /** The pattern they came out of. */
  readonly spots: readonly Spot[];
  /** Tightening torque in N·m; 0 for "snug and a quarter turn". */
  readonly torqueNm: number;
  readonly locker: (typeof LOCKERS)[number];
  /** Pieces back in. */
  readonly back: number;
}

/** A plug that is parted before a panel lifts. */
export interface TeardownPlug {
  readonly id: string;
  readonly stepId: StepId;
  readonly name: string;
  readonly where: string;
  readonly parted: boolean;
  readonly joined: boolean;
}

/** A picture taken at the lift; its bytes are kept beside the document under the same id. */
export interface Photo {
  readonly id: string;
  /** Step it belongs to; "" for the job as a whole. */
  readonly stepId: StepId | "";
  readonly caption: string;
}

/** What a panel is of. */
export const MATERIALS = ["steel", "aluminium", "plastic", "fibreglass"] as const;
/** What a panel is of. */
export type PanelMaterial = (typeof MATERIALS)[number];

/** A flat piece of the vehicle that is drilled by a paper template. */
export interface Template {
  readonly id: TemplateId;
  readonly name: string;
  /** Which face, and which way up the paper lies. */
  readonly where: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly material: PanelMaterial;
  readonly thicknessMm: number;
  readonly painted: boolean;
}

/** Something on the panel that a rule can be held to: a factory hole, an edge, a seam. */
export interface Landmark {
  readonly id: LandmarkId;
  readonly templateId: TemplateId;
  readonly name: string;
  /** From the panel's top left corner. */
  readonly rightMm: number;
  readonly downMm: number;
}

/** Edges of a panel that holes are placed from. */
export const PANEL_EDGES = ["left", "right", "top", "bottom"] as const;

/** How the middle of a hole is found. */
export type HolePlacing =
  /** On the line between two landmarks, at a share of it (a half for the middle), then down. */
  | {
      readonly kind: "between";
      readonly fromId: LandmarkId;
      readonly toId: LandmarkId;
      readonly share: number;
      readonly downMm: number;
    }
  | {
      readonly kind: "from";
      readonly landmarkId: LandmarkId;
      readonly rightMm: number;
      readonly downMm: number;
    }
  /** So far in from an edge, and so far along it from its top or left end. */
  | {
      readonly kind: "edge";
      readonly edge: (typeof PANEL_EDGES)[number];
      readonly inMm: number;
      readonly alongMm: number;
    }
  /** The other side's hole, about the panel's upright middle line. */
  | { readonly kind: "mirror"; readonly holeId: HoleId };

/** How closely a bolt fits its hole. */
export const BOLT_FITS = ["close", "medium", "free", "shop"] as const;

/** What is cut. */
export type HoleCut =
  | { readonly kind: "round"; readonly diameterMm: number }
  | {
      readonly kind: "bolt";
      readonly size: string;
      readonly fit: (typeof BOLT_FITS)[number];
    }
  | { readonly kind: "tap"; readonly size: string }
  | {
      readonly kind: "rocker";
      readonly widthMm: number;
      readonly heightMm: number;
      readonly cornerMm: number;
    };

/** One hole of a template. */
export interface Hole {
  readonly id: HoleId;
  readonly templateId: TemplateId;
  readonly name: string;
  readonly by: HolePlacing;
  readonly cut: HoleCut;
  /** What is behind, as looked at and felt. */
  readonly behind: string;
  /** A wire goes through: deburr, grommet, leader. */
  readonly forWire: boolean;
}

/** On which side of the vehicle a lamp sits. */
export const MOUNT_SIDES = ["left", "centre", "right"] as const;
/** Which side a bracket is made for. */
export const HANDS = ["any", "left", "right"] as const;

/** Where one lamp sits, by tape measure, and how its bracket holds it. */
export interface Mount {
  readonly id: string;
  readonly lampId: LampId;
  readonly side: (typeof MOUNT_SIDES)[number];
  /** Middle of the lamp from the vehicle's centreline. */
  readonly outM: BoundedValue;
  /** Middle of the lamp above level ground. */
  readonly heightM: BoundedValue;
  /** Behind the vehicle's foremost point. */
  readonly backM: BoundedValue;
  /** The bracket's own hand. */
  readonly hand: (typeof HANDS)[number];
  /** Beam above (+) or below (−) level, as found and as wanted, in degrees. */
  readonly tiltDeg: number;
  readonly wantedTiltDeg: number;
  /** Depth of the bracket's foot, front to back: what a shim lifts. */
  readonly footMm: number;
}

/** Kinds of adhesive. */
export const ADHESIVE_KINDS = ["foamTape", "silicone", "polyurethane", "epoxy", "instant"] as const;

/** Something stuck on: it gets one try. */
export interface Bond {
  readonly id: BondId;
  readonly what: string;
  readonly adhesive: (typeof ADHESIVE_KINDS)[number];
  /** Of the surface, not of the room. */
  readonly surfaceC: number;
  readonly cleaned: boolean;
  readonly dryFitted: boolean;
  readonly marked: boolean;
  /** Moment it was pressed on, ISO 8601 with zone; "" until then. */
  readonly pressedAt: string;
}

/** Something a person looked at and signed for; its id says what. */
export interface Check {
  readonly id: string;
  readonly by: string;
}
