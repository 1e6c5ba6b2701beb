import { DRILLS, type Drill, type DrillKind, type DrillWorld, type MakeDrill } from "./drill.ts";
import { goodGround } from "./drills/goodGround.ts";
import { readMeter } from "./drills/readMeter.ts";
import { relayTerminal } from "./drills/relayTerminal.ts";
import { whichFlasher } from "./drills/whichFlasher.ts";
import { whichFuse } from "./drills/whichFuse.ts";
import { pickByWeight } from "./chance.ts";
import { wantOf, type TopicProgress } from "./progress.ts";

const MAKERS: Readonly<Record<DrillKind, MakeDrill>> = {
  relayTerminal,
  whichFuse,
  whichFlasher,
  goodGround,
  readMeter,
};

/** Chance may pick a place where nothing can be asked: it is asked so often. */
const TRIES = 8;

/**
 * The next question: of the kind that this person mixes up most and is due, made from the job
 * at hand. Null where the job gives no question at all.
 */
export function makeDrill(
  world: DrillWorld,
  progress: readonly TopicProgress[],
  now: Date,
): Drill | null {
  const left: DrillKind[] = [...DRILLS];
  while (left.length > 0) {
    const kind = pickByWeight(left, (k) => wantOf(k, progress, now), world.chance);
    if (kind === null) return null;
    for (let i = 0; i < TRIES; i += 1) {
      const drill = MAKERS[kind](world);
      if (drill) return drill;
    }
    left.splice(left.indexOf(kind), 1);
  }
  return null;
}
