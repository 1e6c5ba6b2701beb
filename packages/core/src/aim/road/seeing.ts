import { luxOfAll, type LampInPlace, type Point } from "./lampInPlace.ts";

/**
 * Lux on somebody in grey from which a rider who expects nobody sees them: 3 lx upright, at
 * the height of the knees (common practice among lamp testers; eyes and rain differ).
 */
export const SEEN_LUX = 3;
const KNEE_M = 0.5;
/** Farthest that is looked, and the step, m. */
const FARTHEST_M = 500;
const STEP_M = 0.5;

/** How far ahead somebody in the middle of the road gets so many lux; 0 where nowhere, m. */
export function seeingDistance(lamps: readonly LampInPlace[], lux = SEEN_LUX): number {
  const at = (ahead: number): number => luxOfAll(lamps, { ahead, right: 0, up: KNEE_M }, "upright");
  let last = 0;
  for (let ahead = 1; ahead <= FARTHEST_M; ahead += STEP_M) if (at(ahead) >= lux) last = ahead;
  if (last === 0 || last + STEP_M > FARTHEST_M) return last;
  // Between the last step that is lit enough and the next: to a decimetre.
  let [near, far] = [last, last + STEP_M];
  while (far - near > 0.05) {
    const middle = (near + far) / 2;
    if (at(middle) >= lux) near = middle;
    else far = middle;
  }
  return near;
}

/** From where to where, in m right of the middle, the ground at a distance gets so many lux. */
export function spreadAt(
  lamps: readonly LampInPlace[],
  ahead: number,
  lux = 1,
): readonly [number, number] | null {
  const lit = Array.from({ length: 601 }, (_, i) => -30 + i * 0.1).filter(
    (right) => luxOfAll(lamps, { ahead, right, up: 0.1 }, "upright") >= lux,
  );
  const [first] = lit;
  const last = lit.at(-1);
  return first === undefined || last === undefined ? null : [first, last];
}

/** Share of the light between straight up and straight down that goes above level: spill. */
export function spillShare(lamps: readonly LampInPlace[]): number {
  let [above, all] = [0, 0];
  // Directions over the half sphere ahead, each with its part of it; far away, so that the
  // places of the lamps among each other count nothing.
  const far = 10_000;
  for (let v = -89.5; v < 90; v += 1) {
    for (let h = -89.5; h < 90; h += 1) {
      const [a, b] = [(v * Math.PI) / 180, (h * Math.PI) / 180];
      const point: Point = {
        ahead: far * Math.cos(a) * Math.cos(b),
        right: far * Math.cos(a) * Math.sin(b),
        up: far * Math.sin(a),
      };
      const flux = luxOfAll(lamps, point, "facing") * Math.cos(a);
      all += flux;
      if (v > 0) above += flux;
    }
  }
  return all === 0 ? 0 : above / all;
}

/** How much of what two lamps light at 10 m they light both: 0 nothing, 1 the same. */
export function overlapAt(
  left: readonly LampInPlace[],
  right: readonly LampInPlace[],
  ahead = 10,
): number {
  let [both, either] = [0, 0];
  for (let i = 0; i <= 400; i += 1) {
    const point = { ahead, right: -20 + i * 0.1, up: 0.1 };
    const a = luxOfAll(left, point, "upright");
    const b = luxOfAll(right, point, "upright");
    both += Math.min(a, b);
    either += Math.max(a, b);
  }
  return either === 0 ? 0 : both / either;
}
