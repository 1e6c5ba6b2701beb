import { programOf, type Input, type Job, type LightingCircuit } from "../job/index.ts";
import type { Behaviour } from "../part/index.ts";

/** Share of time that what lifts a channel to its full level is on, where nobody says: assumed. */
const BOOSTED: Readonly<Partial<Record<Input, number>>> = { brake: 0.25, lever: 0.25, pedal: 0.25 };
const BOOSTED_OTHER = 0.1;

const usualShare = (program: Behaviour): number =>
  program.boostWith.reduce((most, input) => Math.max(most, BOOSTED[input] ?? BOOSTED_OTHER), 0);

/**
 * Mean level of a circuit's channel while it is on, 0–1: a tenth while riding counts as a
 * tenth, and as full for the share of time `boosted` that its full level is asked. A channel
 * that flashes for as long as it is on counts by its light.
 */
export function levelShare(job: Job, run: LightingCircuit, boosted?: number): number {
  const program = programOf(job, run);
  if (!program) return 1;
  const share = program.boostWith.length === 0 ? 0 : (boosted ?? usualShare(program));
  const level = program.level * (1 - share) + program.boostLevel * share;
  const always = program.flashes < 0 && program.flashWith.length === 0;
  return always ? (level * program.onS) / (program.onS + program.offS) : level;
}

/** Whether braking is what lifts a circuit's channel to its full level. */
export const boostsBraking = (job: Job, run: LightingCircuit): boolean =>
  programOf(job, run)?.boostWith.some((input) => input === "brake" || input in BOOSTED) ?? false;
