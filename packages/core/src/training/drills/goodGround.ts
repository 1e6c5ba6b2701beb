import { GROUND, splitNode } from "../../circuit/index.ts";
import {
  simulatedReading,
  soundRange,
  type FaultSuspect,
  type Probe,
  allOff,
} from "../../diagnosis/index.ts";
import { decimal } from "../../quantity/index.ts";
import { pickOf } from "../chance.ts";
import { drillOf, type MakeDrill } from "../drill.ts";

const GOOD = "good";
const BAD = "bad";

/** A lamp's negative against the source's, with something on: what is lost on the way back. */
function isGroundProbe({ at, state }: Probe): boolean {
  if (at.kind !== "volts" || allOff(state)) return false;
  return splitNode(at.node).terminal === "neg" && at.node !== GROUND;
}

const ON_THE_WAY_BACK: ReadonlySet<FaultSuspect["fault"]> = new Set(["groundLost", "badJoint"]);

/** Volts between a lamp's negative and the battery's while it is lit: is its ground good? */
export const goodGround: MakeDrill = ({ bench, chance }) => {
  const places = bench.groups.flatMap((group) =>
    group.runs.flatMap(({ probes }) =>
      probes.filter(isGroundProbe).map((probe) => ({ group, probe })),
    ),
  );
  const chosen = pickOf(places, chance);
  if (!chosen) return null;
  const { group, probe } = chosen;
  const [low, high] = soundRange(probe);
  const moved = group.suspects.filter((s): s is FaultSuspect => {
    if (s.kind !== "fault" || !ON_THE_WAY_BACK.has(s.fault)) return false;
    const reads = probe.bench.reads(s, probe);
    return reads !== null && reads > high;
  });
  const fault = chance() < 0.5 ? null : pickOf(moved, chance);
  const reading = simulatedReading(fault, probe, Math.floor(chance() * 1e6));
  if (!reading) return null;
  const good = reading.value >= low && reading.value <= high;
  return drillOf(
    "goodGround",
    `With ${probe.state.words}, ${probe.words} reads ${decimal(reading.value, 2)} V. Is this ground good?`,
    [GOOD, BAD],
    good ? GOOD : BAD,
    `As built it reads ${decimal(Math.max(0, low), 2)} to ${decimal(high, 2)} V.${fault ? ` Here: ${fault.words}.` : ""}`,
  );
};
