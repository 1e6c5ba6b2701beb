import { compareWays, decimal } from "@dragonet/core";
import { DEMO_SHELF } from "@dragonet/core/demo";
import { printJson, type Verb } from "../world.ts";

/** The four ways to feed each run's lamps on a pack vehicle, with the demo shop's shelf to pick from. */
export const compareVerb: Verb = ({ job, json, world }) => {
  if (job.vehicle.system.kind === "engine") {
    world.err("nothing to compare: this vehicle has no traction pack\n");
    return 2;
  }
  const made = job.runs.map((run) => ({
    run: run.id,
    name: run.name,
    ways: compareWays(job, run.id, DEMO_SHELF),
  }));
  if (json) {
    printJson(world, made);
    return 0;
  }
  for (const { name, ways } of made) {
    world.out(`${name}\n`);
    for (const way of ways) {
      const [first, last] = [way.points[0], way.points[way.points.length - 1]];
      const volts =
        first && last ? `${decimal(first.lowV)} to ${decimal(last.highV)} V at the lamps, ` : "";
      const says =
        way.refused !== ""
          ? way.refused
          : `${volts}${decimal((way.evening?.lostShare ?? 0) * 100)} % lost, ${way.darkWithOne} of ${way.lamps} dark with one dead, parts ${decimal(way.money, 2)}; ${way.effect}`;
      world.out(`  ${way.current ? "*" : " "} ${way.label}: ${says}\n`);
    }
  }
  return 0;
};
