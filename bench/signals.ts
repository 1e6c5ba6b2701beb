import {
  BusFollower,
  CandumpReader,
  SIMULATED_DBC,
  framesOf,
  printCandump,
  readDbc,
  readScript,
  simulateSignals,
  synthesise,
  type Job,
} from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";

/** Ten minutes of riding: turns, brakes and hazards, a press every few seconds. */
function tenMinutes(): string {
  const lines = ["0 key on", "0 park on", "0 speed 45"];
  for (let t = 2; t < 590; t += 10) {
    lines.push(`${t} left on`, `${t + 3} left off`);
    lines.push(`${t + 4} brake on`, `${t + 6} brake off`);
    lines.push(`${t + 7} right on`, `${t + 9} right off`);
  }
  return `${lines.join("\n")}\n600 end\n`;
}

const LOG_BYTES = 100_000_000;

/** Following a log of 100 MB piece by piece, in s: ten minutes of the simulated bus, over and over. */
export function benchReplay(): { readonly logS: number; readonly frames: number } {
  const job = demoJobs().find((j: Job) => j.card.title === "Box lamp: run, turn, brake")!;
  const script = readScript(job, tenMinutes());
  const dbc = readDbc(SIMULATED_DBC);
  if (!script.ok || !dbc.ok) throw new Error("the bench's own script or DBC is broken");
  const text = printCandump(framesOf(dbc.value, script.value));
  const reader = new CandumpReader();
  const follower = new BusFollower(dbc.value);
  const began = performance.now();
  for (let taken = 0; taken < LOG_BYTES; taken += text.length) follower.push(reader.push(text));
  follower.push(reader.end());
  return { logS: (performance.now() - began) / 1000, frames: follower.known + follower.unknown };
}

/** Ten minutes of the tourer's full set, in ms, circuit at hand. */
export function benchSignals(): { readonly tenMinutesMs: number; readonly changes: number } {
  const job = demoJobs().find((j: Job) => j.card.title === "Box lamp: run, turn, brake")!;
  const circuit = synthesise(job);
  const script = readScript(job, tenMinutes());
  if (!script.ok) throw new Error(script.faults[0]?.message);
  let changes = 0;
  const run = (): void => {
    const trace = simulateSignals(job, circuit, script.value);
    changes = trace.lamps.reduce((n, lamp) => n + lamp.steps.length, 0);
  };
  run();
  const began = performance.now();
  for (let i = 0; i < 10; i += 1) run();
  return { tenMinutesMs: (performance.now() - began) / 10, changes };
}
