/**
 * What places ask of signal and position lamps on small vehicles, as data. Advisory all of
 * it: values from memory of the regulations named; the local inspector has the last word.
 */
export const LAMP_KINDS = ["turn", "stop", "rearPosition"] as const;
/** What a lamp is to a regulation. */
export type LampKind = (typeof LAMP_KINDS)[number];

/** Where lamps of one kind may sit, in m. */
export interface LampKindRules {
  readonly kind: LampKind;
  /** Lowest and highest place above the ground. */
  readonly heightM: readonly [number, number];
  /** Least distance between left and right; null where nothing is asked. */
  readonly apartFrontM: number | null;
  readonly apartRearM: number | null;
  /** Most distance from the outer edge, on vehicles with wheels side by side. */
  readonly edgeM: number | null;
}

/** What a place asks of lamps, from the regulation that it names. */
export interface PlaceRules {
  readonly id: string;
  readonly name: string;
  readonly source: string;
  /** Flashes a minute a turn lamp must keep, and the share of light; null where nothing is asked. */
  readonly flash: {
    readonly leastPerMin: number;
    readonly mostPerMin: number;
    readonly leastOn: number;
    readonly mostOn: number;
  } | null;
  /** A stop lamp that flashes: allowed, refused, or left to the state. */
  readonly brakeFlash: "allowed" | "refused" | "ask";
  /** Fewest and most of each kind of lamp on the whole vehicle, factory ones included. */
  readonly rearPosition: readonly [number, number] | null;
  readonly stop: readonly [number, number] | null;
  readonly turnRear: readonly [number, number] | null;
  /** Colours that turn lamps may have; null where nothing is asked. */
  readonly turnFrontColours: readonly string[] | null;
  readonly turnRearColours: readonly string[] | null;
  /** Whether anything red may shine to the front, and whether lamps other than turn signals may flash. */
  readonly redFront: boolean;
  readonly othersFlash: boolean;
  /** A tell-tale for turn and high beam before the rider. */
  readonly tellTale: boolean;
  /** Where lamps may sit. */
  readonly lamps: readonly LampKindRules[];
}

/** Every place whose rules are known, from memory of the regulation named. */
export const PLACES: readonly PlaceRules[] = [
  {
    id: "un",
    name: "UN regulations",
    source: "UN R53, R48, R6 and R50 (from memory)",
    flash: { leastPerMin: 60, mostPerMin: 120, leastOn: 0.3, mostOn: 0.75 },
    brakeFlash: "refused",
    rearPosition: [1, 2],
    stop: [1, 2],
    turnRear: [2, 2],
    turnFrontColours: ["amber"],
    turnRearColours: ["amber"],
    redFront: false,
    othersFlash: false,
    tellTale: true,
    lamps: [
      {
        kind: "turn",
        heightM: [0.35, 1.2],
        apartFrontM: 0.24,
        apartRearM: 0.18,
        edgeM: 0.4,
      },
      { kind: "stop", heightM: [0.25, 1.5], apartFrontM: null, apartRearM: null, edgeM: null },
      {
        kind: "rearPosition",
        heightM: [0.25, 1.5],
        apartFrontM: null,
        apartRearM: null,
        edgeM: 0.4,
      },
    ],
  },
  {
    id: "us",
    name: "US federal",
    source: "49 CFR 571.108 and SAE J590 (from memory)",
    flash: { leastPerMin: 60, mostPerMin: 120, leastOn: 0.3, mostOn: 0.75 },
    brakeFlash: "ask",
    rearPosition: [1, 4],
    stop: [1, 4],
    turnRear: [2, 4],
    turnFrontColours: ["amber"],
    turnRearColours: ["amber", "red"],
    redFront: false,
    othersFlash: false,
    tellTale: true,
    // Heights of 20 to 83 in and 15 to 72 in; turn lamps 16 in apart in front, 9 in behind.
    lamps: [
      {
        kind: "turn",
        heightM: [0.508, 2.108],
        apartFrontM: 0.4064,
        apartRearM: 0.2286,
        edgeM: null,
      },
      { kind: "stop", heightM: [0.381, 1.829], apartFrontM: null, apartRearM: null, edgeM: null },
      {
        kind: "rearPosition",
        heightM: [0.381, 1.829],
        apartFrontM: null,
        apartRearM: null,
        edgeM: null,
      },
    ],
  },
  {
    id: "off-road",
    name: "Off the road only",
    source: "common practice: the landowner, the event and the vehicle's maker decide",
    flash: null,
    brakeFlash: "allowed",
    rearPosition: null,
    stop: null,
    turnRear: null,
    turnFrontColours: null,
    turnRearColours: null,
    redFront: true,
    othersFlash: true,
    tellTale: false,
    lamps: [],
  },
];

/** The rules of a place by its id; null for one that is not known. */
export const placeOf = (id: string): PlaceRules | null => PLACES.find((p) => p.id === id) ?? null;
