import { HAZARD_WORDS, decimal, routeOf, synthesise, type Job } from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

/** Every wire on its way over the vehicle, what lies in each stretch, what it asks for. */
export function writeRoute(job: Job, json: boolean, world: World): ExitCode {
  const plan = routeOf(job, synthesise(job));
  const names = new Map<string, string>(job.vehicle.places.map((p) => [p.id, p.name]));
  const name = (id: string): string => names.get(id) ?? id;
  if (json) {
    printJson(world, {
      wires: plan.wires.map((w) => ({
        label: w.label,
        gauge: w.gaugeId,
        places: w.way.places,
        stretches: w.way.segments.map((s) => s.id),
        lengthM: w.lengthM,
      })),
      stretches: plan.segments.map((s) => ({
        id: s.segment.id,
        from: s.segment.fromId,
        to: s.segment.toId,
        wires: s.labels,
        bundleMm: Number((s.diameterM * 1000).toFixed(1)),
        sleeveMm: s.sleeveMm,
        protections: s.protections.map(({ hazard, words }) => ({ hazard, words })),
      })),
      gaps: plan.gaps,
    });
    return 0;
  }
  if (job.vehicle.places.length === 0) world.out("This vehicle has no route map yet.\n");
  for (const wire of plan.wires) {
    const way = wire.way.places.map(name).join(" → ");
    world.out(`${wire.label}  ${decimal(wire.lengthM.value * 1000, 0)} mm  ${way}\n`);
  }
  for (const { segment, labels, diameterM, protections } of plan.segments) {
    const asks = protections.map((p) => `${HAZARD_WORDS[p.hazard]}: ${p.words}`).join("; ");
    world.out(
      `${name(segment.fromId)} to ${name(segment.toId)}: ${labels.length} wires, ${decimal(diameterM * 1000, 1)} mm thick${asks === "" ? "" : `. ${asks}`}\n`,
    );
  }
  for (const gap of plan.gaps) world.out(`${gap.label}: ${gap.words}\n`);
  return 0;
}
