import { when } from "../src/demo/job/jobMaker.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import type { WiringDeviation, Job } from "../src/index.ts";
import { demoJobs, FELLRUNNER } from "../src/demo/index.ts";

/** A job of the shop by what is in it, so that no test hangs on what somebody called it. */
export function jobThat(has: (job: Job) => boolean): Job {
  const found = demoJobs().find(has);
  if (!found) throw new Error(`no job of the demo has ${String(has)}`);
  return found;
}

const onPack = (job: Job): boolean => job.vehicle.system.kind === "pack";

/** On a motorcycle, with a ledger, drilled panels and lamps in one housing. */
export const withLedger = (): Job => jobThat((job) => job.strip.length > 0 && !onPack(job));

/** A cart whose kit is wired wire by wire: converter, flasher, controls, and a ledger. */
export const kitByHand = (): Job => jobThat((job) => job.strip.length > 0 && onPack(job));

/** A cart whose kit came out of its box with its harnesses. */
export const kitUnboxed = (): Job => jobThat((job) => job.harnesses.length > 0);

/** Scene lights on a hub, on a vehicle with a pack and a battery. */
export const onHub = (): Job =>
  jobThat(
    (job) =>
      job.vehicle.system.kind === "packAndBattery" &&
      job.supplies.length > 0 &&
      job.runs.length > 4,
  );

/** A motorcycle with pods in front, turn lamps, and a brake lamp that flashes. */
export const flashingBrake = (): Job => jobThat((job) => job.options.length > 0);

/** A bar and two pods in front of a quad, in place and aimed. */
export const barAndPods = (): Job =>
  jobThat(
    (job) => job.aims.length > 2 && job.runs.some((run) => run.id === "pods") && !onPack(job),
  );

/** Strips by the metre on a tail box. */
export const metreStrips = (): Job =>
  jobThat(
    (job) =>
      job.lamps.length > 2 &&
      job.parts.some((p) => p.kind === "load" && p.load.kind === "ledStrip"),
  );

/** Wired otherwise than planned, by what was done. */
export const wiredWrong = (kind: WiringDeviation["kind"]): Job =>
  jobThat((job) => job.deviations.some((d) => d.kind === kind));

/** Two pods by a relay on the battery, with a wire home: the circuit that most mistakes of the bench are made on. */
export const podsOnRelay = (): Job =>
  make("relay", "", FELLRUNNER, "").run(
    "pods",
    "Pods",
    "front",
    when("switch", "key"),
    [["pod-18", 2, "front"]],
    { relay: "yes", return: "wire" },
  ).job;
