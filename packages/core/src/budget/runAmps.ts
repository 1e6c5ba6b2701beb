import { controlPath, elementsOf, type Circuit } from "../circuit/index.ts";
import { onceOfPair, type Job, type LightingCircuit } from "../job/index.ts";
import { loadCurrentA } from "../part/index.ts";
import { interval, sum, times, type Interval } from "../quantity/index.ts";
import { loadsOf } from "../synthesis/index.ts";
import { levelShare } from "./levelShare.ts";

/**
 * What a run takes while it is on, in A, at volts: its lamps and its relay's coil. `boosted` is the share of time
 * that its channel's full level is asked; left out for the usual one.
 */
type RunAmps = (run: LightingCircuit, volts: number, boosted?: number) => Interval;

function runAmps(
  job: Job,
  run: LightingCircuit,
  circuit: Circuit,
  volts: number,
  boosted: number | undefined,
): Interval {
  const loads = loadsOf(job, run).map(({ part }) =>
    interval(
      loadCurrentA(part.load, volts, "low"),
      loadCurrentA(part.load, volts, "value"),
      loadCurrentA(part.load, volts, "high"),
    ),
  );
  const made = circuit.runs.find((r) => r.runId === run.id);
  const coils = made?.coil
    ? elementsOf(circuit, controlPath(made), "coil").map(({ part }) => {
        const { low, value, high } = part.coilOhm;
        return interval(volts / high, volts / value, volts / low);
      })
    : [];
  return sum([times(sum(loads), levelShare(job, run, boosted)), ...coils]);
}

/** Worked out once for all states, rides and legs that are at the same volts. */
export const runAmpsOf = onceOfPair((circuit: Circuit, job: Job): RunAmps => {
  const known = new Map<string, Interval>();
  return (run, volts, boosted) => {
    const key = `${run.id} ${volts} ${boosted}`;
    const before = known.get(key);
    if (before) return before;
    const amps = runAmps(job, run, circuit, volts, boosted);
    known.set(key, amps);
    return amps;
  };
});
