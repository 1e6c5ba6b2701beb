import {
  USUAL_SCRIPT,
  decimal,
  judgeFlash,
  measuresOf,
  readScript,
  signalsCsv,
  simulateSignals,
  synthesise,
  usesSide,
  type FlashMeasure,
  type Job,
  type LampTrace,
} from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

/** What every lamp does over a script of the controls: events, rate, on-share, first flash. */
export function playSignals(
  job: Job,
  text: string | null,
  look: { readonly json: boolean; readonly csv: boolean },
  world: World,
): ExitCode {
  const own = job.signals.script === "" ? USUAL_SCRIPT : job.signals.script;
  const script = readScript(job, text ?? own);
  if (!script.ok) {
    for (const fault of script.faults) world.err(`script, ${fault.path}: ${fault.message}\n`);
    return 2;
  }
  const trace = simulateSignals(job, synthesise(job), script.value);
  const measures = measuresOf(trace);
  const verdictOf = (lamp: LampTrace, measure: FlashMeasure): string => {
    const run = job.runs.find((r) => r.id === lamp.runId);
    if (!run || !usesSide(run)) return "a pattern of its own";
    return judgeFlash(measure) || "a proper flash";
  };
  if (look.csv) {
    world.out(signalsCsv(trace));
    return 0;
  }
  if (look.json) {
    const lamps = measures.map(({ lamp, measure }) => ({
      ...lamp,
      flash: measure && { ...measure, verdict: verdictOf(lamp, measure) },
    }));
    printJson(world, { endS: trace.endS, sides: trace.sides, lamps });
    return 0;
  }
  for (const side of trace.sides) {
    world.out(`${side.side}: ${side.timing.why} (${decimal(side.loadA, 2)} A)\n`);
  }
  for (const { lamp, measure } of measures) {
    const flash = measure
      ? `${decimal(measure.perMin, 1)} a minute, ${decimal(measure.onShare * 100, 0)} % lit, first flash after ${decimal(measure.firstFlashS, 2)} s: ${verdictOf(lamp, measure)}`
      : "does not flash";
    world.out(`${lamp.label} (${lamp.place}): ${flash}, ${lamp.steps.length} changes\n`);
  }
  return 0;
}
