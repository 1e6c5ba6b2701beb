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
export const MOST_ANGLES = 721;

/** A direction as seen from the lamp: ahead along its beam, to its right, and up. */
export interface Direction {
  readonly ahead: number;
  readonly right: number;
  readonly up: number;
}

const DEG = 180 / Math.PI;

/** The place of a value between the entries of a rising list, as index and share; null outside. */
function between(list: readonly number[], value: number): readonly [number, number] | null {
  const first = list[0] ?? 0;
  const last = list.at(-1) ?? 0;
  const slack = 1e-9;
  if (value < first - slack || value > last + slack) return null;
  let [low, high] = [0, list.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((list[middle] ?? 0) <= value) low = middle;
    else high = middle;
  }
  const [a = 0, b = a] = [list[low], list[high]];
  return [low, b > a ? Math.min(1, Math.max(0, (value - a) / (b - a))) : 0];
}

/** A horizontal angle where the file has it, by the symmetry that its last angle states. */
function folded({ type, horizontal }: Photometry, angle: number): number {
  const last = horizontal.at(-1) ?? 0;
  const first = horizontal[0] ?? 0;
  if (type !== "C") return first >= 0 ? Math.abs(angle) : angle;
  const round = ((angle % 360) + 360) % 360;
  if (horizontal.length === 1) return first;
  // Mirrored about the plane 90 to 270 where the file begins at 90.
  if (first === 90) return round > 270 ? 540 - round : round < 90 ? 180 - round : round;
  if (last === 90) {
    const half = round > 180 ? 360 - round : round;
    return half > 90 ? 180 - half : half;
  }
  return last === 180 && round > 180 ? 360 - round : round;
}

function anglesOf(type: Photometry["type"], { ahead, right, up }: Direction): [number, number] {
  const length = Math.hypot(ahead, right, up);
  switch (type) {
    case "A":
      return [Math.asin(up / length) * DEG, Math.atan2(right, ahead) * DEG];
    case "B":
      return [Math.atan2(up, ahead) * DEG, Math.asin(right / length) * DEG];
    case "C":
      return [Math.acos(ahead / length) * DEG, Math.atan2(up, right) * DEG];
  }
}

/** Intensity in a direction in cd, between the angles by straight lines; 0 where there are none. */
export function intensity(photometry: Photometry, direction: Direction): number {
  const { vertical, horizontal, candela, type } = photometry;
  const [v, h] = anglesOf(type, direction);
  const row = between(vertical, v);
  const plane = between(horizontal, folded(photometry, h));
  if (!row || !plane) return 0;
  const [i, s] = row;
  const [j, t] = plane;
  const at = (k: number): number => {
    const first = Math.min(k, horizontal.length - 1) * vertical.length;
    const a = candela[first + i] ?? 0;
    const b = i + 1 < vertical.length ? (candela[first + i + 1] ?? a) : a;
    return a + s * (b - a);
  };
  const near = at(j);
  return t === 0 ? near : near + t * (at(j + 1) - near);
}

/**
 * Lumens that leave the lamp: intensity over the whole sphere, by its own angles.
 * A Lambertian source of I0 gives pi times I0.
 */
export function lumensOf(photometry: Photometry): number {
  // Steps fine enough that straight lines between the file's angles are followed.
  const [rings, sectors] = [720, 360];
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
      const direction = { ahead, right: across * Math.cos(turn), up: across * Math.sin(turn) };
      sum += intensity(photometry, direction) * solid;
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
