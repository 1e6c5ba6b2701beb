import type { Job } from "../../job/index.ts";
import type { FactoryBeam } from "../../vehicle/index.ts";
import type { LampInPlace } from "./lampInPlace.ts";

/** A lamp that the vehicle came with, as it shines ahead. */
export interface FactoryLight extends LampInPlace {
  readonly beam: FactoryBeam["beam"];
  readonly label: string;
}

/** The vehicle's own lamps whose beam somebody measured, at their rated volts: what added light is held against. */
export const factoryLights = (job: Job): FactoryLight[] =>
  job.vehicle.beams.map((b) => ({
    ...{ id: `own-${b.id}`, label: b.name, beam: b.beam, photometry: b.photometry, share: 1 },
    at: { ahead: -b.backM.value, right: b.rightM, up: b.heightM.value },
    ...{ tiltDeg: b.tiltDeg, toeDeg: 0 },
  }));
