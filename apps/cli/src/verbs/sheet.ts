import { planJob, lineDiagramSvg, type Job } from "@dragonet/core";
import { loomPage } from "@dragonet/loom";
import type { ExitCode, World } from "../world.ts";

const PAPER = { fontFamily: "sans-serif", ink: "#16211f" };

/** Writes the wiring sheet as SVG files: one a run, and the whole loom. */
export async function writeSheet(job: Job, folder: string, world: World): Promise<ExitCode> {
  const plan = planJob(job, "metric");
  const pages = plan.strips.engineOff.map((strip, i) => ({
    name: `${String(i + 1).padStart(2, "0")}-${strip.runId}.svg`,
    svg: lineDiagramSvg(strip, PAPER),
  }));
  const loom = await loomPage(job, "metric", { ...PAPER, paper: "#ffffff" });
  if (loom !== "") pages.push({ name: "loom.svg", svg: loom });
  for (const { name, svg } of pages) {
    const path = `${folder}/${name}`;
    try {
      world.write(path, svg);
    } catch (error) {
      world.err(`${path}: ${error instanceof Error ? error.message : String(error)}\n`);
      return 2;
    }
    world.out(`${path}\n`);
  }
  return 0;
}
