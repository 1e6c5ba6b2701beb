import type { LightColour } from "../../part/index.ts";
import type { FactoryLamp } from "../../vehicle/index.ts";
import type { Job } from "../job.ts";
import type { Lamp } from "../record/wiring.ts";

/** Colour that a lamp shines in; "none" for a load that is no lamp. */
export function lampColour(job: Job, lamp: Lamp): LightColour {
  const part = job.parts.find((p) => p.id === lamp.partId);
  if (part?.kind !== "load" || part.family !== "lamp") return "none";
  return part.lights.find((light) => light.name === lamp.light)?.light ?? part.light;
}

/**
 * What a lamp is for, by what turns it on, where it sits and its colour: the one answer for rule
 * books, for what stays when something fails, and for what the factory had of it. null for a
 * lamp that nobody has to see or see by, and for what is no lamp.
 */
export function lampWork(job: Job, lamp: Lamp): FactoryLamp | null {
  const run = job.runs.find((r) => r.id === lamp.runId);
  const colour = lampColour(job, lamp);
  if (!run || colour === "none" || lamp.place === "inside") return null;
  const on = new Set(run.condition.anyOf.flat().flatMap((t) => (t.negated ? [] : [t.input])));
  const front = lamp.place === "front";
  if (on.has("left") || on.has("right")) return front ? "turnFront" : "turnRear";
  if (on.has("hazard") || on.has("horn") || on.has("reverse")) return null;
  if (front) return colour === "red" || colour === "amber" ? null : "headlight";
  if (on.has("brake") || on.has("lever") || on.has("pedal")) return "stop";
  return colour === "red" || on.has("park") ? "rearPosition" : null;
}

/**
 * Lamps of the factory's that the job does not speak of: neither replaced nor behind one of its
 * modules. null where nobody has counted them.
 */
export function factoryLampsLeft(job: Job, work: FactoryLamp): number | null {
  const had = job.vehicle.factoryLamps[work];
  if (had === null) return null;
  const told = job.lamps.filter(
    (lamp) => (lamp.replaces !== "" || lamp.factory) && lampWork(job, lamp) === work,
  );
  return Math.max(0, had - told.length);
}

/** What a factory lamp is for, in words. */
export const LAMP_WORK_WORDS: Readonly<Record<FactoryLamp, string>> = {
  headlight: "headlight",
  rearPosition: "tail lamp",
  stop: "brake lamp",
  turnFront: "front turn lamp",
  turnRear: "rear turn lamp",
};
