import { drawingSvg, mirrored, patternOf, templateDrawing, type Job } from "@dragonet/core";
import { drawingDxf } from "@dragonet/template";
import type { ExitCode, World } from "../world.ts";

export interface TemplateLook {
  readonly svg: boolean;
  readonly mirror: boolean;
  /** Id of the template; "" for the only or the first one. */
  readonly of: string;
}

/** A drilling template at 1:1 as DXF or SVG. Holes that are off their panel are told, exit 1. */
export function writeTemplate(job: Job, look: TemplateLook, world: World): ExitCode {
  const template = look.of === "" ? job.templates[0] : job.templates.find((t) => t.id === look.of);
  if (!template) {
    const known = job.templates.map((t) => t.id).join(", ") || "none";
    world.err(`--of: no template "${look.of}" in this job (there are: ${known})\n`);
    return 2;
  }
  const made = patternOf(job, template);
  const pattern = look.mirror ? mirrored(made) : made;
  const title = `${template.name}${look.mirror ? ", mirrored" : ""}`;
  const drawing = templateDrawing(pattern, title);
  world.out(look.svg ? drawingSvg(drawing) : drawingDxf(drawing));
  for (const { hole, words } of pattern.faults) world.err(`${hole.name}: ${words}\n`);
  return pattern.faults.some((f) => f.severe) ? 1 : 0;
}
