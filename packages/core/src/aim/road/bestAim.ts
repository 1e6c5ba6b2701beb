import { glareAt } from "./glare.ts";
import { luxOfAll, type LampInPlace, type Point } from "./lampInPlace.ts";

/** Whom no lamp may blind, and up to which intensity in cd. */
export interface GlareLimit {
  readonly eyes: readonly Point[];
  /** Most intensity of all lamps together towards any of them, cd. */
  readonly cd: number;
}

/** The aim that was found, with the lamps standing so. */
export interface BestAim {
  readonly lamps: readonly LampInPlace[];
  /** What the road gets of it, by the measure below: only for comparison. */
  readonly worth: number;
  readonly glareCd: number;
  /** The eye that holds it down, and what half a degree more would give it; null when none does. */
  readonly held: { readonly eye: Point; readonly cd: number } | null;
}

/** Places on the road that are to be lit: near and far, the middle and both edges, ankle high. */
const WANTED: readonly Point[] = [10, 20, 40, 60, 80, 110].flatMap((ahead) =>
  [-3, 0, 3].map((right) => ({ ahead, right, up: 0.3 })),
);
/** More light on one place than this is worth little more: lux. */
const ENOUGH_LUX = 10;

/** What lamps are worth on the road: lux with falling gains, far places more than near ones. */
export function roadWorth(lamps: readonly LampInPlace[]): number {
  return WANTED.reduce((sum, point) => {
    const lux = luxOfAll(lamps, point, "upright");
    return sum + point.ahead * (1 - Math.exp(-lux / ENOUGH_LUX));
  }, 0);
}

const TILTS = [-25, -20, -16, -13, -11, ...Array.from({ length: 49 }, (_, i) => -10 + i * 0.25)];
const TOES = [0, 0.5, 1, 1.5, 2, 3, 4, 5, 6, 8, 10];
const ROUNDS = 3;

const most = (lamps: readonly LampInPlace[], eyes: readonly Point[]): number =>
  Math.max(0, ...glareAt(lamps, eyes).map(({ cd }) => cd));

/** A lamp's side: both of a pair turn out by as much, one in the middle stays straight. */
const outward = (lamp: LampInPlace): number => Math.sign(Math.round(lamp.at.right * 100));

/**
 * The tilts and toes that give the road most while no eye gets more than the limit. Lamps of
 * one photometry move together, a pair in mirror image; each group in turn over a coarse grid,
 * until none moves. Null where even the lowest tilt blinds: then the lamp is the wrong one.
 */
export function bestAim(lamps: readonly LampInPlace[], limit: GlareLimit): BestAim | null {
  const groups = [...new Set(lamps.map((lamp) => lamp.photometry))];
  const lowest = TILTS[0] ?? 0;
  let best = lamps.map((lamp) => ({ ...lamp, tiltDeg: lowest, toeDeg: 0 }));
  if (most(best, limit.eyes) > limit.cd) return null;
  let worth = roadWorth(best);
  for (let round = 0; round < ROUNDS; round += 1) {
    let moved = false;
    for (const group of groups) {
      const paired = best.some((lamp) => lamp.photometry === group && outward(lamp) !== 0);
      for (const toe of paired ? TOES : [0]) {
        for (const tiltDeg of TILTS) {
          const tried = best.map((lamp) =>
            lamp.photometry === group ? { ...lamp, tiltDeg, toeDeg: toe * outward(lamp) } : lamp,
          );
          const gives = roadWorth(tried);
          if (gives <= worth + 1e-9 || most(tried, limit.eyes) > limit.cd) continue;
          [best, worth, moved] = [tried, gives, true];
        }
      }
    }
    if (!moved) break;
  }
  const higher = best.map((lamp) => ({ ...lamp, tiltDeg: lamp.tiltDeg + 0.5 }));
  const [worst] = glareAt(higher, limit.eyes).sort((a, b) => b.cd - a.cd);
  return {
    lamps: best,
    worth,
    glareCd: most(best, limit.eyes),
    held: worst && worst.cd > limit.cd ? { eye: worst.eye, cd: worst.cd } : null,
  };
}
