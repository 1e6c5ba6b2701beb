import { planJob, span, type Finding } from "@dragonet/core";
import { printJson, type Verb } from "../world.ts";

function findingText(f: Finding): string {
  const figures = f.figures.map((x) => `${x.label} ${x.value} (${x.limit})`).join(", ");
  return `${f.severity.toUpperCase()}  ${f.title}\n      ${f.place.words}\n      ${figures === "" ? "" : `${figures}. `}${f.why}\n`;
}

export const check: Verb = ({ job, json, world }) => {
  const plan = planJob(job, "metric");
  if (json) {
    const { findings, budget, choices, gaps, materials } = plan;
    printJson(world, { findings, budget, choices, gaps, materials });
  } else {
    for (const b of plan.budget.running) {
      world.out(
        `${b.state}: ${span(b.spareA)} A to spare, ${span(b.baseSpareA)} A without these lamps, ${b.verdict}\n`,
      );
    }
    for (const finding of plan.findings) world.out(findingText(finding));
  }
  return plan.findings.some((f) => f.severity === "stop") ? 1 : 0;
};
