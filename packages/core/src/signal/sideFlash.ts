import type { Circuit } from "../circuit/index.ts";
import { onceOfPair, type ElementId, type Input, type Job, type CircuitId } from "../job/index.ts";
import { solveCircuit } from "../network/index.ts";
import { runningVolts } from "../source/index.ts";
import { flashTiming, type FlasherFacts, type FlashTiming } from "./flasher.ts";

/** Volts at which a watt of a factory bulb is an amp's worth: 13.5 V, as the limits are stated. */
export const FLASHER_V = 13.5;

/** Sides that turn signals have. */
export const SIDES = ["left", "right"] as const;
/** A side that turn signals have. */
export type Side = (typeof SIDES)[number];

/** Bulbs a side where nobody has counted them: one in front, one behind (common practice). */
const USUAL_BULBS = 2;

/**
 * Watts of factory bulbs that a side still has: those that the job puts other lamps in the place
 * of are gone.
 */
function factoryBulbW({ vehicle, lamps, runs }: Job, side: Side): number {
  const { turnFront, turnRear } = vehicle.factoryLamps;
  const counted = ((turnFront ?? 0) + (turnRear ?? 0)) / SIDES.length;
  const known = turnFront !== null && turnRear !== null && counted > 0;
  const had = known ? counted : USUAL_BULBS;
  const works = (id: CircuitId): boolean =>
    runs.some((r) => r.id === id && r.condition.anyOf.flat().some((t) => t.input === side));
  const gone = lamps.filter((l) => l.replaces !== "" && !l.factory && works(l.runId)).length;
  const left = Math.max(0, 1 - gone / had);
  return (vehicle.turn?.bulbW.value ?? 0) * left;
}

/** What the factory's bulbs of a side that are still there draw of its wire, in A. */
export const staysA = (job: Job, side: Side): number => factoryBulbW(job, side) / FLASHER_V;

/** Current that flows to a side's lamps through what makes it flash, in A. */
export function sideLoadA(
  job: Job,
  circuit: Circuit,
  side: Side,
  amps: ReadonlyMap<ElementId, number>,
): number {
  let total = staysA(job, side);
  let kit = 0;
  for (const element of circuit.elements.values()) {
    if (element.kind === "tap" && element.pin.liveWhen === side) total += amps.get(element.id) ?? 0;
    if (element.kind === "flasher") kit = Math.max(kit, amps.get(element.id) ?? 0);
  }
  return kit > 0 ? kit : total;
}

/** The kit's own flasher where the turn lamps hang behind one, the vehicle's otherwise. */
export function flasherOf(job: Job, circuit: Circuit) {
  for (const element of circuit.elements.values()) {
    if (element.kind !== "flasher") continue;
    const { principle, leastA, ratePerMin, onShare } = element.part;
    return { principle, leastA, ratedA: Math.max(leastA * 1.5, 1), ratePerMin, onShare };
  }
  return job.vehicle.turn;
}

/** How a side flashes with its control held, by what makes it flash. */
export interface SideFlash {
  readonly side: Side;
  readonly flasher: FlasherFacts;
  readonly loadA: number;
  readonly timing: FlashTiming;
}

function eachSide(job: Job, circuit: Circuit): readonly SideFlash[] {
  const flasher = flasherOf(job, circuit);
  if (!flasher) return [];
  return SIDES.flatMap((side): SideFlash[] => {
    const asks = job.runs.some((run) =>
      run.condition.anyOf.flat().some((term) => term.input === side && !term.negated),
    );
    if (!asks) return [];
    const inputs = new Set<Input>(["key", "engine", side]);
    const position = { inputs, switches: new Set<never>(), ...runningVolts(job.vehicle) };
    const solved = solveCircuit(circuit, position, job.practices.ambientC);
    if (solved.kind !== "solved") return [];
    const loadA = sideLoadA(job, circuit, side, solved.result.amps);
    return [{ side, flasher, loadA, timing: flashTiming(flasher, loadA) }];
  });
}

const sidesOf = onceOfPair((circuit: Circuit, job: Job) => eachSide(job, circuit));

/**
 * Each side that the job has lamps on, held: what its flasher sees and makes of it. Empty where
 * nothing makes them flash, or where the position has no solution. Worked out once a circuit.
 */
export const sideFlashes = (job: Job, circuit: Circuit): readonly SideFlash[] =>
  sidesOf(circuit, job);
