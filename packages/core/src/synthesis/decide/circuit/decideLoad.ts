import type { Job, LightingCircuit } from "../../../job/index.ts";
import { drawOf, loadsOf, mostDrawA } from "../../draw/draw.ts";
import type { CircuitNotes } from "./circuitNotes.ts";
import type { FeedPoint } from "../feedPoint.ts";
import type { CircuitPlan } from "../plan.ts";

/** What hangs on a circuit, and what it draws in A from the feed that was asked for. */
export function decideLoad(
  job: Job,
  run: LightingCircuit,
  feed: FeedPoint,
  { lacks }: CircuitNotes,
): Pick<CircuitPlan, "loads" | "drawA"> {
  const loads = loadsOf(job, run);
  const usual = drawOf(run, loads, feed.volts);
  const drawA = { ...usual, high: Math.max(usual.high, mostDrawA(run, loads, feed.range)) };
  if (loads.length === 0) lacks("noLoads", "nothing is on this circuit yet");
  const driven = loads.find(({ part }) => part.load.kind === "drivenLed");
  if (run.arrangement === "series" && driven) {
    lacks("notInSeries", `${driven.part.name} has a switching driver inside`);
  }
  return { loads, drawA };
}
