/** What a lamp sends where. Angles in degrees, intensities in cd. */
export interface Photometry {
  readonly name: string;
  /** Who measured it, or what the file says of itself; "" where nobody is named. */
  readonly by: string;
  readonly source: "file" | "fiveReadings" | "invented";
  /**
   * How the angles turn. C: vertical from the beam's axis (0), horizontal around it, 0 to the
   * right and 90 up, as seen from behind the lamp. B: vertical turns about the level axis across
   * the vehicle, horizontal is measured from there. A: horizontal turns about the upright axis,
   * vertical is measured up from there. (IES LM-63; the sense of C on a vehicle is this
   * program's own: a file of a street lantern points down, a lamp of a vehicle ahead.)
   */
  readonly type: "A" | "B" | "C";
  readonly vertical: readonly number[];
  readonly horizontal: readonly number[];
  /** cd, plane after plane: by horizontal angle, in each by vertical angle. */
  readonly candela: readonly number[];
  /** Lumens of the light source that the file states; null for absolute photometry. */
  readonly lampLumens: number | null;
  readonly watts: number;
}

/** Largest file and most intensities that are read; a lamp's file has some thousand. */
export const MOST_CANDELA = 65_000;
/** Most angles that a photometry has in one direction. */
export const MOST_ANGLES = 721;

/** A direction as seen from the lamp: ahead along its beam, to its right, and up. */
export interface Direction {
  readonly ahead: number;
  readonly right: number;
  readonly up: number;
}

const DEG = 180 / Math.PI;

/** Index of the entry at or before a value of a rising list that holds it. */
function entryBefore(list: Float64Array, value: number): number {
  let low = 0;
  let high = list.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((list[middle] as number) <= value) low = middle;
    else high = middle;
  }
  return low;
}

/** A horizontal angle where the file has it, by the symmetry that its first and last angle state. */
function folded(type: Photometry["type"], first: number, last: number, angle: number): number {
  if (type !== "C") return first >= 0 ? Math.abs(angle) : angle;
  if (first === last) return first;
  const round = angle < 0 ? angle + 360 : angle;
  // Mirrored about the plane 90 to 270 where the file begins at 90.
  if (first === 90) return round > 270 ? 540 - round : round < 90 ? 180 - round : round;
  if (last === 90) {
    const half = round > 180 ? 360 - round : round;
    return half > 90 ? 180 - half : half;
  }
  return last === 180 && round > 180 ? 360 - round : round;
}

const SLACK = 1e-9;

/** Intensity by direction, cd: a photometry made ready to be asked very often. */
export type Sampler = (ahead: number, right: number, up: number) => number;

function makeSampler({ type, vertical, horizontal, candela }: Photometry): Sampler {
  const ups = Float64Array.from(vertical);
  const sides = Float64Array.from(horizontal);
  const cd = Float64Array.from(candela);
  const [upFirst, upLast] = [ups[0] as number, ups[ups.length - 1] as number];
  const [first, last] = [sides[0] as number, sides[sides.length - 1] as number];
  const rows = ups.length;
  return (ahead, right, up) => {
    // Asked a million times a picture: `Math.hypot` guards against lengths that no direction has, at ten times the price.
    const length = Math.sqrt(ahead * ahead + right * right + up * up);
    let v: number;
    let h: number;
    if (type === "A") {
      v = Math.asin(up / length) * DEG;
      h = Math.atan2(right, ahead) * DEG;
    } else if (type === "B") {
      v = Math.atan2(up, ahead) * DEG;
      h = Math.asin(right / length) * DEG;
    } else {
      v = Math.acos(ahead / length) * DEG;
      h = Math.atan2(up, right) * DEG;
    }
    h = folded(type, first, last, h);
    if (v < upFirst - SLACK || v > upLast + SLACK || h < first - SLACK || h > last + SLACK)
      return 0;
    const i = entryBefore(ups, v);
    const j = entryBefore(sides, h);
    const i2 = Math.min(i + 1, rows - 1);
    const j2 = Math.min(j + 1, sides.length - 1);
    const [upA, upB] = [ups[i] as number, ups[i2] as number];
    const [sideA, sideB] = [sides[j] as number, sides[j2] as number];
    const s = upB > upA ? Math.min(1, Math.max(0, (v - upA) / (upB - upA))) : 0;
    const t = sideB > sideA ? Math.min(1, Math.max(0, (h - sideA) / (sideB - sideA))) : 0;
    const near = (1 - s) * (cd[j * rows + i] as number) + s * (cd[j * rows + i2] as number);
    const far = (1 - s) * (cd[j2 * rows + i] as number) + s * (cd[j2 * rows + i2] as number);
    return (1 - t) * near + t * far;
  };
}

const samplers = new WeakMap<Photometry, Sampler>();

/** The sampler of a photometry, made once. */
export function samplerOf(photometry: Photometry): Sampler {
  const made = samplers.get(photometry) ?? makeSampler(photometry);
  samplers.set(photometry, made);
  return made;
}

/** Intensity in a direction in cd, between the angles by straight lines; 0 where there are none. */
export const intensity = (photometry: Photometry, { ahead, right, up }: Direction): number =>
  samplerOf(photometry)(ahead, right, up);

/**
 * Lumens that leave the lamp: intensity over the whole sphere, by its own angles.
 * A Lambertian source of I0 gives pi times I0.
 */
export function lumensOf(photometry: Photometry): number {
  // Steps fine enough that straight lines between the file's angles are followed.
  const [rings, sectors] = [360, 180];
  const sample = samplerOf(photometry);
  let sum = 0;
  for (let i = 0; i < rings; i += 1) {
    const from = (i * Math.PI) / rings;
    const to = ((i + 1) * Math.PI) / rings;
    const middle = (from + to) / 2;
    const solid = (Math.cos(from) - Math.cos(to)) * ((2 * Math.PI) / sectors);
    const across = Math.sin(middle);
    const ahead = Math.cos(middle);
    for (let j = 0; j < sectors; j += 1) {
      const turn = ((j + 0.5) * 2 * Math.PI) / sectors;
      sum += sample(ahead, across * Math.cos(turn), across * Math.sin(turn)) * solid;
    }
  }
  return sum;
}

/** The brightest that it has, cd. */
export const peakCd = ({ candela }: Photometry): number =>
  candela.reduce((most, cd) => Math.max(most, cd), 0);

/** Whether a list rises all the way. */
export const rises = (list: readonly number[]): boolean =>
  list.every((value, i) => i === 0 || value > (list[i - 1] ?? 0));
