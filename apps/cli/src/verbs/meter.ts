import { ScpiMeter, TestBench, type FaultSuspect, type Job } from "@dragonet/core";
import type { ExitCode, World } from "../world.ts";

const isFault = (suspect: { readonly kind: string }): suspect is FaultSuspect =>
  suspect.kind === "fault";

/** Serves the simulated meter on loopback until it is stopped, with a fault hidden in the job. */
export function serveMeter(
  job: Job,
  { fault, port }: { readonly fault: string; readonly port: string },
  world: World,
): ExitCode | Promise<ExitCode> {
  const bench = new TestBench(job);
  const faults = bench.groups.flatMap(({ suspects }) => suspects.filter(isFault));
  const hidden = fault === "" ? null : (faults.find(({ id }) => id === fault) ?? undefined);
  if (hidden === undefined) {
    world.err(`--fault: no fault "${fault}" in this job, such as "${faults[0]?.id ?? ""}"\n`);
    return 2;
  }
  const at = Number(port);
  if (!Number.isInteger(at) || at < 0 || at > 65535) {
    world.err(`--port: invalid port "${port}" (0 to 65535)\n`);
    return 2;
  }
  return world.serveLines(at, () => {
    const meter = new ScpiMeter(bench, hidden);
    return (line) => meter.ask(line);
  });
}
