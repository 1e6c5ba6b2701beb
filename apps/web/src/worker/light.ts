import { contours } from "d3-contour";
import {
  SEEN_LUX,
  atWall,
  bestAim,
  factoryLights,
  litTogether,
  glareAt,
  lampsOf,
  luxOfAll,
  luxOn,
  noseRiseDeg,
  oncomingEyes,
  overlapAt,
  seeingDistance,
  spillShare,
  spreadAt,
  staysWhenDipped,
  type FactoryLight,
  type Glare,
  type LampInPlace,
  type TogetherNote,
  type Job,
  type Mount,
  type Photometry,
  type PlacedLamp,
  type Plane,
  type CircuitId,
} from "@dragonet/core";

/** A lamp turned on the page but not yet in the job. */
export interface Turned {
  readonly tiltDeg: number;
  readonly toeDeg: number;
}

export interface LightRequest {
  /** Lamps that are lit, by their mounts. */
  readonly lit: readonly string[];
  readonly turned: Readonly<Record<string, Turned>>;
  /** While something is dragged: fewer points, and nothing but the pictures. */
  readonly coarse: boolean;
}

/** All that has at least so many lux: rings of points, m, right of the middle and along. */
export interface Isolux {
  readonly lux: number;
  readonly areas: readonly (readonly (readonly (readonly [number, number])[])[])[];
}

export interface ShownLight {
  readonly road: readonly Isolux[];
  readonly wall: readonly Isolux[];
  readonly figures: LightFigures | null;
}

export interface LightFigures {
  readonly seenLux: number;
  readonly seeingM: number;
  readonly spread: readonly [number, number] | null;
  readonly spillShare: number;
  /** How much of what the left side and the right side light they light both; null on one side. */
  readonly overlap: number | null;
  /** Of the lamps that stay lit when the high beam is dipped. */
  readonly glare: readonly Glare[];
  readonly dipped: number;
  readonly darkLux: number | null;
}

export interface LampChoice {
  readonly id: string;
  readonly label: string;
  readonly share: number;
  /** The circuit it is on; "" for a lamp that the vehicle came with. */
  readonly runId: CircuitId | "";
  readonly source: Photometry["source"];
}

export interface LightOf {
  readonly lamps: readonly LampChoice[];
  readonly without: readonly string[];
  /** Lamps that shine back. */
  readonly behind: readonly string[];
  /** What is not as the place asks of lamps that are lit at once. */
  readonly together: readonly TogetherNote[];
}

const ROAD = { right: [-15, 15], along: [2, 122], atM: 0.1 } as const;
const ROAD_LUX = [0.3, 1, 3, 10, 30, 100];
/** On the wall it is the spot and its edge that are looked for: shares of the brightest. */
const WALL_SHARES = [0.05, 0.1, 0.25, 0.5, 0.75, 0.9];

let kept: { readonly key: string; readonly found: ReturnType<typeof lampsOf> } | null = null;

/** The lamps of a job: solved once, however often they are turned on the page. */
function lampsKept(job: Job): ReturnType<typeof lampsOf> {
  const key = JSON.stringify({ ...job, card: null, readings: [], photos: [], strip: [] });
  if (kept?.key !== key) kept = { key, found: lampsOf(job) };
  return kept.found;
}

function linesOf(plane: Plane, lux: Float32Array, levels: readonly number[]): Isolux[] {
  const make = contours().size([plane.columns, plane.rows]);
  const scale = ([low, high]: readonly [number, number], share: number): number =>
    low + share * (high - low);
  // Of a grid, d3 has the points in the middle of its cells.
  const place = ([x = 0, y = 0]: readonly number[]): [number, number] => [
    scale(plane.right, (x - 0.5) / (plane.columns - 1)),
    scale(plane.along, (y - 0.5) / (plane.rows - 1)),
  ];
  // Lux fall with the square: lines are drawn where their logarithm crosses, as it falls evenly.
  const logs = Array.from(lux, (value) => Math.log10(Math.max(value, 1e-4)));
  return levels.map((level) => ({
    lux: level,
    areas: make
      .contour(logs, Math.log10(level))
      .coordinates.map((area) => area.map((ring) => ring.map(place))),
  }));
}

const turn = <L extends LampInPlace>(lamps: readonly L[], { lit, turned }: LightRequest): L[] =>
  lamps
    .filter((lamp) => lit.includes(lamp.id))
    .map((lamp) => ({ ...lamp, ...(turned[lamp.id] ?? {}) }));

/** Whether a lamp stays lit when the high beam is dipped: the vehicle's own by what it is for. */
const staysLit = (lamp: PlacedLamp | FactoryLight, stays: ReadonlySet<CircuitId>): boolean =>
  "runId" in lamp ? stays.has(lamp.runId) : lamp.beam !== "driving";

function figuresOf(job: Job, lamps: readonly (PlacedLamp | FactoryLight)[]): LightFigures {
  const stays = staysWhenDipped(job);
  const dipped = lamps.filter((lamp) => staysLit(lamp, stays));
  const { darkPlace, keeps } = job.aiming;
  const left = lamps.filter((lamp) => lamp.at.right < 0);
  const right = lamps.filter((lamp) => lamp.at.right > 0);
  return {
    seenLux: SEEN_LUX,
    seeingM: seeingDistance(lamps),
    spread: spreadAt(lamps, 10),
    spillShare: spillShare(lamps),
    overlap: left.length > 0 && right.length > 0 ? overlapAt(left, right) : null,
    glare: glareAt(dipped, oncomingEyes(keeps)),
    dipped: dipped.length,
    darkLux:
      darkPlace &&
      luxOfAll(
        lamps,
        { ahead: darkPlace.aheadM, right: darkPlace.rightM, up: darkPlace.upM },
        "facing",
      ),
  };
}

/** Which lamps there are to be lit. */
export function lightOf(job: Job): LightOf {
  const { lamps, without, behind } = lampsKept(job);
  const label = new Map(job.lamps.map((lamp) => [lamp.id, lamp.label]));
  const labels = (mounts: readonly Mount[]): string[] =>
    mounts.map((mount) => label.get(mount.lampId) ?? mount.lampId);
  return {
    lamps: [
      ...lamps.map(({ id, label: name, share, runId, photometry }) => ({
        ...{ id, label: name, share, runId, source: photometry.source },
      })),
      ...factoryLights(job).map(({ id, label: name, share, photometry }) => ({
        ...{ id, label: name, share, runId: "" as const, source: photometry.source },
      })),
    ],
    together: litTogether(job, lamps),
    without: labels(without),
    behind: labels(behind),
  };
}

/** Pictures of the light on road and wall, and what it comes to. */
export function lightPictures(job: Job, request: LightRequest): ShownLight {
  const lamps = [...turn(lampsKept(job).lamps, request), ...turn(factoryLights(job), request)];
  const finer = request.coarse ? 1 : 4;
  const road: Plane = { kind: "road", ...ROAD, columns: 100 * finer, rows: 125 * finer };
  const wall: Plane = {
    ...{ kind: "wall", right: [-3, 3], along: [0, 2.6], atM: job.aiming.distanceM },
    ...{ columns: 60 * finer, rows: 40 * finer },
  };
  const rise = noseRiseDeg(job.aiming);
  const onWall = luxOn(
    wall,
    lamps.map((lamp) => atWall(lamp, rise)),
  );
  const brightest = onWall.reduce((most, lux) => Math.max(most, lux), 0);
  return {
    road: linesOf(road, luxOn(road, lamps), ROAD_LUX),
    wall: linesOf(
      wall,
      onWall,
      brightest > 0 ? WALL_SHARES.map((share) => Number((share * brightest).toPrecision(2))) : [],
    ),
    figures: request.coarse ? null : figuresOf(job, lamps),
  };
}

export type ProposedAim =
  | {
      readonly kind: "found";
      readonly turned: Readonly<Record<string, Turned>>;
      readonly seeingM: number;
      readonly glareCd: number;
      readonly heldAtM: number | null;
    }
  /** Even the lowest aim blinds. */
  | { readonly kind: "blinds" }
  /** All that is lit goes out with the high beam: there is nobody to hold it down for. */
  | { readonly kind: "nothingStays" };

/** The best aim of the lit lamps that stay lit when the high beam is dipped. */
export function proposeAim(job: Job, request: LightRequest): ProposedAim {
  const stays = staysWhenDipped(job);
  const lamps = turn(lampsKept(job).lamps, request);
  const counted = lamps.filter((lamp) => stays.has(lamp.runId));
  const limit = { eyes: oncomingEyes(job.aiming.keeps), cd: job.aiming.glareCd };
  if (counted.length === 0) return { kind: "nothingStays" };
  const best = bestAim(counted, limit);
  if (!best) return { kind: "blinds" };
  const turned = Object.fromEntries(
    best.lamps.map(({ id, tiltDeg, toeDeg }) => [id, { tiltDeg, toeDeg }]),
  );
  return {
    kind: "found",
    turned,
    seeingM: seeingDistance(best.lamps),
    glareCd: best.glareCd,
    heldAtM: best.held?.eye.ahead ?? null,
  };
}
