import {
  simulatedReading,
  type FaultSuspect,
  type Probe,
  type Testable,
  allOff,
} from "../../diagnosis/index.ts";
import { decimal } from "../../quantity/index.ts";
import { pickOf, shuffled, type Chance } from "../chance.ts";
import { drillOf, type MakeDrill } from "../drill.ts";

const OPTIONS = 4;
/** A right answer reads as it does, and a wrong one so many standard deviations elsewhere. */
const APART_SIGMAS = 6;

/** Faults that read elsewhere at a probe than one does, each elsewhere. */
function othersOf(
  group: Testable,
  probe: Probe,
  fault: FaultSuspect,
  chance: Chance,
): FaultSuspect[] {
  const here = probe.bench.expects(fault, probe);
  return shuffled(group.suspects, chance)
    .filter((s): s is FaultSuspect => s.kind === "fault" && s.id !== fault.id)
    .filter((s) => {
      const there = probe.bench.expects(s, probe);
      const apart = Math.abs(here.value - there.value);
      return (
        Number.isFinite(there.sigma) && apart > APART_SIGMAS * Math.hypot(here.sigma, there.sigma)
      );
    })
    .slice(0, OPTIONS - 1);
}

/** A reading of a meter that only one of four faults explains. */
export const readMeter: MakeDrill = ({ bench, chance }) => {
  const group = pickOf(bench.groups, chance);
  const run = group && pickOf(group.runs, chance);
  const probes = run?.probes.filter(({ at, state }) => at.kind === "volts" && !allOff(state));
  const probe = probes && pickOf(probes, chance);
  if (!group || !probe) return null;
  const sound = probe.bench.sound(probe);
  const moving = group.suspects.filter((s): s is FaultSuspect => {
    if (s.kind !== "fault") return false;
    const { value, sigma } = probe.bench.expects(s, probe);
    return Number.isFinite(sigma) && Math.abs(value - sound.value) > APART_SIGMAS * sound.sigma;
  });
  const fault = pickOf(moving, chance);
  const reading = fault && simulatedReading(fault, probe, Math.floor(chance() * 1e6));
  if (!fault || !reading) return null;
  const others = othersOf(group, probe, fault, chance);
  if (others.length < OPTIONS - 1) return null;
  const options = shuffled([fault, ...others], chance).map(({ words }) => words);
  if (new Set(options).size < options.length) return null;
  return drillOf(
    "readMeter",
    `With ${probe.state.words}, ${probe.words} reads ${decimal(reading.value, 2)} V; as built ${decimal(sound.value, 2)} V. Which of these is it?`,
    options,
    fault.words,
    others
      .map((o) => `${o.words}: ${decimal(probe.bench.expects(o, probe).value, 2)} V`)
      .join("; "),
  );
};
