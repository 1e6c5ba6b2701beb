import {
  bestAim,
  lampsOf,
  luxOn,
  oncomingEyes,
  type LampInPlace,
  type Plane,
} from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";

/** 200,000 points of road. */
const ROAD: Plane = {
  ...{ kind: "road", right: [-15, 15], along: [2, 122], atM: 0.1 },
  ...{ columns: 400, rows: 500 },
};

const median = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;

/** A photometry that nothing is kept of yet. */
const fresh = (lamp: LampInPlace): LampInPlace => ({
  ...lamp,
  photometry: { ...lamp.photometry },
});

/** Light on the road: all of it for the first time, one lamp moved, and the best aim of four. */
export function benchLight() {
  const jobs = demoJobs();
  const { lamps } = lampsOf(jobs.find((job) => job.mounts.length === 3 && job.aims.length === 3)!);
  const timed = (times: number, work: () => void): number =>
    median(
      Array.from({ length: times }, () => {
        const began = performance.now();
        work();
        return performance.now() - began;
      }),
    );
  const [first] = lamps;
  return {
    firstMs: timed(9, () => luxOn(ROAD, lamps.map(fresh))),
    movedMs: timed(41, () => luxOn(ROAD, first ? [{ ...first, tiltDeg: -1 }] : [])),
    bestMs: timed(3, () => {
      const four = [...lamps, { ...lamps[1]!, id: "fourth" }];
      bestAim(four, { eyes: oncomingEyes("right"), cd: 6000 });
    }),
  };
}
