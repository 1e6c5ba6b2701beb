import { cutListCsv, cutListOf, decimal, synthesise, type Job } from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

/** Every wire to cut, its ends, and how they come off spools. */
export function writeCutList(
  job: Job,
  look: { readonly json: boolean; readonly csv: boolean },
  world: World,
): ExitCode {
  const list = cutListOf(job, synthesise(job));
  if (look.csv) {
    world.out(cutListCsv(list));
    return 0;
  }
  if (look.json) {
    printJson(world, list);
    return 0;
  }
  for (const line of list.lines) {
    world.out(
      `${line.label}  ${line.gaugeId} ${line.colour}  ${decimal(line.cutM * 1000, 0)} mm  ${line.from.at} (${line.from.terminal}) to ${line.to.at} (${line.to.terminal})\n`,
    );
  }
  for (const spool of list.spools) {
    const gap = spool.plan.exact ? "" : `, ${spool.plan.leastSpools} at the least`;
    world.out(
      `${spool.gaugeId} ${spool.colour}: ${decimal(spool.totalM, 2)} m off ${spool.plan.spools.length} spools${gap}\n`,
    );
  }
  return 0;
}
