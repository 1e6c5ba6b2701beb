import type { Job } from "../job/index.ts";
import {
  lambingQuad,
  marshalMotorcycle,
  cricketMower,
  deliveryTrike,
  touringBox,
  hornQuad,
  wallQuad,
  handedOverMotorcycle,
} from "./job/engineJobs.ts";
import { make } from "./job/fitMaker.ts";
import { from, when } from "./job/jobMaker.ts";
import { shuttleCart, pathLights, trialsBike, stretcherBuggy } from "./job/packJobs.ts";
import { newJobs } from "./job/newJobs.ts";
import { plugJobs } from "./job/plugJobs.ts";
import { FELLRUNNER, LITTER } from "./vehicles.ts";
import { wronglyWired } from "./job/wrongJobs.ts";

/** The demo shop's jobs, one or more at each stage. */
export const demoJobs = (): readonly Job[] => [
  lambingQuad(),
  marshalMotorcycle(),
  hornQuad(),
  cricketMower(),
  deliveryTrike(),
  touringBox(),
  wallQuad(),
  shuttleCart(),
  pathLights(),
  trialsBike(),
  stretcherBuggy(),
  handedOverMotorcycle(),
  ...newJobs(),
  ...plugJobs(),
  ...wronglyWired(),
];

/** A job with many runs, for benchmarks and limits: `count` pod pairs on the quad. */
export function manyCircuitJob(count: number): Job {
  const maker = make(`${count} runs`, "bench", FELLRUNNER, "");
  for (let i = 1; i <= count; i += 1) {
    maker.run(`run-${i}`, `Run ${i}`, i % 2 ? "front" : "rear", when("switch", "key"), [
      ["pod-18", 2, "front"],
    ]);
  }
  return maker.job;
}

/** Runs that share one fuse block, so that none can be proven apart: for benchmarks. */
export function sharedJob(count: number): Job {
  const maker = make(`${count} runs on one block`, "bench", LITTER, "").supply(
    "block",
    "Fuse block",
    "fuse-block-6",
  );
  for (let i = 1; i <= count; i += 1) {
    maker.run(`run-${i}`, `Run ${i}`, "front", when("switch"), [["turn-led", 1, "front"]], {
      feed: from("block"),
    });
  }
  return maker.job;
}
