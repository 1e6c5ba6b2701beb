import { MOST_ANGLES, MOST_CANDELA, rises, type Photometry } from "./photometry.ts";

/** Upright angles that a file of each kind begins and ends at. */
const UPRIGHT: Readonly<Record<Photometry["type"], readonly (readonly [number, number])[]>> = {
  A: [
    [-90, 90],
    [0, 90],
  ],
  B: [
    [-90, 90],
    [0, 90],
  ],
  C: [
    [0, 90],
    [90, 180],
    [0, 180],
  ],
};

/** Level angles likewise: what they end at states the symmetry. */
const LEVEL: Readonly<Record<Photometry["type"], readonly (readonly [number, number])[]>> = {
  A: [
    [-90, 90],
    [0, 90],
  ],
  B: [
    [-90, 90],
    [0, 90],
  ],
  C: [
    [0, 0],
    [0, 90],
    [0, 180],
    [90, 270],
    [0, 360],
  ],
};

const spans = (list: readonly (readonly [number, number])[]): string =>
  list.map(([a, b]) => (a === b ? `${a} alone` : `${a} to ${b}`)).join(", ");

const isSpan = (angles: readonly number[], list: readonly (readonly [number, number])[]): boolean =>
  list.some(([a, b]) => angles[0] === a && angles.at(-1) === b && (a !== b || angles.length === 1));

/**
 * Why angles are no angles of a kind of photometry; null where they are (IES LM-63-2002,
 * from memory). Vehicle lamps measured over less than a quarter turn are taken for A and B.
 */
export function upAngleFault(type: Photometry["type"], angles: readonly number[]): string | null {
  if (!rises(angles)) return "vertical angles must rise";
  const narrow = type !== "C" && (angles[0] ?? 0) >= -90 && (angles.at(-1) ?? 0) <= 90;
  if (narrow || isSpan(angles, UPRIGHT[type])) return null;
  return `vertical angles of type ${type} span ${spans(UPRIGHT[type])}, not ${angles[0]} to ${angles.at(-1)}`;
}

/** As {@link upAngleFault}, for the horizontal angles. */
export function levelAngleFault(
  type: Photometry["type"],
  angles: readonly number[],
): string | null {
  if (!rises(angles)) return "horizontal angles must rise";
  const [first = 0] = angles;
  const last = angles.at(-1) ?? 0;
  const narrow =
    type !== "C" && last <= 90 && last > 0 && (first === 0 || Math.abs(first + last) < 1e-6);
  if (narrow || isSpan(angles, LEVEL[type])) return null;
  return `horizontal angles of type ${type} span ${spans(LEVEL[type])}, not ${first} to ${last}`;
}

const areNumbers = (value: unknown, least: number): value is number[] =>
  Array.isArray(value) && value.every((n) => typeof n === "number" && n >= least);

/** Whether something read from elsewhere has the shape of a photometry. */
export function isPhotometry(value: unknown): value is Photometry {
  if (typeof value !== "object" || value === null) return false;
  const p = value as Record<string, unknown>;
  return (
    ["name", "by"].every((field) => typeof p[field] === "string") &&
    ["file", "fiveReadings", "invented"].includes(String(p.source)) &&
    ["A", "B", "C"].includes(String(p.type)) &&
    areNumbers(p.vertical, -360) &&
    areNumbers(p.horizontal, -360) &&
    areNumbers(p.candela, 0) &&
    typeof p.watts === "number" &&
    (p.lampLumens === null || typeof p.lampLumens === "number")
  );
}

/** What is amiss with a photometry as a whole, with its place; null where nothing is. */
export function photometryFault(p: Photometry): { path: string; message: string } | null {
  const { type, vertical, horizontal, candela } = p;
  for (const [path, list] of Object.entries({ vertical, horizontal })) {
    if (list.length < 1 || list.length > MOST_ANGLES) {
      return { path, message: `${list.length} angles: 1 to ${MOST_ANGLES}` };
    }
  }
  const up = upAngleFault(type, vertical);
  if (up !== null) return { path: "vertical", message: up };
  const level = levelAngleFault(type, horizontal);
  if (level !== null) return { path: "horizontal", message: level };
  const count = vertical.length * horizontal.length;
  if (count > MOST_CANDELA)
    return { path: "candela", message: `${count}: ${MOST_CANDELA} at most` };
  if (candela.length !== count) {
    return { path: "candela", message: `${candela.length} where the angles ask for ${count}` };
  }
  return null;
}
